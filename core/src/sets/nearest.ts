import { plainString, woundString, type StringSpec, type Winding } from '../instruments';
import type { Note } from '../pitch';
import { mmOfThousandths } from '../units';

/** One open string: what it should sound, and how long it is. */
export interface StringPlace {
  note: Note;
  lengthMm: number;
}

/** A set of strings in general terms, as a place to start from; lowest string first. */
export interface SetPreset {
  id: string;
  title: string;
  strings: readonly StringSpec[];
}

/** Sets to start from for some strings, the usual one first; none where no set of so many is known. */
export type SetsFor = (strings: readonly StringPlace[]) => SetPreset[];

/** A set and what it is made for; of as many strings as there are notes. */
export interface MadeFor {
  notes: readonly Note[];
  preset: (strings: readonly StringPlace[]) => SetPreset;
}

/** Semitones by which a set may be farther off than the best one, and still be offered. From memory. */
const AS_GOOD = 1;

/** Of several sets those that suit the strings there are: of as many strings, and made for notes as near to theirs as any. */
export function nearestSets(sets: readonly MadeFor[]): SetsFor {
  return (strings) => {
    const farthest = ({ notes }: MadeFor) => Math.max(...notes.map((note, at) => Math.abs(note - strings[at]!.note)));
    const fitting = sets.filter(({ notes }) => notes.length === strings.length);
    const best = Math.min(...fitting.map(farthest));
    return fitting.filter((set) => farthest(set) <= best + AS_GOOD).map(({ preset }) => preset(strings));
  };
}

/** "47w" is a wound string of .047 in, "10" a plain one of .010. */
function gauged(text: string, winding: Winding): StringSpec {
  const mm = mmOfThousandths(Number.parseInt(text, 10));
  return text.endsWith('w') ? woundString('steel', winding, mm) : plainString('steel', mm);
}

/**
 * A set named by its gauges; the wound ones are estimated from them.
 * @param gauges thousandths of an inch, lowest string first, `w` after those that are wound
 */
export function gaugedSet(id: string, title: string, winding: Winding, made: readonly Note[], gauges: string): MadeFor {
  const strings = gauges.split(' ').map((text) => gauged(text, winding));
  return { notes: made, preset: () => ({ id, title, strings }) };
}
