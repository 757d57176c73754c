import type { InstrumentChange } from '@tembrin/contract';
import { layoutOf, variantOf, withLayout } from '@tembrin/core/instruments';

/**
 * Facts after a change of some of them. What was said of its strings is of the strings it had: another kind has its own usual
 * ones, another number of them has neither notes nor lengths yet, and an extension is as long as the new size asks.
 */
export function changedFacts(before: InstrumentChange, part: Partial<InstrumentChange>): InstrumentChange {
  const next = { ...before, ...part };
  if (next.kind !== before.kind) return withLayout(next, variantOf(next).layouts[0]!);
  const layout = layoutOf(before);
  const resized = next.size !== before.size || next.setUp.bodyMm !== before.setUp.bodyMm;
  if (resized && layout?.longer) return withLayout(next, layout);
  const recounted = next.stringCount !== before.stringCount && part.stringing === undefined;
  return recounted ? { ...next, stringing: { ...next.stringing, tuning: null, lengthsMm: null } } : next;
}
