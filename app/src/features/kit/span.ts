import { tz, TZDate } from '@date-fns/tz';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { isValid } from 'date-fns/isValid';
import { parseISO } from 'date-fns/parseISO';
import type { Session } from '@tembrin/core/log';

/** A session's times as typed: a date and two times of day, on the wall of the household's place. */
export interface Times {
  date: string;
  began: string;
  ended: string;
}

/** A session's times as they are typed; a new one begins on today's date. */
export function timesOf(session: Pick<Session, 'beganAt' | 'endedAt'> | null, nowMs: number, timeZone: string): Times {
  const at = (ms: number, pattern: string) => format(new TZDate(ms, timeZone), pattern);
  if (!session) return { date: at(nowMs, 'yyyy-MM-dd'), began: '', ended: '' };
  return {
    date: at(session.beganAt, 'yyyy-MM-dd'),
    began: at(session.beganAt, 'HH:mm'),
    ended: at(session.endedAt ?? nowMs, 'HH:mm'),
  };
}

/** Wall-clock times to instants. An end before the beginning is past midnight, on the next day. */
export function spanOf({ date, began, ended }: Times, timeZone: string): { beganAt: number; endedAt: number } | null {
  if (!date || !began || !ended) return null;
  const at = (time: string) => parseISO(`${date}T${time}`, { in: tz(timeZone) });
  const from = at(began);
  const to = at(ended);
  if (!isValid(from) || !isValid(to)) return null;
  return { beganAt: from.getTime(), endedAt: (to < from ? addDays(to, 1) : to).getTime() };
}
