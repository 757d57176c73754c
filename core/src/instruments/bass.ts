import { BOWED_BUILD, BOWED_STRINGS, BOWED_ZONES, bowedSets, bowedStrings } from './bowed';
import type { FamilyRecord, SizeFacts } from './family';
import { notes } from './pitch-lines';
import { usualWood } from './woods';

const TUNING = notes('E1', 'A1', 'D2', 'G2');

/** The usual bass is a 3/4. Vibrating lengths: 3/4 [handbook 4], the others from memory; nobody has given their bodies. */
const SIZES = {
  '3/4': { lengthMm: 1050, bodyScale: 1 },
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
  takes: { chin: false, endpin: true, stand: false, action: false, bridgeAsked: false },
  usual: { case: 'soft', finish: 'varnish', floatingBridge: true },
  sizes: SIZES,
  variants: {
    usual: {
      ...bowedStrings(TUNING, SIZES, 5),
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
