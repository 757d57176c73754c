import { pegTrouble, type AirVerdict, type PegTrouble } from '../air';
import type { BowTension } from '../bow';
import type { InstrumentFacts } from '../instruments';
import type { InstrumentLog } from '../log';
import { threadOf, threadsOf, type InstrumentAir, type Thread } from '../parts';
import type { Schools } from '../schools';
import { dayOfDate } from '../time';
import { paceFrom, type Away, type Pace } from '../wear';

/** What an instrument's air asks for. */
export interface AirCondition {
  verdict: AirVerdict;
  /** Whether its pegs slip or stick these days; null when neither. */
  pegs: PegTrouble | null;
}

/** Everything computed about one instrument at one moment: the log's `nowMs`. Plain figures, so that it can be sent about. */
export interface Assessment<Facts extends InstrumentFacts = InstrumentFacts> {
  facts: Facts;
  schools: Schools;
  log: InstrumentLog;
  pace: Pace;
  /** Threads in the order of the parts; those it has and of which there is something to tell. */
  threads: Thread[];
  /** How its bow stood tight; null without one. */
  tension: BowTension | null;
  /** null where nobody knows its air. */
  air: AirCondition | null;
}

/**
 * An instrument's condition and forecast.
 * @param log what `foldLog` gives; its `nowMs` is the moment judged
 * @param observedFrom when the household began to record this instrument, ms
 * @param air the air it was in; null where nobody knows it
 * @param away days away that are in the calendar, ms
 */
export function assess<Facts extends InstrumentFacts>(
  facts: Facts,
  log: InstrumentLog,
  schools: Schools,
  observedFrom: number,
  air: InstrumentAir | null = null,
  away: readonly Away[] = [],
): Assessment<Facts> {
  const since = facts.since === null ? null : dayOfDate(facts.since);
  const pace = paceFrom(log, { observedFrom, said: facts.setUp.habit, since, away });
  const threads = threadsOf({ facts, log, schools, pace, air });
  const tension = threadOf(threads, 'hair')?.tension ?? null;
  const around = air && { verdict: air.verdict, pegs: pegTrouble(air.samples, air.holdMs, log.nowMs) };
  return { facts, schools, log, pace, threads, tension, air: around };
}
