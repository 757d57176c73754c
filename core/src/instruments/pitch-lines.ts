import { alongLine, type Anchor } from '../maths';
import { noteOf, type Note } from '../pitch';

/** Notes by name, for records. */
export const notes = (...names: readonly string[]): Note[] => names.map((name) => noteOf(name)!);

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

/** Interpolates on the logarithm between anchors that rise by note; beyond the ends, the ends. */
export function alongNotes(anchors: readonly (readonly [Note, number])[], note: Note): number {
  return Math.exp(
    alongLine(
      anchors.map(([at, value]): Anchor => [at, Math.log(value)]),
      note,
    ),
  );
}
