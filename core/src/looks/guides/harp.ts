import type { LookGuide } from '../guide';

/** The action of a harp [handbook 9]. Minutes and weights are from memory. */
export const HARP_GUIDES: readonly LookGuide[] = [
  {
    look: 'harp-action',
    for: { kinds: ['lever'] },
    asks: 'Do the levers grip cleanly?',
    how: ['Each string open, then with its lever up: a clear sound both times.', 'Push at the pins: none creeps.'],
    signs: { good: 'Clear, open and sharpened', watch: 'A buzz with the lever up', act: 'A lever slips or is loose' },
    do: {
      watch: 'Brush the lever out, and listen again.',
      act: 'For the technician: levers are set and refelted.',
    },
    from: 'player',
    minutes: 2,
    tells: 3,
    causes: { journey: 2, knock: 2, season: 1 },
  },
  {
    look: 'harp-action',
    for: { kinds: ['pedal'] },
    asks: 'Do the discs grip cleanly?',
    how: ['Each pedal through its three positions: the strings sound clear in all.', 'Listen for felts that knock.'],
    signs: { good: 'Clear in all three', watch: 'A buzz or a knock', act: 'A disc slips, or a pedal sticks' },
    do: {
      watch: 'Brush the discs out, and listen again. Felts are for the regulation.',
      act: 'For the technician, with the regulation.',
    },
    from: 'player',
    minutes: 2,
    tells: 3,
    causes: { journey: 2, knock: 2, season: 1 },
  },
  {
    look: 'harp-tuning',
    asks: 'Is it in tune when sharpened?',
    how: ['Tune it open. Then sharpen each string and read how far it is off, the worst of all.'],
    signs: { good: 'Within ten cents', watch: 'More than ten cents off', act: 'One does not reach its semitone' },
    do: {
      watch: 'Note the strings. A regulation is due when there are several.',
      act: 'For the technician: regulation.',
    },
    from: 'player',
    minutes: 3,
    tells: 2,
    causes: { season: 3, dry: 1, damp: 1, strings: 1 },
  },
];
