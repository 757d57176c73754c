import { BOWED, CHIN_HELD } from '../../instruments';
import type { LookGuide } from '../guide';

const SEAMS = {
  look: 'seams',
  asks: 'Is every seam closed?',
  from: 'player',
  minutes: 1,
} as const;

/** Varnish, seams, board and what holds the instrument to the player [handbook 9; 5]. Minutes and weights are from memory. */
export const BODY_GUIDES: readonly LookGuide[] = [
  {
    look: 'outside',
    asks: 'Is the wood whole?',
    how: [
      'Tilt the instrument to the light and follow the grain of the top from end to end.',
      'Stop at the ends of the f-holes, beside the bridge, at the chin rest and at the saddle.',
    ],
    signs: {
      good: 'No line that crosses or follows the grain',
      watch: 'A scratch, a worn or dull place',
      act: 'A crack: a dark line along the grain',
    },
    do: {
      watch: 'Note where it is and look again in a month. Keep sweat off bare wood.',
      act: 'Slacken the strings a little and do not play. No glue: a luthier, soon.',
    },
    for: { families: BOWED },
    from: 'child',
    minutes: 1,
    tells: 2,
    causes: { knock: 3, dry: 2, journey: 1 },
  },
  {
    look: 'outside',
    asks: 'Is the wood whole?',
    how: [
      'Tilt it to the light and follow the grain of the top from end to end.',
      'Stop between bridge and edge, and beside the fretboard: that is where it cracks first.',
    ],
    signs: {
      good: 'No line that follows the grain',
      watch: 'A scratch, a worn or dull place',
      act: 'A crack: a dark line along the grain',
    },
    do: {
      watch: 'Note where it is and look again in a month.',
      act: 'Slacken the strings a little and do not play. No glue: a luthier, soon.',
    },
    for: { families: ['guitar', 'harp'] },
    from: 'child',
    minutes: 1,
    tells: 2,
    causes: { knock: 3, dry: 2, journey: 1 },
  },
  {
    ...SEAMS,
    how: [
      'Hold it by the neck and rap with a knuckle round the edge, top and back.',
      'A closed seam gives one clear note all the way round.',
    ],
    signs: {
      good: 'One clear note all round',
      watch: 'A duller spot',
      act: 'A buzz, or a gap you can see',
    },
    do: {
      watch: 'Mark where, and rap again in two weeks.',
      act: 'Slacken the strings a little, then a luthier soon. The wood was too dry.',
    },
    for: { families: BOWED },
    tells: 2,
    causes: { dry: 3, knock: 2, journey: 2, season: 1 },
  },
  {
    ...SEAMS,
    how: ['Rap lightly with a knuckle round the edge of top and back.', 'Look along the edge against the light.'],
    signs: {
      good: 'One clear note all round',
      watch: 'A duller spot',
      act: 'A buzz, or a gap you can see',
    },
    do: {
      watch: 'Mark where, and rap again in two weeks.',
      act: 'Slacken the strings a little, then a technician soon. The wood was too dry.',
    },
    for: { families: ['guitar'], kinds: ['steel', 'classical'] },
    tells: 1,
    causes: { dry: 3, knock: 2, journey: 1, season: 1 },
  },
  {
    look: 'soundboard',
    asks: 'Does the soundboard hold?',
    how: [
      'Look along the board from below, and at the seam between board and body all the way up.',
      'A little belly under the strings is usual; a crack or an open edge is not.',
    ],
    signs: {
      good: 'An even belly, the seam closed',
      watch: 'More belly than last time, or a fine line beside the strip',
      act: 'An open seam or a crack',
    },
    do: {
      watch: 'Take a photo from the side, and compare it in spring.',
      act: 'Let the lowest strings down half a tone and have a technician look soon.',
    },
    from: 'player',
    minutes: 1,
    tells: 3,
    causes: { dry: 3, damp: 2, knock: 2, season: 2 },
  },
  {
    look: 'neck',
    asks: 'Are neck and fingerboard firm?',
    how: [
      'Look at the joint of neck and body, at the button behind and along the edge of the fingerboard.',
      'Sight along the board from the scroll: it is straight, with a slight hollow.',
    ],
    signs: {
      good: 'No line at the joint, the board even',
      watch: 'Ruts under the strings, or an edge of the board coming loose',
      act: 'A gap at the joint or the button',
    },
    do: {
      watch: 'For the next visit: a board is planed, an edge is glued.',
      act: 'Slacken the strings and do not play: a neck that opens comes off. A luthier now.',
    },
    from: 'player',
    minutes: 0.5,
    tells: 1,
    causes: { knock: 3, journey: 1, dry: 1 },
  },
  {
    look: 'chin-rest',
    asks: 'Does the chin rest sit firm?',
    how: ['Press it lightly to either side: it must not shift, nor touch the tailpiece.', 'Look at the cork under it.'],
    signs: { good: 'Firm on its cork', watch: 'Loose: it buzzes or shifts', act: 'Its metal touches the wood' },
    do: {
      watch: 'Tighten it by a quarter turn, both sides alike, no more than finger-tight.',
      act: 'Take it off before it dents the edge; new cork, then on again.',
    },
    for: { families: CHIN_HELD },
    from: 'player',
    minutes: 0.5,
    tells: 0.5,
  },
  {
    look: 'endpin',
    asks: 'Does the endpin hold?',
    how: ['Draw it out, tighten it, and lean on it.', 'Look at its tip, and at the collar against the body.'],
    signs: {
      good: 'Holds, with a sharp tip',
      watch: 'Slips a little, or its tip is blunt',
      act: 'Slides in, or the collar is loose',
    },
    do: {
      watch: 'Wipe the pin dry where the screw grips. A blunt tip is filed or changed.',
      act: 'For the workshop before it lets go in the middle of a piece.',
    },
    from: 'child',
    minutes: 0.5,
    tells: 0.5,
  },
  {
    look: 'case',
    asks: 'Does the case protect it?',
    how: [
      'Every latch and zip, the holders of neck and bow, the handle.',
      'Nothing loose inside. The hygrometer shows a figure that can be.',
    ],
    signs: {
      good: 'All closes, nothing loose',
      watch: 'A latch or a holder is worn',
      act: 'It can open, or something loose lies inside',
    },
    do: {
      watch: 'Have the latch mended before the next journey.',
      act: 'Take out what is loose now. A case that can open is tied until it is mended.',
    },
    from: 'child',
    minutes: 0.5,
    tells: 0.5,
    causes: { journey: 1 },
  },
];
