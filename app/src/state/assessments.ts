import type { Instrument, Place } from '@tembrin/contract';
import { use, useEffect, useMemo } from 'react';
import { useAir } from './air';
import { arrivalOf, useAssessmentStore, watch } from './assessment-store';
import { useHousehold } from './household';
import { useNow } from './now';
import { MINUTE_MS } from '@tembrin/core/time';
import { placesAir, type PlaceAir } from '@tembrin/core/air';
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

/** A place of this household with its air. */
export type KnownPlace = PlaceAir<Place>;

/** Wood and rooms are slower than a clock: their air is worked out anew every ten minutes, and when something new is known. */
const AIR_SLOT_MS = 10 * MINUTE_MS;

/** Every place with its air. */
export function usePlaces(): ReadonlyMap<string, KnownPlace> {
  const { timeZone } = useHousehold((state) => state.household)!;
  const air = useAir((state) => state.air);
  const unsent = useAir((state) => state.unsent);
  const slot = Math.floor(useNow(MINUTE_MS) / AIR_SLOT_MS);
  return useMemo(
    () => (air ? placesAir(air, unsent, timeZone, Math.max(slot * AIR_SLOT_MS, newestOf(unsent))) : new Map()),
    [air, unsent, timeZone, slot],
  );
}

/** The instant of the newest reading that waits, so that it is not in the future of what is worked out. */
function newestOf(unsent: readonly { reading: { at: string } }[]): number {
  return unsent.reduce((newest, { reading }) => Math.max(newest, Date.parse(reading.at)), 0);
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
