import { tz } from '@date-fns/tz';
import { addHours } from 'date-fns/addHours';
import { isValid } from 'date-fns/isValid';
import { parseISO } from 'date-fns/parseISO';
import { subMonths } from 'date-fns/subMonths';

/** An answer to "when?", as people give it. */
export type When =
  { kind: 'unsaid' } | { kind: 'unknown' } | { kind: 'ago'; months: number } | { kind: 'date'; date: string };

/**
 * The instant an answer means; midday where only a day is known, but never later than now.
 * @returns ms, or null while the answer is not complete
 */
export function whenToMs(when: When, nowMs: number, timeZone: string): number | null {
  switch (when.kind) {
    case 'unsaid':
      return null;
    case 'unknown':
      return nowMs;
    case 'ago':
      return when.months === 0 ? nowMs : subMonths(nowMs, when.months, { in: tz(timeZone) }).getTime();
    case 'date': {
      const day = parseISO(when.date, { in: tz(timeZone) });
      return isValid(day) ? Math.min(addHours(day, 12).getTime(), nowMs) : null;
    }
  }
}
