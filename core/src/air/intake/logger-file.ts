import { wallInstant } from '../../time';
import { celsiusOf, readingOf, type Reading, type ReadingFault } from './reading';

/** Order of the numbers in a logger's dates. iso carries its own offset; epoch is seconds or milliseconds since 1970. */
export const DATE_ORDERS = ['ymd', 'dmy', 'mdy', 'iso', 'epoch'] as const;
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

export const DELIMITERS = [',', ';', '\t', '|'] as const;

/** The separator that cuts most of the lines into the same number of columns, above one. */
export function guessDelimiter(lines: readonly string[]): (typeof DELIMITERS)[number] | null {
  let best: { delimiter: (typeof DELIMITERS)[number]; score: number } | null = null;
  for (const delimiter of DELIMITERS) {
    const counts = new Map<number, number>();
    for (const line of lines) {
      const columns = line.split(delimiter).length;
      if (columns > 1) counts.set(columns, (counts.get(columns) ?? 0) + 1);
    }
    const score = Math.max(0, ...counts.values());
    // A comma may be a decimal sign; with as many lines for another separator, that one it is.
    if (score > 0 && (!best || score > best.score || (score === best.score && best.delimiter === ',')))
      best = { delimiter, score };
  }
  return best?.delimiter ?? null;
}

const WITH_UNIT = /^\s*([+-]?\d+(?:[.,]\d+)?)\s*(?:%|%?\s*RH|°?\s*[CF])?\s*$/i;
const PLAIN = /^\d+(?:\.\d+)?$/;

/** A number as loggers write them: a point or a comma before the decimals, perhaps with its unit behind. */
export function numberIn(text: string | undefined): number {
  if (text !== undefined && PLAIN.test(text)) return Number(text);
  const match = WITH_UNIT.exec(text ?? '');
  return match ? Number(match[1]!.replace(',', '.')) : NaN;
}

const DATE_LIKE = /\d{1,4}[-./]\d{1,2}[-./]\d{1,4}/;
const CLOCK_LIKE = /^\s*\d{1,2}:\d{2}/;
const ISO_WITH_ZONE = /\d{4}-\d{2}-\d{2}T.*(Z|[+-]\d{2}:?\d{2})\s*$/i;
const EPOCH_LIKE = /^\s*(\d{10}|\d{13})\s*$/;

/** Which order the dates of some lines are written in; null when they could be read both ways, so that it has to be asked. */
export function guessOrder(dates: readonly string[]): DateOrder | null {
  if (dates.length === 0) return null;
  if (dates.every((text) => ISO_WITH_ZONE.test(text))) return 'iso';
  if (dates.every((text) => EPOCH_LIKE.test(text))) return 'epoch';
  let [first, second] = [0, 0];
  for (const text of dates) {
    const parts = DATE_LIKE.exec(text)?.[0].split(/[-./]/);
    if (!parts) continue;
    if (parts[0]!.length === 4) return 'ymd';
    first = Math.max(first, Number(parts[0]));
    second = Math.max(second, Number(parts[1]));
  }
  if (first > 12 && second <= 12) return 'dmy';
  return second > 12 && first <= 12 ? 'mdy' : null;
}

/** Looks at the top of a file that has been cut into cells and guesses what its columns are; what is unsure is null. */
export function guessPlan(rows: readonly (readonly string[])[]): GuessedPlan {
  const isReading = (cells: readonly string[]) =>
    cells.some((cell) => DATE_LIKE.test(cell) || EPOCH_LIKE.test(cell)) &&
    cells.some((cell) => Number.isFinite(numberIn(cell)) && !EPOCH_LIKE.test(cell));
  const skip = Math.max(
    0,
    rows.findIndex((cells) => isReading(cells)),
  );
  const heads = (rows[skip - 1] ?? []).map((cell) => cell.toLowerCase());
  const body = rows.slice(skip).filter(isReading);
  const width = Math.max(0, ...body.map((cells) => cells.length));
  const column = (at: number) => body.map((cells) => cells[at] ?? '');
  const columns = Array.from({ length: width }, (_, at) => at);
  const mostly = (at: number, test: (cell: string) => boolean) =>
    column(at).filter(test).length > 0.8 * Math.max(1, body.length);

  const date = columns.find((at) => mostly(at, (cell) => DATE_LIKE.test(cell) || EPOCH_LIKE.test(cell))) ?? null;
  const hasClock = date !== null && mostly(date, (cell) => /\d:\d/.test(cell) || EPOCH_LIKE.test(cell));
  const clock = hasClock ? null : (columns.find((at) => mostly(at, (cell) => CLOCK_LIKE.test(cell))) ?? null);
  const numbers = columns.filter(
    (at) => at !== date && at !== clock && mostly(at, (cell) => Number.isFinite(numberIn(cell))),
  );
  const headed = (words: RegExp) => numbers.find((at) => words.test(heads[at] ?? ''));
  const rh = headed(/humid|\brh\b|%|feucht|humed|umid/) ?? null;
  const temp = numbers.find((at) => at !== rh && /temp|°|\bc\b|\bf\b|celsius|fahrenheit/.test(heads[at] ?? '')) ?? null;
  const values = (at: number | null) => (at === null ? [] : column(at).map(numberIn).filter(Number.isFinite));
  const most = (list: number[]) => list.reduce((a, b) => Math.max(a, b), -Infinity);
  const tempHead = temp === null ? '' : (heads[temp] ?? '');
  return {
    skip,
    date,
    clock,
    rh,
    temp,
    order: date === null ? null : guessOrder(column(date)),
    tempUnit: /°?\s*f\b|fahrenheit/.test(tempHead)
      ? 'F'
      : /°?\s*c\b|celsius/.test(tempHead)
        ? 'C'
        : temp === null
          ? 'C'
          : most(values(temp)) > 45
            ? 'F'
            : null,
    rhUnit: rh === null ? null : most(values(rh)) <= 1 ? 'fraction' : 'percent',
  };
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
    const atMs = instantIn(cells[date]!, clock === null ? '' : cells[clock]!, plan.order, timeZone, previous);
    if (atMs === null) return 'no-date';
    const shown = numberIn(cells[rh]);
    const degrees = temp === null || (cells[temp] ?? '').trim() === '' ? null : numberIn(cells[temp]);
    const reading = readingOf(
      {
        atMs,
        percent: rhUnit === 'fraction' ? shown * 100 : shown,
        tempC: degrees === null || tempUnit === 'C' ? degrees : celsiusOf(degrees),
      },
      nowMs,
    );
    if (typeof reading !== 'string') previous = atMs;
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
    const count = EPOCH_LIKE.test(date) ? Number(date) : NaN;
    return Number.isFinite(count) ? (count > 1e11 ? count : count * 1000) : null;
  }
  const text = clock === '' ? date : `${date} ${clock}`;
  if (order === 'iso') {
    const instant = ISO_WITH_ZONE.test(text) ? Date.parse(text.trim()) : NaN;
    return Number.isFinite(instant) ? instant : null;
  }
  const parts = wholeNumbers(text);
  if (parts.length < 3) return null;
  const [a, b, c, h = 0, minute = 0, second = 0] = parts;
  const [y, month, day] = order === 'ymd' ? [a!, b!, c!] : order === 'dmy' ? [c!, b!, a!] : [c!, a!, b!];
  const year = y < 100 ? 2000 + y : y;
  const half = MARKED.has(text.at(-1)!) && HALF_DAY.test(text) ? (/p\.?m/i.test(text) ? 12 : 0) : null;
  const hour = half === null ? h : (h % 12) + half;
  if (month < 1 || month > 12 || day < 1 || day > 31 || hour > 23 || minute > 59 || second > 60) return null;
  const wall = Date.UTC(year, month - 1, day, hour, minute, second);
  if (day > 28 && new Date(wall).getUTCDate() !== day) return null;
  return wallInstant(wall, timeZone, previous);
}
