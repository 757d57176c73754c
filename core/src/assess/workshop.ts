import { stayNow, type InstrumentLog } from '../log';
import { DAY_MS, dayOfDate, localDay, startOfLocalDay, type LocalDay } from '../time';
import type { Away } from '../wear';

/** How long a stay is reckoned where nobody said: days. From memory: a rehair is done within the week. */
const USUAL_STAY_DAYS = 7;

/** The day on which an instrument that is at the workshop is looked for again: the one that was said, at the earliest tomorrow. null: it is at home. */
export function inWorkshopUntil(log: Pick<InstrumentLog, 'stays' | 'nowMs' | 'timeZone'>): LocalDay | null {
  const stay = stayNow(log);
  if (!stay) return null;
  const said = stay.expected === null ? localDay(stay.at, log.timeZone) + USUAL_STAY_DAYS : dayOfDate(stay.expected);
  return Math.max(said, localDay(log.nowMs, log.timeZone) + 1);
}

/** Stretches at the workshop, ms: nothing is played in them. One that lasts ends where it is looked for again. */
export function staysAway(log: Pick<InstrumentLog, 'stays' | 'nowMs' | 'timeZone'>): Away[] {
  const until = inWorkshopUntil(log);
  return log.stays.map(({ at, backAt }) => ({
    from: at,
    to: backAt ?? (until === null ? at + DAY_MS : startOfLocalDay(until, log.timeZone)),
  }));
}
