import { momentIn, type WrittenMoment } from './moments';

/** Order of the numbers in a date. */
export const CALENDAR_ORDERS = ['ymd', 'dmy', 'mdy'] as const;
export type CalendarOrder = (typeof CALENDAR_ORDERS)[number];

/**
 * The three numbers of a date in a cell that holds one, perhaps with a time of day; null where it holds none.
 * @example dateNumbers('14.3.2026') // [14, 3, 2026]
 */
export function dateNumbers(text: string): readonly [number, number, number] | null {
  return momentIn(text)?.date ?? null;
}

/**
 * Which order dates are written in; null when they can be read in more than one way, or none is there, so that it has to be
 * asked. A year of two digits may stand at either end.
 * @example guessCalendarOrder(['14.3.2026', '2.4.2026']) // 'dmy'
 */
export function guessCalendarOrder(texts: readonly string[]): CalendarOrder | null {
  const dates = texts.flatMap((text): WrittenMoment | [] => {
    const moment = momentIn(text);
    return moment?.date ? moment : [];
  });
  if (dates.length === 0 || dates.some(({ year }) => year === null)) return null;
  if (dates.every(({ year }) => year === 0)) return 'ymd';
  if (dates.some(({ year }) => year === 0)) return null;
  if (dates.every(({ named }) => named)) return 'dmy';
  const [first, second] = [0, 1].map((at) => Math.max(...dates.map(({ date }) => date![at]!))) as [number, number];
  if (first > 12 && second <= 12) return 'dmy';
  return second > 12 && first <= 12 ? 'mdy' : null;
}

/**
 * The wall's day of a written date, counted as if it were UTC.
 * @returns ms of its midnight; null where the calendar has no such date, or its year stands where the order has none
 */
export function wallDay({ date, year, named }: WrittenMoment, order: CalendarOrder): number | null {
  if (date === null) return null;
  if (named) {
    const [first, month, last] = date;
    const yearFirst = year === null ? order === 'ymd' : year === 0;
    return wallDate([yearFirst ? last : first, month, yearFirst ? first : last], 'dmy');
  }
  if (year !== null && (year === 0) !== (order === 'ymd')) return null;
  return wallDate(date, order);
}

/** Two digits of a year are those of this century. */
const CENTURY = 2000;

/**
 * A date on the wall's calendar, counted as if it were UTC.
 * @param numbers as they stand in the text
 * @returns ms of its midnight; null where the calendar has no such date
 * @example wallDate([14, 3, 2026], 'dmy') // Date.UTC(2026, 2, 14)
 */
export function wallDate([a, b, c]: readonly [number, number, number], order: CalendarOrder): number | null {
  const [y, month, day] = order === 'ymd' ? [a, b, c] : order === 'dmy' ? [c, b, a] : [c, a, b];
  if (month < 1 || month > 12 || day < 1 || day > 31) return null;
  const wall = Date.UTC(y < 100 ? CENTURY + y : y, month - 1, day);
  return day > 28 && new Date(wall).getUTCDate() !== day ? null : wall;
}
