import { LONGEST_CELL } from './cells';

/** Order of the numbers in a date. */
export const CALENDAR_ORDERS = ['ymd', 'dmy', 'mdy'] as const;
export type CalendarOrder = (typeof CALENDAR_ORDERS)[number];

const DATE = /(?<!\d)(\d{1,4})[-./ ](\d{1,2})[-./ ](\d{1,4})(?!\d)/;

/**
 * The three numbers of the first date in a text; null where there is none.
 * @example dateNumbers('14.3.2026') // [14, 3, 2026]
 */
export function dateNumbers(text: string): [number, number, number] | null {
  const match = text.length > LONGEST_CELL ? null : DATE.exec(text);
  return match && [Number(match[1]), Number(match[2]), Number(match[3])];
}

/** Whether the first number of a date has four digits, as only a year has. */
const beginsWithYear = (text: string) => (DATE.exec(text)?.[1]?.length ?? 0) === 4;

/**
 * Which order dates are written in; null when they can be read both ways, or none is there, so that it has to be asked.
 * @example guessCalendarOrder(['14.3.2026', '2.4.2026']) // 'dmy'
 */
export function guessCalendarOrder(texts: readonly string[]): CalendarOrder | null {
  const dates = texts.filter((text) => dateNumbers(text) !== null);
  if (dates.length === 0) return null;
  if (dates.every(beginsWithYear)) return 'ymd';
  let [first, second] = [0, 0];
  for (const text of dates) {
    const [a, b] = dateNumbers(text)!;
    if (beginsWithYear(text)) continue;
    first = Math.max(first, a);
    second = Math.max(second, b);
  }
  if (first > 12 && second <= 12) return 'dmy';
  return second > 12 && first <= 12 ? 'mdy' : null;
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
