import { builtOf, variantOf, type Family, type InstrumentFacts, type Kind } from '../instruments';
import type { Note } from '../pitch';

/** The usual tuning of an instrument with so many strings, lowest first. */
export function usualTuning(family: Family, kind: Kind | null, stringCount: number): Note[] {
  return variantOf({ family, kind }).tuning(stringCount);
}

/** The usual vibrating length of a string, mm. */
export function usualLengthMm(facts: Pick<InstrumentFacts, 'family' | 'kind' | 'size' | 'setUp'>, note: Note): number {
  return variantOf(facts).lengthMm(builtOf(facts), note);
}
