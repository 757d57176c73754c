import type { Instrument } from '@tembrin/contract';
import { use, useEffect, useMemo } from 'react';
import { arrivalOf, useAssessmentStore, watch } from './assessment-store';
import { useHousehold } from './household';
import { threadOf } from '@tembrin/core/parts';
import type { Assessment } from '@tembrin/core/assess';
import type { YearPlan } from '@tembrin/core/year';

export type InstrumentAssessment = Assessment<Instrument>;

/** What a view that has nothing to show yet waits for: one promise for each thing, as React asks for the same one again. */
const arrivals = new Map<string, Promise<void>>();

function arrival(key: string, ready: Parameters<typeof arrivalOf>[0]): Promise<void> {
  const known = arrivals.get(key);
  if (known) return known;
  const fresh = arrivalOf(ready).finally(() => arrivals.delete(key));
  arrivals.set(key, fresh);
  return fresh;
}

/** Nothing to wait for. React takes it as over at once by its status. */
export const THERE: Promise<void> = Object.assign(Promise.resolve(), {
  status: 'fulfilled' as const,
  value: undefined,
});

/**
 * Makes the view wait until the store has something. It asks at every drawing, waiting or not: React counts what a view waits
 * for by its place, and takes what stands at the place of another for that one, done.
 */
function useArrival(there: boolean, key: string, ready: Parameters<typeof arrivalOf>[0]): void {
  use(there ? THERE : arrival(key, ready));
}

/** An instrument as it was judged last; by the minute, and at each new entry. The view waits until there is a judgement. */
export function useAssessment({ id }: Pick<Instrument, 'id'>): InstrumentAssessment {
  const assessment = useAssessmentStore(({ byInstrument }) => byInstrument[id]);
  useEffect(() => watch(id), [id]);
  useArrival(assessment !== undefined, id, ({ byInstrument }) => byInstrument[id] !== undefined);
  return assessment!;
}

/** Every instrument of the household as it was judged last, within the hour. The view waits until all are. */
export function useAllAssessments(): readonly InstrumentAssessment[] {
  const { instruments } = useHousehold((state) => state.household)!;
  const byInstrument = useAssessmentStore((state) => state.byInstrument);
  const all = instruments.map(({ id }) => id);
  const judged = (known: typeof byInstrument) => all.every((id) => known[id] !== undefined);
  useArrival(judged(byInstrument), all.join(), (state) => judged(state.byInstrument));
  return useMemo(() => instruments.map(({ id }) => byInstrument[id]!), [instruments, byInstrument]);
}

/** The household's year. The view waits until it is laid out. */
export function useYearPlan(): YearPlan {
  const year = useAssessmentStore((state) => state.year);
  useArrival(year !== null, 'year', (state) => state.year !== null);
  return year!;
}

/** The strings of an instrument by position, lowest first, with everything else about it. */
export function useStrings(instrument: Instrument) {
  const assessment = useAssessment(instrument);
  const thread = threadOf(assessment.threads, 'strings')!;
  return { ...assessment, on: thread.on, thread };
}

/** Makes the view wait, where it must, until no judgement of last time stands in the place of one. */
export function useConfirmed(needed: boolean): void {
  const isConfirmed = (state: { asOf: object }) => Object.keys(state.asOf).length === 0;
  const confirmed = useAssessmentStore(isConfirmed);
  useArrival(confirmed || !needed, 'confirmed', isConfirmed);
}

/** Of when an instrument's judgement is, ms, where it was kept from last time; null once the log was read and judged. */
export function useAsOf(instrumentId: string): number | null {
  return useAssessmentStore(({ asOf }) => asOf[instrumentId] ?? null);
}

/** Whether an instrument's log is all here, and its judgement rests on all of it. */
export function useComplete(instrumentId: string): boolean {
  return useAssessmentStore(({ complete }) => complete[instrumentId] ?? false);
}
