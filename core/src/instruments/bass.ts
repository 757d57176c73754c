import { namedNotes } from '../pitch';
import { BOWED_BUILD, BOWED_FIGURES, BOWED_STRINGS, BOWED_ZONES, bowedStrings } from './bowed';
import type { FamilyRecord, SizeFacts } from './family';
import { usualWood } from './woods';

const TUNING = namedNotes('E1', 'A1', 'D2', 'G2');
const LOW_B = namedNotes('B0', 'E1', 'A1', 'D2', 'G2');
const HIGH_C = namedNotes('E1', 'A1', 'D2', 'G2', 'C3');
const EXTENDED = namedNotes('C1', 'A1', 'D2', 'G2');
/** The lowest string runs on past the nut, by as much as it sounds lower: four semitones. */
const EXTENSION = Math.pow(2, 4 / 12);

/** The usual bass is a 3/4. Vibrating lengths: 3/4 [handbook 4], the others from memory; nobody has given their bodies. */
const SIZES = {
  '3/4': { lengthMm: 1050, bodyScale: 1 },
  '7/8': { lengthMm: 1075, bodyScale: null },
  '4/4': { lengthMm: 1100, bodyScale: null },
  '1/2': { lengthMm: 970, bodyScale: null },
  '1/4': { lengthMm: 900, bodyScale: null },
} satisfies Record<string, SizeFacts>;

export const bass = {
  ...BOWED_BUILD,
  name: 'Double bass',
  bow: {
    gap: { least: 12, usual: 13, most: 16, gauge: 'your teacher’s eye: it starts wider, so it ends wider' },
    // From memory, as the violin's.
    model: { length: 550, height: 27, camber: 21, buckling: 150, hair: 30_000, pitch: 0.65, takeUp: 4, thread: 5 },
  },
  takes: { handed: true, chin: false, endpin: true, stand: false, action: false, bridgeAsked: false },
  usual: { case: 'soft', finish: 'varnish', floatingBridge: true },
  sizes: SIZES,
  variants: {
    usual: {
      ...bowedStrings(
        [
          { title: '4 strings', notes: TUNING },
          { title: '4 strings, the lowest on an extension', notes: EXTENDED, longer: [EXTENSION, 1, 1, 1] },
          { title: '5 strings', notes: LOW_B },
          { title: '5 strings', notes: HIGH_C },
        ],
        SIZES,
        5,
      ),
      name: 'Double bass',
      stringNames: ['E', 'A', 'D', 'G'],
      otherTunings: [{ title: 'Solo tuning, a tone up', notes: namedNotes('F#1', 'B1', 'E2', 'A2') }],
      usualCore: 'steel',
      // From memory.
      wood: usualWood({ body: 680, neck: 65, board: 88 }),
    },
  },
  // Tuned in fourths by its harmonics: equal temperament comes near enough.
  strings: { ...BOWED_STRINGS, temperament: 'equal' },
  touched: 'The neck, the shoulders, and the edge that leant on you.',
  zones: [...BOWED_ZONES, 'endpin'],
  figures: ['endpin-length', ...BOWED_FIGURES],
} as const satisfies FamilyRecord;
