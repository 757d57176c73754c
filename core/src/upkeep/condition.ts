import type { BowTension } from '../bow';
import { FAMILY_FACTS, type InstrumentFacts } from '../instruments';
import type { InstrumentLog } from '../log';
import type { Schools } from '../schools';
import { paceFrom, type Pace } from './pace';
import {
  airThread,
  checkupThread,
  hairThread,
  residueThread,
  rosinThread,
  stringsThread,
  type AirThread,
  type CheckupThread,
  type HairThread,
  type InstrumentAir,
  type ResidueThread,
  type RosinThread,
  type StringsThread,
  type ThreadState,
} from './parts';

/** One part's condition and forecast, with the figures behind it. */
export type Thread = StringsThread | HairThread | RosinThread | ResidueThread | CheckupThread | AirThread;

/** Everything computed about one instrument at one moment. */
export interface Condition {
  threads: Thread[];
  pace: Pace;
  tension: BowTension | null;
  air: InstrumentAir | null;
}

/**
 * An instrument's condition and forecast: one thread a part.
 * @param log what `foldLog` gives; its `nowMs` is the moment judged
 * @param observedFrom when the household began to record this instrument, ms
 * @param air the air it was in; null where nobody knows it
 * @returns threads in the order strings, hair, rosin, residue, checkup, air; those it has
 */
export function conditionOf(
  facts: InstrumentFacts,
  log: InstrumentLog,
  schools: Schools,
  observedFrom: number,
  air: InstrumentAir | null = null,
): Condition {
  const pace = paceFrom(log, observedFrom);
  const threads: Thread[] = [stringsThread(facts, log, pace, air)];
  let tension: BowTension | null = null;
  if (FAMILY_FACTS[facts.family].bowed) {
    const hair = hairThread(log, pace, air);
    tension = hair.tension;
    threads.push(hair, rosinThread(log, pace));
  }
  threads.push(residueThread(facts, log), checkupThread(facts, log, schools, air));
  const around = air && airThread(log, air);
  if (around) threads.push(around);
  return { threads, pace, tension, air };
}

const URGENCY: Readonly<Record<ThreadState, number>> = { now: 0, soon: 1, unknown: 2, well: 3 };

/** Threads with what is due first; of equal state, the one whose window opens first. */
export function byUrgency(threads: readonly Thread[]): Thread[] {
  return [...threads].sort(
    (a, b) => URGENCY[a.state] - URGENCY[b.state] || (a.window?.middle ?? Infinity) - (b.window?.middle ?? Infinity),
  );
}
