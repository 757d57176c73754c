import type { Figure } from '../instruments';
import type { LocalDay } from '../time';
import type { Measure } from './care-events';
import type { InstrumentLog } from './fold';
import { hoursBetween } from './playing';
import type { KnownMark } from './primitives';
import type { StepId, StepRecord } from './round-events';

/** The records of each step, found once for each list of them: many ask for theirs, and most for one that is seldom done. */
const byStep = new WeakMap<readonly StepRecord[], ReadonlyMap<StepId, readonly StepRecord[]>>();

/** The records of one step of the rounds, done or not, in the order of the log. */
export function recordsOf({ steps }: Pick<InstrumentLog, 'steps'>, step: StepId): readonly StepRecord[] {
  let known = byStep.get(steps);
  if (!known) byStep.set(steps, (known = groupedBy(steps)));
  return known.get(step) ?? [];
}

function groupedBy(steps: readonly StepRecord[]): Map<StepId, StepRecord[]> {
  const groups = new Map<StepId, StepRecord[]>();
  for (const record of steps) {
    const group = groups.get(record.step);
    if (group) group.push(record);
    else groups.set(record.step, [record]);
  }
  return groups;
}

/** When a closing-round step was last done; null when it never was. `beforeMs`: only what was done before then. */
export function lastDone(log: Pick<InstrumentLog, 'steps'>, step: StepId, beforeMs = Infinity): number | null {
  return recordsOf(log, step).findLast(({ done, at }) => done && at < beforeMs)?.at ?? null;
}

/** What was measured last of a figure; null when it never was. */
export function lastMeasure(log: Pick<InstrumentLog, 'measures'>, figure: Figure): Measure | null {
  return log.measures.findLast((measure) => measure.figure === figure) ?? null;
}

/**
 * The mark that counts: the last whose date is known. One of unknown date only says "no later than this", so any known one,
 * earlier or later, tells more; it counts when there is no other.
 */
export function decisive<M extends KnownMark>(marks: readonly M[]): M | null {
  return marks.findLast(({ known }) => known) ?? marks.at(-1) ?? null;
}

/** Hours of the sessions that began on a calendar day; a running one counts up to now. */
export function hoursOnDay(log: Pick<InstrumentLog, 'sessions' | 'playing' | 'nowMs'>, day: LocalDay): number {
  const own = log.sessions.filter((session) => session.day === day);
  return own.reduce(
    (hours, { beganAt, endedAt }) => hours + hoursBetween(log.playing, beganAt, endedAt ?? log.nowMs),
    0,
  );
}

/** Hours of playing on record in all. */
export function hoursInAll({ playing, nowMs }: Pick<InstrumentLog, 'playing' | 'nowMs'>): number {
  return hoursBetween(playing, -Infinity, nowMs);
}
