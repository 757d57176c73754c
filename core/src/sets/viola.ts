import { namedNotes } from '../pitch';
import { bowedSets } from './bowed';

const TUNING = namedNotes('C3', 'G3', 'D4', 'A4');
const FIVE = namedNotes('C3', 'G3', 'D4', 'A4', 'E5');

/** Sets of a viola, the usual one first; tensions from memory. */
export const viola = {
  usual: bowedSets(TUNING, [
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
    {
      id: 'viola-five-synthetic',
      title: 'Medium synthetic, with an E',
      tuning: FIVE,
      strings: [
        ['synthetic', 'silver', 49],
        ['synthetic', 'silver', 48],
        ['synthetic', 'aluminium', 50],
        ['steel', 'aluminium', 68],
        ['steel', 'plain', 72],
      ],
    },
  ]),
};
