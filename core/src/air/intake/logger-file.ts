import {
  CALENDAR_ORDERS,
  dateNumbers,
  guessCalendarOrder,
  layOut,
  LONGEST_CELL,
  numberIn,
  wallDate,
  type Row,
} from '../../tables';
import { HOUR_MS, MINUTE_MS, SECOND_MS, wallInstant } from '../../time';
import { celsiusOf } from '../../units';
import { readingOf, type Reading, type ReadingFault } from './reading';

/** How a logger's dates are written. iso carries its own offset; epoch is seconds or milliseconds since 1970. */
export const DATE_ORDERS = [...CALENDAR_ORDERS, 'iso', 'epoch'] as const;
export type DateOrder = (typeof DATE_ORDERS)[number];

/** How the columns of a logger's file are to be read. Numbers are places of columns, from 0. */
export interface ColumnPlan {
  /** Lines above the first reading. */
  skip: number;
  date: number;
  /** Where the time of day has a column of its own. */
  clock: number | null;
  rh: number;
  temp: number | null;
  order: DateOrder;
  tempUnit: 'C' | 'F';
  rhUnit: 'percent' | 'fraction';
}

/** A plan in which what could not be told is null and has to be asked. */
export type GuessedPlan = { [K in keyof ColumnPlan]: ColumnPlan[K] | null } & { skip: number };

export type LineFault = ReadingFault | 'no-date' | 'too-few-columns';

const CLOCK_LIKE = /^\d{1,2}:\d{2}/;
const ISO_WITH_ZONE = /^\d{4}-\d{2}-\d{2}T[\d:.,]+(?:Z|[+-]\d{2}:?\d{2})$/i;
const EPOCH_LIKE = /^(?:\d{10}|\d{13})$/;

const short = (text: string) => (text.length > LONGEST_CELL ? '' : text.trim());
const isIso = (text: string) => ISO_WITH_ZONE.test(short(text));
const isEpoch = (text: string) => EPOCH_LIKE.test(short(text));
const isNumber = (text: string) => Number.isFinite(numberIn(text));

/** Which order the dates of some lines are written in; null when they could be read both ways, so that it has to be asked. */
export function guessOrder(dates: readonly string[]): DateOrder | null {
  if (dates.length === 0) return null;
  if (dates.every(isIso)) return 'iso';
  return dates.every(isEpoch) ? 'epoch' : guessCalendarOrder(dates);
}

/** Of a column's cells, the share that must be of a kind. */
const MOST_OF = 0.8;
/** No room is as warm in °C; a column that reaches it is in °F. From memory. */
const FAHRENHEIT_FROM = 45;

const isDate = (cell: string) => dateNumbers(cell) !== null || isIso(cell) || isEpoch(cell);
const largest = (values: readonly number[]) => values.reduce((a, b) => Math.max(a, b), -Infinity);

/** Looks at the top of a file that has been cut into cells and guesses what its columns are; what is unsure is null. */
export function guessPlan(rows: readonly Row[]): GuessedPlan {
  const isReading = (cells: Row) => cells.some(isDate) && cells.some((cell) => isNumber(cell) && !isEpoch(cell));
  const { skip, heads, columns, column, mostly, headed } = layOut(rows, isReading, MOST_OF);
  const date = columns.find((at) => mostly(at, isDate)) ?? null;
  const hasClock = date !== null && mostly(date, (cell) => /\d:\d/.test(cell) || isEpoch(cell));
  const clock = hasClock ? null : (columns.find((at) => mostly(at, (cell) => CLOCK_LIKE.test(cell))) ?? null);
  const numbers = columns.filter((at) => at !== date && at !== clock && mostly(at, isNumber));
  const rh = headed(/humid|\brh\b|%|feucht|humed|umid/, numbers) ?? null;
  const rest = numbers.filter((at) => at !== rh);
  const temp = headed(/temp|°|\bc\b|\bf\b|celsius|fahrenheit/, rest) ?? null;
  const values = (at: number) => column(at).map(numberIn).filter(Number.isFinite);
  return {
    skip,
    date,
    clock,
    rh,
    temp,
    order: date === null ? null : guessOrder(column(date)),
    tempUnit: temp === null ? 'C' : tempUnitOf(heads[temp] ?? '', values(temp)),
    rhUnit: rh === null ? null : largest(values(rh)) <= 1 ? 'fraction' : 'percent',
  };
}

/** The unit of a column of temperatures by its head, else by what only °F can be; null where it has to be asked. */
function tempUnitOf(head: string, values: readonly number[]): 'C' | 'F' | null {
  if (/(?<!\p{L})f(?!\p{L})|fahrenheit/u.test(head)) return 'F';
  if (/(?<!\p{L})c(?!\p{L})|celsius/u.test(head)) return 'C';
  return largest(values) > FAHRENHEIT_FROM ? 'F' : null;
}

/** Why a plan cannot be used yet. */
export function planGaps(
  plan: Pick<GuessedPlan, 'date' | 'rh' | 'order' | 'rhUnit' | 'temp' | 'tempUnit'>,
): (keyof ColumnPlan)[] {
  const wanted: (keyof typeof plan)[] = ['date', 'rh', 'order', 'rhUnit'];
  if (plan.temp !== null) wanted.push('tempUnit');
  return wanted.filter((key) => plan[key] === null);
}

/**
 * Makes a reader for the lines of one file. Times without an offset are read in a place's wall clock; in the hour that comes
 * twice when clocks go back, a line that would lie before its predecessor is taken as the second.
 * @param timeZone IANA name
 * @param nowMs readings later than this are refused
 */
export function lineReader(
  plan: ColumnPlan,
  timeZone: string,
  nowMs: number,
): (cells: readonly string[]) => Reading | LineFault {
  const { date, clock, rh, temp, tempUnit, rhUnit } = plan;
  const needed = Math.max(date, clock ?? 0, rh) + 1;
  let previous = -Infinity;
  return (cells) => {
    if (cells.length < needed) return 'too-few-columns';
    const at = instantIn(cells[date]!, clock === null ? '' : cells[clock]!, plan.order, timeZone, previous);
    if (at === null) return 'no-date';
    const shown = numberIn(cells[rh]);
    const degrees = temp === null || (cells[temp] ?? '').trim() === '' ? null : numberIn(cells[temp]);
    const reading = readingOf(
      {
        at,
        percent: rhUnit === 'fraction' ? shown * 100 : shown,
        tempC: degrees === null || tempUnit === 'C' ? degrees : celsiusOf(degrees),
      },
      nowMs,
    );
    if (typeof reading !== 'string') previous = at;
    return reading;
  };
}

/** Last letters of a time with a.m. or p.m. */
const MARKED: ReadonlySet<string> = new Set(['m', 'M', '.', ' ']);
const HALF_DAY = /[ap]\.?m\.?\s*$/i;
const ZERO = 48;

/** The runs of digits in a text, as whole numbers. A file has half a million of these, so no pattern is matched for it. */
function wholeNumbers(text: string): number[] {
  const found: number[] = [];
  let value = -1;
  for (let at = 0; at <= text.length; at++) {
    const digit = at < text.length ? text.charCodeAt(at) - ZERO : -1;
    if (digit >= 0 && digit <= 9) value = (value < 0 ? 0 : value) * 10 + digit;
    else if (value >= 0) {
      found.push(value);
      value = -1;
    }
  }
  return found;
}

function instantIn(date: string, clock: string, order: DateOrder, timeZone: string, previous: number): number | null {
  if (order === 'epoch') {
    const count = isEpoch(date) ? Number(date) : NaN;
    return Number.isFinite(count) ? (count > 1e11 ? count : count * SECOND_MS) : null;
  }
  const text = clock === '' ? date : `${date} ${clock}`;
  if (order === 'iso') {
    const instant = isIso(text) ? Date.parse(text.trim()) : NaN;
    return Number.isFinite(instant) ? instant : null;
  }
  const [a, b, c, h = 0, minute = 0, second = 0] = text.length > LONGEST_CELL ? [] : wholeNumbers(text);
  if (a === undefined || b === undefined || c === undefined) return null;
  const half = MARKED.has(text.at(-1)!) && HALF_DAY.test(text) ? (/p\.?m/i.test(text) ? 12 : 0) : null;
  const hour = half === null ? h : (h % 12) + half;
  if (hour > 23 || minute > 59 || second > 60) return null;
  const wall = wallDate([a, b, c], order);
  if (wall === null) return null;
  return wallInstant(wall + hour * HOUR_MS + minute * MINUTE_MS + second * SECOND_MS, timeZone, previous);
}
