import { BOWED_BUILD, BOWED_STRINGS, BOWED_ZONES, bowedSets, bowedStrings } from './bowed';
import type { FamilyRecord, SizeFacts } from './family';
import { notes } from './sets';
import { usualWood } from './woods';

const TUNING = notes('E1', 'A1', 'D2', 'G2');
const LOW_B = notes('B0', 'E1', 'A1', 'D2', 'G2');
const HIGH_C = notes('E1', 'A1', 'D2', 'G2', 'C3');
const EXTENDED = notes('C1', 'A1', 'D2', 'G2');
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
      otherTunings: [{ title: 'Solo tuning, a tone up', notes: notes('F#1', 'B1', 'E2', 'A2') }],
      usualCore: 'steel',
      sets: bowedSets(TUNING, [
        {
          id: 'bass-orchestra',
          title: 'Orchestra, medium steel',
          strings: [
            ['steel', 'nickel', 285],
            ['steel', 'nickel', 290],
            ['steel', 'nickel', 295],
            ['steel', 'nickel', 285],
          ],
        },
        {
          id: 'bass-light',
          title: 'Light steel',
          strings: [
            ['steel', 'nickel', 250],
            ['steel', 'nickel', 255],
            ['steel', 'nickel', 260],
            ['steel', 'nickel', 250],
          ],
        },
        {
          id: 'bass-extension',
          title: 'Orchestra, with a C on the extension',
          tuning: EXTENDED,
          strings: [
            ['steel', 'nickel', 285],
            ['steel', 'nickel', 290],
            ['steel', 'nickel', 295],
            ['steel', 'nickel', 285],
          ],
        },
        {
          id: 'bass-low-b',
          title: 'Orchestra, with a low B',
          tuning: LOW_B,
          strings: [
            ['steel', 'nickel', 280],
            ['steel', 'nickel', 285],
            ['steel', 'nickel', 290],
            ['steel', 'nickel', 295],
            ['steel', 'nickel', 285],
          ],
        },
        {
          id: 'bass-high-c',
          title: 'Orchestra, with a high C',
          tuning: HIGH_C,
          strings: [
            ['steel', 'nickel', 285],
            ['steel', 'nickel', 290],
            ['steel', 'nickel', 295],
            ['steel', 'nickel', 285],
            ['steel', 'nickel', 240],
          ],
        },
      ]),
      // From memory.
      wood: usualWood({ body: 680, neck: 65, board: 88 }),
    },
  },
  // Tuned in fourths by its harmonics: equal temperament comes near enough.
  strings: { ...BOWED_STRINGS, temperament: 'equal' },
  touched: 'The neck, the shoulders, and the edge that leant on you.',
  zones: [...BOWED_ZONES, 'endpin'],
  figures: ['endpin-length', 'bow-turns', 'bow-gap'],
} as const satisfies FamilyRecord;
