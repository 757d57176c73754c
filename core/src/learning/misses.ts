import type { InstrumentLog, StepId } from '../log';
import { DAY_MS } from '../time';

/** How a step has gone lately, in closing rounds and in drills together. */
export interface StepRecordOf {
  step: StepId;
  /** Times it came up. */
  asked: number;
  /** Times it was skipped in a round or missed in a drill. */
  missed: number;
}

/** How far back the trainer looks, in days. */
export const LOOK_BACK_DAYS = 30;
/** A step gets more room when it was missed at least this often, and in at least this share of the times it came up. */
export const OFTEN_MISSES = 2;
export const OFTEN_SHARE = 0.25;

/**
 * Every step that came up lately, the most missed first.
 * @param who whose: what was put on record as another's doing does not count; left out: everybody's
 */
export function missesOf(log: InstrumentLog, who?: string): StepRecordOf[] {
  const isTheirs = (record: { who?: string }) => who === undefined || record.who === undefined || record.who === who;
  const from = log.nowMs - LOOK_BACK_DAYS * DAY_MS;
  const found = new Map<StepId, StepRecordOf>();
  const at = (step: StepId) => {
    const known = found.get(step);
    if (known) return known;
    const made = { step, asked: 0, missed: 0 };
    found.set(step, made);
    return made;
  };
  // Lists of the log are in order of time: the newest first, until they are too old.
  for (let index = log.steps.length - 1; index >= 0 && log.steps[index]!.at >= from; index--) {
    const record = log.steps[index]!;
    if (record.sessionId === null || !isTheirs(record)) continue;
    const tally = at(record.step);
    tally.asked++;
    if (!record.done) tally.missed++;
  }
  for (const drill of log.drills) {
    if (drill.at < from || !isTheirs(drill)) continue;
    for (const step of drill.missed) {
      const tally = at(step);
      tally.asked++;
      tally.missed++;
    }
  }
  return [...found.values()].sort((a, b) => b.missed - a.missed || b.missed / b.asked - a.missed / a.asked);
}

/** Steps that keep being missed: the closing round gives them more room. @param who by whom; left out: by anybody */
export function oftenMissed(log: InstrumentLog, who?: string): Set<StepId> {
  return new Set(
    missesOf(log, who)
      .filter(({ asked, missed }) => missed >= OFTEN_MISSES && missed / asked >= OFTEN_SHARE)
      .map(({ step }) => step),
  );
}
