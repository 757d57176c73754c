import { BOWED_BUILD, BOWED_STRINGS, BOWED_ZONES, bowedSets, bowedStrings } from './bowed';
import type { FamilyRecord, SizeFacts } from './family';
import { notes } from './sets';
import { plainString } from './string-spec';
import { usualWood } from './woods';

const TUNING = notes('G3', 'D4', 'A4', 'E5');
const FIVE = notes('C3', 'G3', 'D4', 'A4', 'E5');

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
      sets: bowedSets(
        TUNING,
        [
          {
            id: 'violin-synthetic-medium',
            title: 'Medium synthetic',
            strings: [
              ['synthetic', 'silver', 44],
              ['synthetic', 'aluminium', 43],
              ['synthetic', 'aluminium', 54],
              ['steel', 'plain', 78],
            ],
          },
          {
            id: 'violin-synthetic-light',
            title: 'Light synthetic',
            strings: [
              ['synthetic', 'silver', 40],
              ['synthetic', 'aluminium', 40],
              ['synthetic', 'aluminium', 49],
              ['steel', 'plain', 72],
            ],
          },
          {
            id: 'violin-steel',
            title: 'Steel core',
            strings: [
              ['steel', 'silver', 50],
              ['steel', 'aluminium', 53],
              ['steel', 'aluminium', 61],
              ['steel', 'plain', 80],
            ],
          },
          {
            id: 'violin-gut',
            title: 'Gut, wound below',
            strings: [
              ['gut', 'silver', 40],
              ['gut', 'aluminium', 38],
              ['gut', 'plain', 46],
              ['steel', 'plain', 75],
            ],
          },
          {
            id: 'violin-five-synthetic',
            title: 'Medium synthetic, with a C',
            tuning: FIVE,
            strings: [
              ['synthetic', 'tungsten', 42],
              ['synthetic', 'silver', 44],
              ['synthetic', 'aluminium', 43],
              ['synthetic', 'aluminium', 54],
              ['steel', 'plain', 78],
            ],
          },
        ],
        // The plain E is sold by its gauge; light and heavy ones differ by hundredths.
        (spec, { id, strings }, position) =>
          position === strings.length - 1 ? plainString('steel', id.endsWith('light') ? 0.25 : 0.26) : spec,
      ),
      // Body [handbook 3]; neck and board from memory.
      wood: usualWood({ body: 208, neck: 33, board: 42 }),
    },
  },
  strings: { ...BOWED_STRINGS, temperament: 'fifths' },
  touched: 'The neck, the shoulders, the chin rest, the ribs.',
  zones: [...BOWED_ZONES, 'shoulder-rest', 'chin-rest'],
  figures: ['rest-left', 'rest-right', 'rest-position', 'bow-turns', 'bow-gap'],
} as const satisfies FamilyRecord;
