import type { LookGuide } from '../guide';

/** Neck and frets of a guitar [handbook 9]. Minutes and weights are from memory. */
export const FRET_GUIDES: readonly LookGuide[] = [
  {
    look: 'relief',
    asks: 'How much relief has the neck?',
    how: [
      'Hold the lowest string down at the first and the last fret.',
      'The gap between string and fret at the seventh or eighth: a sheet of paper is a tenth of a millimetre.',
    ],
    signs: { good: 'Within its range', watch: 'A tenth outside its range', act: 'None at all, or more than 0.5 mm' },
    do: {
      watch: 'Look at the air first, and measure again in two weeks.',
      act: 'Look at the air first. If that is steady, a technician sets the neck.',
    },
    from: 'player',
    minutes: 1,
    tells: 2,
    causes: { dry: 3, damp: 3, season: 3, journey: 2, strings: 2 },
  },
  {
    look: 'action',
    asks: 'How high do the strings stand?',
    how: ['A ruler on the twelfth fret, to the underside of the string: the lowest and the highest.'],
    signs: {
      good: 'As last time',
      watch: 'More than 0.4 mm from last time',
      act: 'It buzzes, or is hard to press',
    },
    do: {
      watch: 'Look at the air and at the relief, and measure again in two weeks.',
      act: 'Relief and air first; then a technician sets the action.',
    },
    from: 'player',
    minutes: 1,
    tells: 2,
    causes: { dry: 2, damp: 2, season: 2, strings: 2 },
  },
  {
    look: 'fret-ends',
    asks: 'Are the fret ends smooth?',
    how: ['Run a finger along both edges of the neck, lightly.'],
    signs: { good: 'Smooth', watch: 'You feel them', act: 'They catch' },
    do: {
      watch: 'The board has shrunk: look at the air.',
      act: 'What still catches in usual air is filed by a technician.',
    },
    from: 'child',
    minutes: 0.5,
    tells: 2,
    causes: { dry: 4, season: 2 },
  },
];
