import { namedNotes } from '../pitch';
import { bowedSets } from './bowed';

const TUNING = namedNotes('C2', 'G2', 'D3', 'A3');
const FIVE = namedNotes('C2', 'G2', 'D3', 'A3', 'E4');

/** Sets of a cello, the usual one first; tensions from memory. */
export const cello = {
  usual: bowedSets(TUNING, [
    {
      id: 'cello-steel',
      title: 'Medium steel',
      strings: [
        ['steel', 'tungsten', 132],
        ['steel', 'tungsten', 132],
        ['steel', 'steel', 138],
        ['steel', 'steel', 172],
      ],
    },
    {
      id: 'cello-synthetic',
      title: 'Synthetic',
      strings: [
        ['synthetic', 'silver', 120],
        ['synthetic', 'silver', 118],
        ['synthetic', 'silver', 122],
        ['synthetic', 'aluminium', 150],
      ],
    },
    {
      id: 'cello-five-steel',
      title: 'Medium steel, with an E',
      tuning: FIVE,
      strings: [
        ['steel', 'tungsten', 132],
        ['steel', 'tungsten', 132],
        ['steel', 'steel', 138],
        ['steel', 'steel', 172],
        ['steel', 'plain', 160],
      ],
    },
  ]),
};
