import { BOWED, isBowed, type Family } from '../../instruments';
import type { JobData, WorkContext, WorkStep } from '../work';

/** What may rattle, in the order it is cheap to touch. From memory. */
const LOOSE: Readonly<Record<Family, readonly string[]>> = {
  violin: ['Mute', 'Each fine tuner', 'Chin rest and its screws', 'Tailpiece', 'Shoulder rest', 'A button, zip or earring', 'Things in the room: glass, stand, snare'],
  viola: ['Mute', 'Each fine tuner', 'Chin rest and its screws', 'Tailpiece', 'Shoulder rest', 'A button, zip or earring', 'Things in the room: glass, stand, snare'],
  cello: ['Mute', 'Wolf eliminator', 'Each fine tuner', 'Endpin and its screw', 'Tailpiece', 'A button or zip', 'Things in the room: glass, stand, snare'],
  bass: ['Mute', 'Wolf eliminator', 'Endpin and its screw', 'Tuning gears', 'Tailpiece', 'Pick-up and its cable', 'Things in the room: glass, stand, snare'],
  guitar: ['Tuners and their screws', 'Strap buttons', 'String ends at the head', 'Saddle and its screws', 'Socket and cable', 'A button or zip', 'Things in the room: glass, stand, snare'],
  harp: ['Each lever or disc of that string', 'A string’s end at the soundboard', 'Pedals in their slots', 'Feet and screws', 'Things in the room: glass, stand, snare'],
};

/** Round the edge with a knuckle: the way of the tour. */
function tourSteps({ facts: { family } }: WorkContext): WorkStep[] {
  const sides =
    family === 'harp'
      ? ['The edge of the soundboard, from the bass end up', 'The middle strip, from the bass end up', 'Where neck and body meet']
      : ['Top edge, from the neck round to the end', 'Back edge, the same way', 'Waist and corners again, on both sides'];
  return sides.map((title, at) => ({
    id: `tour-${at + 1}`,
    title,
    how: [
      'A knuckle, lightly, every two fingers’ breadths. A closed seam gives one clear note all the way.',
      'A buzz, a click or a dull place: stop there, and look along it against the light.',
    ],
    picture: 'knuckle',
  }));
}

/** Jobs at the body and what stands on it. */
export const BODY_JOBS: readonly JobData[] = [
  {
    id: 'bridge-upright',
    text: 'For practised hands: its angle read before and after.',
    minutes: 10,
    who: 'practised',
    for: { families: BOWED, floatingBridge: true },
    mends: ['bridge-leans', 'bridge-moved'],
    compose: () => [
      {
        id: 'before',
        title: 'Read its lean',
        how: ['From the side: the face towards the tailpiece against the top. 90° is square; more leans to the fingerboard.'],
        picture: 'bridge',
        figures: ['bridge-angle'],
        photo: true,
      },
      {
        id: 'post',
        title: 'The post first',
        how: ['Through the f-hole on the thin strings’ side: it stands. If it lies or leans, this ends here.'],
        caution: 'Without a post no bridge is set: slacken, and to a luthier.',
        picture: 'through-f-hole',
        look: 'post',
      },
      {
        id: 'lay',
        title: 'Lay it in your lap or on a cloth',
        how: ['On its back, scroll away from you, the tailpiece end against your body. A folded cloth under the tailpiece saves the top.'],
        picture: 'none',
        zone: 'whole',
      },
      {
        id: 'ease',
        title: 'Ease the strings a little',
        how: ['Each by about a tone, in turn. They must still hold the bridge down firmly.'],
        caution: 'Not more: a slack bridge falls, and the post with it.',
        picture: 'loosen',
      },
      {
        id: 'set',
        title: 'Both hands, a hair at a time',
        how: [
          'Heels of both hands on the top beside it; thumbs and forefingers of both hands hold its upper corners.',
          'Draw its top back with the fingers while the thumbs hold against it, a millimetre at most. Its feet do not move.',
        ],
        caution: 'If you have not been shown this, stop: a teacher or a luthier does it in a minute.',
        picture: 'two-hands',
      },
      {
        id: 'feet',
        title: 'Feet flat, between the notches',
        how: ['No light under a foot, and its middle on the line between the inner notches of the f-holes.'],
        picture: 'none',
        zone: 'bridge',
        look: 'bridge-place',
        figures: ['bridge-offset'],
      },
      {
        id: 'up',
        title: 'Up to pitch, looking each time',
        how: ['A little each in turn. After every string a look from the side.'],
        caution: 'Turn the face away from the thin one.',
        picture: 'tune',
      },
      {
        id: 'after',
        title: 'Read it again',
        how: ['Within a degree and a half of square is well. Pencil in its grooves at the next change keeps it there longer.'],
        picture: 'bridge',
        look: 'bridge-lean',
        figures: ['bridge-angle'],
        photo: true,
      },
    ],
  },
  {
    id: 'loose-parts',
    text: 'A note sounded while one thing after another is touched.',
    minutes: 6,
    who: 'player',
    mends: [
      'chin-rest-loose',
      'mute-rattles',
      'rest-touches',
      'endpin-rattles',
      'hardware-rattles',
      'tailpiece-touches',
      'lever-loose',
      'knot-touches',
    ],
    compose: ({ facts: { family } }) => [
      {
        id: 'note',
        title: 'Find the note that rattles',
        how: [
          isBowed(family)
            ? 'Bow a slow scale, or have somebody bow it. It answers on one note, or on its octave.'
            : 'Play a slow scale. It answers on one note, or on its octave.',
          'This phone can sound the open strings: held near, a loose part may answer by itself.',
        ],
        picture: 'none',
        zone: 'strings',
        sounds: true,
      },
      {
        id: 'touch',
        title: 'Touch one thing after another',
        how: ['While it sounds, with a fingertip. Say which one makes it stop.'],
        picture: 'none',
        zone: 'whole',
        touch: LOOSE[family],
      },
      {
        id: 'mend',
        title: 'Make it firm, only until it holds',
        how: ['Screws and nuts by hand or with their own key. What is glued or cracked is not tightened.'],
        caution: 'A chin rest tightened until the rib creaks has been tightened too far.',
        picture: 'none',
        zone: 'whole',
      },
      {
        id: 'again',
        title: 'The same note again',
        how: ['Gone? Then it was that. Still there with everything held: seams next, knuckle by knuckle.'],
        picture: 'knuckle',
      },
    ],
  },
  {
    id: 'seam-tour',
    text: 'One clear note all the way round: or the place where it is not.',
    minutes: 6,
    who: 'player',
    mends: ['seam-open', 'soundboard-opens'],
    compose: (context) => [
      {
        id: 'still',
        title: 'A quiet room, hands free',
        how: ['Hold it by the neck, strings damped with a cloth, so that only wood sounds.'],
        picture: 'none',
        zone: 'whole',
      },
      ...tourSteps(context),
      {
        id: 'look',
        title: 'What did it say?',
        how: ['One clear note: good. Duller in a place: watch it. A buzz or a gap: slacken a little, and to a luthier soon. The wood was too dry.'],
        caution: 'Never glued at home, never pressed together.',
        picture: 'none',
        zone: 'whole',
        look: context.facts.family === 'harp' ? 'soundboard' : 'seams',
      },
    ],
  },
  {
    id: 'post-look',
    text: 'A torch and two minutes: does it stand?',
    minutes: 3,
    who: 'player',
    for: { families: BOWED },
    mends: ['post-fallen', 'post-moved'],
    compose: () => [
      {
        id: 'light',
        title: 'Light from the other side',
        how: ['In a dim room: a torch held at the f-hole of the thick strings, the eye at that of the thin ones. A small mirror helps.'],
        picture: 'through-f-hole',
      },
      {
        id: 'ends',
        title: 'Both its ends',
        how: ['A stick as thick as a pencil, upright, its ends flat on top and back, just behind the bridge’s foot on the thin side.'],
        picture: 'through-f-hole',
      },
      {
        id: 'look',
        title: 'Does it stand?',
        how: ['Upright: good. Leaning: do not tune up, luthier. Lying or rattling: slacken all strings a little, do not play, luthier now.'],
        caution: 'Nobody sets a post by hand through the f-hole without having learned it.',
        picture: 'none',
        zone: 'bridge',
        look: 'post',
      },
    ],
  },
];
