import { namedNotes } from '../pitch';
import { BOWED_BUILD, BOWED_FIGURES, BOWED_STRINGS, BOWED_ZONES, bowedStrings } from './bowed';
import type { FamilyRecord, SizeFacts } from './family';
import { usualWood } from './woods';

const TUNING = namedNotes('C2', 'G2', 'D3', 'A3');
const FIVE = namedNotes('C2', 'G2', 'D3', 'A3', 'E4');

/** Vibrating lengths [handbook 4, from memory; smaller ones from memory]. */
const SIZES = {
  '4/4': { lengthMm: 690, bodyScale: 1 },
  '7/8': { lengthMm: 660, bodyScale: 0.96 },
  '3/4': { lengthMm: 635, bodyScale: 0.94 },
  '1/2': { lengthMm: 570, bodyScale: 0.87 },
  '1/4': { lengthMm: 500, bodyScale: 0.77 },
  '1/8': { lengthMm: 440, bodyScale: 0.68 },
} satisfies Record<string, SizeFacts>;

export const cello = {
  ...BOWED_BUILD,
  name: 'Cello',
  bow: {
    gap: { least: 9, usual: 10, most: 12, gauge: 'a thick pencil' },
    // From memory, as the violin's.
    model: { length: 600, height: 24, camber: 20.5, buckling: 110, hair: 26_000, pitch: 0.6, takeUp: 4, thread: 5 },
  },
  takes: { handed: true, chin: false, endpin: true, stand: false, action: false, bridgeAsked: false },
  usual: { case: 'soft', finish: 'varnish', floatingBridge: true },
  sizes: SIZES,
  variants: {
    usual: {
      ...bowedStrings(
        [
          { title: '4 strings', notes: TUNING },
          { title: '5 strings', notes: FIVE },
        ],
        SIZES,
        7,
      ),
      name: 'Cello',
      stringNames: ['C', 'G', 'D', 'A'],
      usualCore: 'steel',
      // From memory.
      wood: usualWood({ body: 440, neck: 46, board: 62 }),
    },
  },
  strings: { ...BOWED_STRINGS, temperament: 'fifths' },
  touched: 'The neck, the shoulders, and the ribs where your knees were.',
  zones: [...BOWED_ZONES, 'endpin'],
  figures: ['endpin-length', ...BOWED_FIGURES],
} as const satisfies FamilyRecord;
