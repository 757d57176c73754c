import { BOWED, ON_ENDPIN, CHIN_HELD } from '../../instruments';
import type { LookGuide } from '../guide';

const STRINGS = {
  look: 'strings',
  asks: 'Are the strings even and whole?',
  from: 'child',
  minutes: 0.5,
  tells: 3,
  caution: 'A frayed string cuts: look, then touch lightly with the nail.',
} as const;

const FINE_TUNERS = {
  look: 'fine-tuners',
  asks: 'Have the fine tuners room left?',
  signs: {
    good: 'About the middle of their travel',
    watch: 'In the last quarter',
    act: 'At the end, or the lever nears the top',
  },
  do: {
    watch: 'At the next tuning, back it out and retune at the peg.',
    act: 'Back it out now and retune at the peg: a lever that touches scratches the top.',
  },
  from: 'player',
  minutes: 0.5,
  tells: 1,
} as const;

/** Bridge, strings, grooves, pegs, tailpiece and post [handbook 9; 5; 4]. Minutes and weights are from memory. */
export const BRIDGE_GUIDES: readonly LookGuide[] = [
  {
    look: 'bridge-lean',
    asks: 'Does the bridge stand square?',
    how: [
      'Hold the instrument at eye height and look from the side.',
      'The face towards the tailpiece stands at a right angle on the top. Tuning pulls the upper edge to the pegs.',
    ],
    signs: {
      good: 'Square on the top',
      watch: 'Leans a little: up to four degrees',
      act: 'Leans clearly, or is bent in itself',
    },
    do: {
      watch:
        'Look again after the next tuning. Who has practice straightens it with both hands, strings slightly eased.',
      act: 'Do not tune up. A teacher or a luthier sets it; a bent one is replaced.',
    },
    from: 'child',
    minutes: 0.5,
    tells: 4,
    causes: { strings: 4, journey: 3, knock: 3, season: 1, dry: 1, damp: 1 },
  },
  {
    look: 'bridge-place',
    asks: 'Does the bridge stand in its place?',
    how: [
      'From the front: the middle of its feet lies between the inner notches of the f-holes.',
      'Light must not shine under a foot.',
    ],
    signs: {
      good: 'In line with the notches, both feet flat',
      watch: 'One or two millimetres off',
      act: 'Farther off, or a foot does not touch',
    },
    do: {
      watch: 'Compare with a photo of before. A teacher moves it back with the strings eased.',
      act: 'A teacher or a luthier sets it before it is played.',
    },
    from: 'child',
    minutes: 0.5,
    tells: 2,
    causes: { knock: 3, journey: 3, strings: 2 },
  },
  {
    look: 'bridge-glued',
    asks: 'Does the bridge lie flat on the top?',
    how: [
      'Try to slide a sheet of paper under its back edge.',
      'Sight over the top: a little belly behind it is usual.',
    ],
    signs: {
      good: 'Paper does not go in',
      watch: 'The top bellies more than last time',
      act: 'Paper slides under it',
    },
    do: {
      watch: 'Look again in a month, and at the air.',
      act: 'Slacken the strings: a bridge that lifts tears the top. A technician soon.',
    },
    from: 'player',
    minutes: 0.5,
    tells: 2,
    causes: { dry: 2, damp: 2, knock: 1, strings: 1 },
  },
  {
    look: 'string-height',
    asks: 'How high do the strings stand?',
    how: [
      'Over the end of the fingerboard, from the board to the underside of the string, the lowest and the highest.',
      'A change tells more than the figure: wood moves with the air.',
    ],
    signs: {
      good: 'As last time',
      watch: 'Half a millimetre or more from last time',
      act: 'A whole millimetre from last time, or strings touch the board',
    },
    do: {
      watch: 'Look at the air, and measure again in two weeks.',
      act: 'For the next visit, with both figures. Until then look at the air.',
    },
    from: 'player',
    minutes: 1,
    tells: 1,
    causes: { season: 3, dry: 2, damp: 2, strings: 1 },
  },
  {
    ...STRINGS,
    how: [
      'Tilt them to the light and go along each with the eye, then lightly with a fingernail.',
      'Most wear is where the fingers press and where the bow goes.',
    ],
    signs: {
      good: 'Even and shiny all along',
      watch: 'Dull, flat spots, or a winding that moves',
      act: 'A winding is frayed or broken',
    },
    do: {
      watch: 'New strings soon; not in the days before you perform.',
      act: 'Change it now: it cuts, and it breaks when it hurts.',
    },
    for: { families: BOWED },
    causes: { season: 1 },
  },
  {
    ...STRINGS,
    how: [
      'Tilt them to the light and go along each with the eye, then lightly with a fingernail.',
      'Look over the frets: that is where they are notched.',
    ],
    signs: {
      good: 'Even and shiny all along',
      watch: 'Dull or discoloured, notched over the frets',
      act: 'A winding is frayed or broken, or there is rust',
    },
    do: { watch: 'New strings soon, as a set.', act: 'Change the set now: frayed windings cut.' },
    for: { families: ['guitar'] },
  },
  {
    ...STRINGS,
    how: ['Go up the strings with the eye, the knots below and the turns on the pins above.', 'Gut frays, wires kink.'],
    signs: {
      good: 'Smooth, the knots firm',
      watch: 'Fuzzy or dull in places',
      act: 'A string is frayed, or a knot slips',
    },
    do: { watch: 'Have a spare of each ready.', act: 'Change that one now, face turned away.' },
    for: { families: ['harp'] },
  },
  {
    look: 'grooves',
    asks: 'Do the strings lie well in nut and bridge?',
    how: [
      'At the nut and on the bridge: each string lies a third deep in its groove.',
      'Turn a peg a little: the string moves without a creak.',
    ],
    signs: { good: 'A third deep, moves freely', watch: 'It creaks when tuned', act: 'Cut deep, or it pinches' },
    do: {
      watch: 'Pencil graphite in the groove at the next change of that string.',
      act: 'For the next visit: a groove is opened or filled. Do not file it yourself.',
    },
    for: { families: BOWED },
    from: 'player',
    minutes: 0.5,
    tells: 1,
    causes: { strings: 3 },
  },
  {
    look: 'grooves',
    asks: 'Do the strings lie well in the nut?',
    how: [
      'At the nut: each string lies a third deep in its groove.',
      'Tune a little up and down: it moves without a creak.',
    ],
    signs: { good: 'A third deep, moves freely', watch: 'It creaks when tuned', act: 'Cut deep, or it pinches' },
    do: {
      watch: 'Pencil graphite in the groove at the next change of strings.',
      act: 'For the next visit: a nut is filled or made anew.',
    },
    for: { families: ['guitar'] },
    from: 'player',
    minutes: 0.5,
    tells: 1,
    causes: { strings: 3 },
  },
  {
    look: 'pegs',
    asks: 'Do the pegs hold and move?',
    how: ['Turn each a little, pushing in, and let go.', 'Tune back at once; one string at a time.'],
    signs: { good: 'Hold and move', watch: 'Creep or jerk, as with the season', act: 'Slip or stick in steady air' },
    do: {
      watch: 'Push in while turning; peg compound. They follow the seasons.',
      act: 'For the luthier: peg and hole no longer fit.',
    },
    caution: 'Thin strings: your face turned away.',
    from: 'player',
    minutes: 1,
    tells: 1,
    causes: { season: 3, dry: 3, damp: 2, journey: 2, strings: 1 },
  },
  {
    look: 'tuners',
    asks: 'Do the tuners turn evenly?',
    how: ['Turn each a quarter and back.', 'Press on the buttons and the nuts of the posts: nothing rattles.'],
    signs: { good: 'Even, without play', watch: 'Stiff, or a little play', act: 'One slips, or its gear skips' },
    do: {
      watch: 'Tighten the button’s screw by an eighth of a turn.',
      act: 'A technician changes the tuner.',
    },
    from: 'child',
    minutes: 0.5,
    tells: 1,
    causes: { strings: 2 },
  },
  {
    ...FINE_TUNERS,
    how: ['Look from the side at the screw of each: how much of its travel is left?'],
    for: { families: CHIN_HELD },
    causes: { strings: 1 },
  },
  {
    ...FINE_TUNERS,
    how: ['Look at the screw of each, where there is one: how much of its travel is left?'],
    for: { families: ON_ENDPIN },
    causes: { strings: 1 },
  },
  {
    look: 'tailpiece',
    asks: 'Is the tailpiece held well?',
    how: [
      'Look at the cord where it goes round the end button and over the saddle.',
      'The tailpiece does not touch the top, and lies in the middle.',
    ],
    signs: {
      good: 'The cord smooth, the tailpiece free',
      watch: 'The cord is fuzzy or flattened',
      act: 'The cord frays, or the saddle has sunk or come loose',
    },
    do: {
      watch: 'For the next visit.',
      act: 'Slacken the strings: when the cord goes, bridge and post fall. A luthier.',
    },
    from: 'player',
    minutes: 0.5,
    tells: 1,
    causes: { knock: 2 },
  },
  {
    look: 'post',
    asks: 'Does the sound post stand?',
    how: [
      'Torch and mirror through the f-hole on the side of the thinnest string.',
      'It stands upright, just behind the foot of the bridge.',
    ],
    signs: { good: 'There, and upright', watch: 'There, but it leans', act: 'Gone, or lying inside' },
    do: {
      watch: 'For the luthier, with the next visit. Never pull at it.',
      act: 'Slacken the strings, do not play: the top is without its support. A luthier now.',
    },
    from: 'player',
    minutes: 1,
    tells: 2,
    causes: { knock: 5, journey: 5, dry: 1 },
  },
];
