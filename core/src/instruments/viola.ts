import { namedNotes } from '../pitch';
import { BOWED_BUILD, BOWED_FIGURES, BOWED_STRINGS, BOWED_ZONES, bowedStrings } from './bowed';
import type { BodyFacts, FamilyRecord, SizeFacts } from './family';
import { lengthByBody } from './sizes';
import { usualWood } from './woods';

const TUNING = namedNotes('C3', 'G3', 'D4', 'A4');
const FIVE = namedNotes('C3', 'G3', 'D4', 'A4', 'E5');

/** Violas are told by the length of the body [handbook 10, from memory]: 375 mm of string on the 406 mm of sixteen inches [handbook 4]. */
const BODY: BodyFacts = {
  usualMm: 406,
  leastMm: 280,
  mostMm: 450,
  inches: [12, 13, 14, 15, 15.5, 16, 16.5, 17],
  stringShare: 375 / 406,
};

/** What violas were called by before their bodies were asked for; lengths from memory. */
const SIZES = {
  '4/4': { lengthMm: 375, bodyScale: 1 },
  '3/4': { lengthMm: 350, bodyScale: 0.94 },
  '1/2': { lengthMm: 328, bodyScale: 0.87 },
  '1/4': { lengthMm: 308, bodyScale: 0.77 },
} satisfies Record<string, SizeFacts>;

export const viola = {
  ...BOWED_BUILD,
  name: 'Viola',
  body: BODY,
  bow: {
    gap: { least: 6, usual: 7, most: 9, gauge: 'a pencil' },
    // From memory, as the violin's.
    model: { length: 640, height: 18.5, camber: 17, buckling: 76, hair: 22_000, pitch: 0.5, takeUp: 4, thread: 5 },
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
      lengthMm: lengthByBody(BODY, SIZES),
      name: 'Viola',
      stringNames: ['C', 'G', 'D', 'A'],
      usualCore: 'synthetic',
      // From memory.
      wood: usualWood({ body: 240, neck: 36, board: 45 }),
    },
  },
  strings: { ...BOWED_STRINGS, temperament: 'fifths' },
  touched: 'The neck, the broad shoulders, the chin rest, the ribs.',
  zones: [...BOWED_ZONES, 'shoulder-rest', 'chin-rest'],
  figures: ['rest-left', 'rest-right', 'rest-position', ...BOWED_FIGURES],
} as const satisfies FamilyRecord;
