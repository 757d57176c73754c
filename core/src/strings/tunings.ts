import {
  builtOf,
  variantOf,
  type Family,
  type InstrumentFacts,
  type Kind,
  type SetPreset,
  type StringPlace,
} from '../instruments';
import type { Note } from '../pitch';

/** The usual tuning of an instrument with so many strings, lowest first. */
export function usualTuning(family: Family, kind: Kind | null, stringCount: number): Note[] {
  return variantOf({ family, kind }).tuning(stringCount);
}

/** The usual vibrating length of a string, mm. */
export function usualLengthMm(facts: Pick<InstrumentFacts, 'family' | 'kind' | 'size' | 'setUp'>, note: Note): number {
  return variantOf(facts).lengthMm(builtOf(facts), note);
}

/**
 * Sets to start from for an instrument, the usual one first; none where no set of so many strings is known.
 * @param strings its open strings, lowest first
 */
export function presetsFor(
  facts: Pick<InstrumentFacts, 'family' | 'kind'>,
  strings: readonly StringPlace[],
): SetPreset[] {
  return variantOf(facts).sets(strings);
}
