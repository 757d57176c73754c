import type { LookGuide } from '../guide';

/** The bow: stick, tip and hair [handbook 9; 6; 1.4]. Minutes and weights are from memory. */
export const BOW_GUIDES: readonly LookGuide[] = [
  {
    look: 'stick',
    asks: 'Is the stick sound?',
    how: [
      'Slack. Sight along it from the frog: straight to the side, curved in towards the hair.',
      'Look at the tip: its plate, and the wood behind it.',
    ],
    signs: {
      good: 'Straight to the side, curved in',
      watch: 'Bends to a side by a millimetre or two',
      act: 'A crack, or the tip is loose',
    },
    do: {
      watch: 'For the next visit. Slacken it every time.',
      act: 'Do not tighten it: it breaks. A bow maker or luthier.',
    },
    from: 'player',
    minutes: 0.5,
    tells: 2,
    causes: { knock: 3 },
  },
  {
    look: 'hair-band',
    asks: 'How wide is the band of hair?',
    how: [
      'Tightened to play. Compare the hair with the width of the ferrule: at the tip, in the middle, at the frog.',
      'The edge on the player’s side goes first.',
    ],
    signs: {
      good: 'Nearly as wide as the ferrule',
      watch: 'An edge is gone',
      act: 'Half is gone, or a gap at tip or frog',
    },
    do: {
      watch: 'Plan a rehair within the next months.',
      act: 'Rehair, or weigh another bow against it.',
    },
    from: 'child',
    minutes: 0.5,
    tells: 3,
  },
  {
    look: 'hair-count',
    asks: 'How many hairs broke since the last look?',
    how: [
      'One tap for each that is broken or was cut.',
      'Cut what hangs at both ends with small scissors; never pull.',
    ],
    signs: { good: 'A few in a month', watch: 'More than ten in a week', act: 'So many that the band has a gap' },
    do: { watch: 'Look at the bow’s edge for what cuts them: a rough ferrule, a worn string.', act: 'Rehair.' },
    from: 'player',
    minutes: 0.5,
    tells: 1,
  },
  {
    look: 'hair-length',
    asks: 'How many turns to your gap?',
    how: ['From slack, in the air it is usually in, turn until the gap is right. Half turns count.'],
    signs: {
      good: 'As when the hair was new',
      watch: 'Two turns more',
      act: 'The screw runs out, or slack it is still tight',
    },
    do: {
      watch: 'The hair has stretched: reckon with a rehair.',
      act: 'Tight when slack: wait for usual air and look again. The screw runs out: rehair.',
    },
    from: 'child',
    minutes: 0.5,
    tells: 1,
    causes: { dry: 1, damp: 1 },
  },
  {
    look: 'hair-clean',
    asks: 'Is the hair clean at the frog?',
    how: ['Look at the last hand’s breadth before the frog: white, grey or black?', 'Never with a finger.'],
    signs: { good: 'White all along', watch: 'Grey at the frog', act: 'Black or slick' },
    do: {
      watch: 'Hold the bow so that no finger touches the hair.',
      act: 'As your school says: leave it to the rehair, or clean the hair alone.',
    },
    from: 'child',
    minutes: 0.5,
    tells: 0.5,
  },
];
