import type { Instrument } from '@tembrin/contract';
import { create } from 'zustand';
import type { Assessment } from '@tembrin/core/assess';
import type { YearPlan } from '@tembrin/core/year';

interface AssessmentState {
  /** Every instrument as it was judged last; it stands while a new judgement is worked out. */
  byInstrument: Readonly<Record<string, Assessment<Instrument>>>;
  /** Whether that judgement rests on all of the instrument's log. */
  complete: Readonly<Record<string, boolean>>;
  /** Of when it is, ms, where it was kept from last time and not confirmed yet. */
  asOf: Readonly<Record<string, number>>;
  /** null until the whole household was judged once. */
  year: YearPlan | null;
  /** Instruments on screen: they are judged first, and anew each minute. A count for each, as several views may show one. */
  watched: Readonly<Record<string, number>>;
  /** Messages handed to the worker so far. */
  turn: number;
  /** For each instrument the last message that brought entries of it, and the last its judgement rests on. */
  told: Readonly<Record<string, number>>;
  turns: Readonly<Record<string, number>>;
}

const EMPTY: AssessmentState = {
  byInstrument: {},
  complete: {},
  asOf: {},
  year: null,
  watched: {},
  turn: 0,
  told: {},
  turns: {},
};

/** What a worker made of log, settings, air and cards. */
export const useAssessmentStore = create<AssessmentState>()(() => EMPTY);

/** Keeps an instrument judged by the minute while a view shows it; stops when told. */
export function watch(instrumentId: string): () => void {
  const count = (by: number) =>
    useAssessmentStore.setState(({ watched }) => ({
      watched: { ...watched, [instrumentId]: (watched[instrumentId] ?? 0) + by },
    }));
  count(1);
  return () => count(-1);
}

/** Lets go of everything judged, as another household opens. */
export function leaveAssessments(): void {
  useAssessmentStore.setState(({ watched, turn }) => ({ ...EMPTY, watched, turn }));
}

/** A judgement that never comes does not hold anybody up. */
const PATIENCE_MS = 3000;

/**
 * Resolves as soon as the store has something.
 * @param patienceMs resolves after so long all the same; without an end when left out
 */
export function arrivalOf(ready: (state: AssessmentState) => boolean, patienceMs?: number): Promise<void> {
  if (ready(useAssessmentStore.getState())) return Promise.resolve();
  return new Promise((resolve) => {
    const end = () => {
      stop();
      clearTimeout(timer);
      resolve();
    };
    const stop = useAssessmentStore.subscribe((state) => ready(state) && end());
    const timer = patienceMs === undefined ? undefined : setTimeout(end, patienceMs);
  });
}

/** Resolves once everything recorded so far shows in the judgement of an instrument: what comes next may rest on it. */
export function judgedAgain(instrumentId: string): Promise<void> {
  const wanted = useAssessmentStore.getState().told[instrumentId];
  if (wanted === undefined) return Promise.resolve();
  return arrivalOf(({ told, turns }) => !told[instrumentId] || (turns[instrumentId] ?? 0) >= wanted, PATIENCE_MS);
}
