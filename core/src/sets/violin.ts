import { namedNotes } from '../pitch';
import { plainString } from '../instruments';
import { bowedSets } from './bowed';

const TUNING = namedNotes('G3', 'D4', 'A4', 'E5');
const FIVE = namedNotes('C3', 'G3', 'D4', 'A4', 'E5');

/** Sets of a violin, the usual one first; tensions from memory. */
export const violin = {
  usual: bowedSets(
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
};
