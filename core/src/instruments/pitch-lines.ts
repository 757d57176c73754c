import { alongLine, type Anchor } from '../maths';
import type { Note } from '../pitch';
import type { StringLayout } from './family';

/**
 * A tuning for any number of strings: more go on below, so many semitones each; fewer leave off the lowest.
 * @param usual lowest string first
 */
export function extendedBelow(usual: readonly Note[], semitones: number): (stringCount: number) => Note[] {
  return (stringCount) => {
    const more = Math.max(0, stringCount - usual.length);
    const lower = Array.from({ length: more }, (_, at) => usual[0]! - semitones * (at + 1));
    return [...lower.reverse(), ...usual].slice(-stringCount);
  };
}

/** The tuning for any number of strings: as the first layout of so many has it, else extended below the usual one. */
export function tuningOf(
  layouts: readonly [StringLayout, ...StringLayout[]],
  semitones: number,
): (stringCount: number) => Note[] {
  const extended = extendedBelow(layouts[0].notes, semitones);
  return (stringCount) => {
    const known = layouts.find(({ notes }) => notes.length === stringCount);
    return known ? [...known.notes] : extended(stringCount);
  };
}

/** Interpolates on the logarithm between anchors that rise by note; beyond the ends, the ends. */
export function alongNotes(anchors: readonly (readonly [Note, number])[], note: Note): number {
  return Math.exp(
    alongLine(
      anchors.map(([at, value]): Anchor => [at, Math.log(value)]),
      note,
    ),
  );
}
