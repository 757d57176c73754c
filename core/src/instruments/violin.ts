import { namedNotes } from '../pitch';
import { BOWED_BUILD, BOWED_FIGURES, BOWED_STRINGS, BOWED_ZONES, bowedStrings } from './bowed';
import type { FamilyRecord, SizeFacts } from './family';
import { usualWood } from './woods';

const TUNING = namedNotes('G3', 'D4', 'A4', 'E5');
const FIVE = namedNotes('C3', 'G3', 'D4', 'A4', 'E5');

/** Vibrating lengths [handbook 4, from memory; 7/8 and 1/16 from memory]; the body follows them. */
const SIZES = {
  '4/4': { lengthMm: 328, bodyScale: 1 },
  '7/8': { lengthMm: 317, bodyScale: 0.97 },
  '3/4': { lengthMm: 308, bodyScale: 0.94 },
  '1/2': { lengthMm: 286, bodyScale: 0.87 },
  '1/4': { lengthMm: 254, bodyScale: 0.77 },
  '1/8': { lengthMm: 224, bodyScale: 0.68 },
  '1/16': { lengthMm: 200, bodyScale: 0.6 },
} satisfies Record<string, SizeFacts>;

export const violin = {
  ...BOWED_BUILD,
  name: 'Violin',
  bow: {
    gap: { least: 6, usual: 7, most: 9, gauge: 'a pencil' },
    // From memory: dimensions of ordinary bows; stiffnesses chosen so that six to eight turns from slack give the gap.
    model: { length: 650, height: 18, camber: 16.5, buckling: 68, hair: 20_000, pitch: 0.5, takeUp: 4, thread: 5 },
  },
  takes: { handed: true, chin: true, endpin: false, stand: false, action: false, bridgeAsked: false },
  usual: { case: 'hard', finish: 'varnish', floatingBridge: true },
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
      name: 'Violin',
      stringNames: ['G', 'D', 'A', 'E'],
      usualCore: 'synthetic',
      // Body [handbook 3]; neck and board from memory.
      wood: usualWood({ body: 208, neck: 33, board: 42 }),
    },
  },
  strings: { ...BOWED_STRINGS, temperament: 'fifths' },
  touched: 'The neck, the shoulders, the chin rest, the ribs.',
  zones: [...BOWED_ZONES, 'shoulder-rest', 'chin-rest'],
  figures: ['rest-left', 'rest-right', 'rest-position', ...BOWED_FIGURES, 'arm-length'],
} as const satisfies FamilyRecord;
