import { alongNotes, statedString, type StringSpec } from '../instruments';
import { equalHz, type Note } from '../pitch';
import type { SetPreset, SetsFor, StringPlace } from './nearest';

/** What harp strings pull by note, N, at the usual lengths: from memory, mid-way figures between which it is interpolated. */
const LEVER_PULLS: readonly (readonly [Note, number])[] = [
  [31, 190],
  [36, 180],
  [48, 150],
  [60, 115],
  [72, 80],
  [84, 50],
  [96, 35],
];
const PEDAL_PULLS: readonly (readonly [Note, number])[] = [
  [24, 420],
  [36, 380],
  [48, 300],
  [60, 220],
  [72, 150],
  [84, 90],
  [103, 50],
];

/** The highest note of the wire strings: G2. From memory. */
const WIRE_UP_TO: Note = 43;

interface Registers {
  pulls: readonly (readonly [Note, number])[];
  /** From this note on the strings are nylon whatever the middle is. */
  nylonFrom: Note;
}

/** Register of a harp string: basses are wound wire, the middle gut or nylon, the top nylon. From memory. */
function specAt({ note, lengthMm }: StringPlace, { pulls, nylonFrom }: Registers, middle: 'gut' | 'nylon'): StringSpec {
  const stated = { tensionN: Math.round(alongNotes(pulls, note)), lengthMm, hz: equalHz(note) };
  if (note <= WIRE_UP_TO) return statedString('steel', 'copper', stated);
  return statedString(note >= nylonFrom ? 'nylon' : middle, 'plain', stated);
}

const setsFor =
  (kind: string, registers: Registers, order: readonly ('gut' | 'nylon')[]): SetsFor =>
  (strings) =>
    order.map((middle): SetPreset => ({
      id: `harp-${kind}-${middle}`,
      title: middle === 'gut' ? 'Gut in the middle, nylon above, wire below' : 'Nylon, wire below',
      strings: strings.map((string) => specAt(string, registers, middle)),
    }));

/** Sets of harps by kind, the usual one first. */
export const harp = {
  lever: setsFor('lever', { pulls: LEVER_PULLS, nylonFrom: 84 }, ['nylon', 'gut']),
  pedal: setsFor('pedal', { pulls: PEDAL_PULLS, nylonFrom: 88 }, ['gut', 'nylon']),
};
