import { BOWED_BUILD, BOWED_STRINGS, BOWED_ZONES, bowedSets, bowedStrings } from './bowed';
import type { FamilyRecord, SizeFacts } from './family';
import { notes } from './pitch-lines';
import { usualWood } from './woods';

const TUNING = notes('C3', 'G3', 'D4', 'A4');

/** Vibrating lengths [handbook 4, from memory: a viola's varies by its body; smaller ones from memory]. */
const SIZES = {
  '4/4': { lengthMm: 375, bodyScale: 1 },
  '3/4': { lengthMm: 350, bodyScale: 0.94 },
  '1/2': { lengthMm: 328, bodyScale: 0.87 },
  '1/4': { lengthMm: 308, bodyScale: 0.77 },
} satisfies Record<string, SizeFacts>;

export const viola = {
  ...BOWED_BUILD,
  name: 'Viola',
  bow: {
    gap: { least: 6, usual: 7, most: 9, gauge: 'a pencil' },
    // From memory, as the violin's.
    model: { length: 640, height: 18.5, camber: 17, buckling: 76, hair: 22_000, pitch: 0.5, takeUp: 4, thread: 5 },
  },
  takes: { chin: true, endpin: false, stand: false, action: false, bridgeAsked: false },
  usual: { case: 'hard', finish: 'varnish', floatingBridge: true },
  sizes: SIZES,
  variants: {
    usual: {
      ...bowedStrings(TUNING, SIZES, 7),
      name: 'Viola',
      stringNames: ['C', 'G', 'D', 'A'],
      usualCore: 'synthetic',
      sets: bowedSets(TUNING, [
        {
          id: 'viola-synthetic',
          title: 'Medium synthetic',
          strings: [
            ['synthetic', 'silver', 49],
            ['synthetic', 'silver', 48],
            ['synthetic', 'aluminium', 50],
            ['steel', 'aluminium', 68],
          ],
        },
        {
          id: 'viola-steel',
          title: 'Steel core',
          strings: [
            ['steel', 'silver', 60],
            ['steel', 'silver', 56],
            ['steel', 'aluminium', 58],
            ['steel', 'aluminium', 76],
          ],
        },
      ]),
      // From memory.
      wood: usualWood({ body: 240, neck: 36, board: 45 }),
    },
  },
  strings: { ...BOWED_STRINGS, temperament: 'fifths' },
  touched: 'The neck, the broad shoulders, the chin rest, the ribs.',
  zones: [...BOWED_ZONES, 'shoulder-rest', 'chin-rest'],
  figures: ['rest-left', 'rest-right', 'rest-position', 'bow-turns', 'bow-gap'],
} as const satisfies FamilyRecord;
