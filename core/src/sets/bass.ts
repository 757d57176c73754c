import { namedNotes } from '../pitch';
import { bowedSets } from './bowed';

const TUNING = namedNotes('E1', 'A1', 'D2', 'G2');
const LOW_B = namedNotes('B0', 'E1', 'A1', 'D2', 'G2');
const HIGH_C = namedNotes('E1', 'A1', 'D2', 'G2', 'C3');
const EXTENDED = namedNotes('C1', 'A1', 'D2', 'G2');

/** Sets of a bass, the usual one first; tensions from memory. */
export const bass = {
  usual: bowedSets(TUNING, [
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
};
