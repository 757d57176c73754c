import { variantNameOf, type Family, type InstrumentFacts, type VariantName } from '../instruments';
import { bass } from './bass';
import { cello } from './cello';
import { guitar } from './guitar';
import { harp } from './harp';
import type { SetPreset, SetsFor, StringPlace } from './nearest';
import { viola } from './viola';
import { violin } from './violin';

export type { SetPreset, StringPlace } from './nearest';

/** Sets of strings to start from, for every kind there is; one that is missing does not compile. */
const SETS: { readonly [F in Family]: { readonly [K in VariantName<F>]: SetsFor } } = {
  violin,
  viola,
  cello,
  bass,
  guitar,
  harp,
};

/**
 * Sets to start from for an instrument, the usual one first; none where no set of so many strings is known.
 * @param strings its open strings, lowest first
 */
export function presetsFor(
  facts: Pick<InstrumentFacts, 'family' | 'kind'>,
  strings: readonly StringPlace[],
): SetPreset[] {
  const ofFamily: Readonly<Record<string, SetsFor>> = SETS[facts.family];
  return ofFamily[variantNameOf(facts)]!(strings);
}
