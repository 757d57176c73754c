import {
  CALENDAR_ORDERS,
  clockIn,
  guessCalendarOrder,
  isBlank,
  layOut,
  LONGEST_CELL,
  measureIn,
  momentIn,
  wallDay,
  type Delimiter,
  type Row,
} from '../../tables';
import { HOUR_MS, MINUTE_MS, SECOND_MS, wallInstants } from '../../time';
import { celsiusOf } from '../../units';
import { kindOfHead, tempUnitOfHead } from './heads';
import { readingOf, TEMP_RANGE_C, type Reading, type ReadingFault } from './reading';

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

export type LineFault =
  | ReadingFault
  | 'no-date'
  | 'no-clock'
  /** The zone is named by letters, which stand for more than one. */
  | 'zone-letters'
  | 'too-few-columns'
  /** The hour comes twice, and nothing in the file says which is meant. */
  | 'hour-twice'
  /** The line before is of the same instant and says something else. */
  | 'instant-twice'
  /** The cell gives another unit than its column. */
  | 'unit-differs'
  /** Nothing or all of the range for hours: a sensor that is dead. */
  | 'held';

const ISO_WITH_ZONE = /^\d{4}-\d{2}-\d{2}T[\d:.,]{1,20}(?:Z|[+-]\d{2}:?\d{2})$/i;
/** Behind a time: CET, BST, EST. */
const ZONE_LETTERS = /\d ?(?:[ap]\.? ?m\.?)? ?[a-z]{3,5}$/i;
const EPOCH_LIKE = /^(?:\d{10}|\d{13})$/;

const short = (text: string) => (text.length > LONGEST_CELL ? '' : text.trim());
const isIso = (text: string) => ISO_WITH_ZONE.test(short(text));
const isEpoch = (text: string) => EPOCH_LIKE.test(short(text));
const isNumber = (text: string) => measureIn(text) !== null;

/** Which order the dates of some lines are written in; null when they could be read in two ways, so that it has to be asked. */
export function guessOrder(dates: readonly string[]): DateOrder | null {
  if (dates.length === 0) return null;
  if (dates.every(isIso)) return 'iso';
  return dates.every(isEpoch) ? 'epoch' : guessCalendarOrder(dates);
}

/** Of a column's cells, the share that must be of a kind. */
const MOST_OF = 0.8;
/** A clock that no number is written like. */
const hasClockSign = (cell: string) => /\d ?[:hap]/i.test(short(cell)) || /[前後午전후時时시]/u.test(short(cell));

const isDate = (cell: string) => (momentIn(cell)?.date ?? null) !== null || isEpoch(cell);
const largest = (values: readonly number[]) => values.reduce((a, b) => Math.max(a, b), -Infinity);

/** The only one of some; null where there is none, or more than one. */
const only = (places: readonly number[]): number | null => (places.length === 1 ? places[0]! : null);

/**
 * Looks at the top of a file that has been cut into cells and guesses what its columns are; what is unsure is null. Where several
 * columns of temperature are there, none is taken until somebody chooses.
 */
export function guessPlan(rows: readonly Row[]): GuessedPlan {
  const isReading = (cells: Row) => cells.some(isDate) && cells.some((cell) => isNumber(cell) && !isEpoch(cell));
  const { skip, heads, columns, column, mostly } = layOut(rows, isReading, MOST_OF);
  const kindAt = (at: number) => kindOfHead(heads[at] ?? '');
  const date = columns.find((at) => mostly(at, isDate)) ?? null;
  const hasClock = date !== null && mostly(date, (cell) => (momentIn(cell)?.clockS ?? null) !== null || isEpoch(cell));
  const isClock = (at: number) =>
    at !== date &&
    mostly(at, (cell) => {
      const found = clockIn(cell);
      // A number that could be a time is one where the head says so, or where it says of which place it is.
      return found !== null && (kindAt(at) === 'clock' || found.offsetMin !== null || hasClockSign(cell));
    });
  const clock = hasClock ? null : (columns.find(isClock) ?? null);
  const numbers = columns.filter((at) => at !== date && at !== clock && mostly(at, isNumber));
  const cells = (at: number) => column(at).flatMap((cell) => measureIn(cell) ?? []);
  const unitAt = (at: number) => cells(at)[0]?.unit ?? null;
  const of = (kind: 'rh' | 'temp') => numbers.filter((at) => kindAt(at) === kind);
  const unheaded = numbers.filter((at) => kindAt(at) === null);
  const rh = of('rh').length > 0 ? only(of('rh')) : only(unheaded.filter((at) => unitAt(at) === '%'));
  const degrees = unheaded.filter((at) => unitAt(at) === 'C' || unitAt(at) === 'F');
  const temp = of('temp').length > 0 ? only(of('temp')) : only(degrees);
  return {
    skip,
    date,
    clock,
    rh,
    temp,
    order: date === null ? null : guessOrder(column(date)),
    tempUnit: temp === null ? 'C' : tempUnitOf(heads[temp] ?? '', cells(temp)),
    rhUnit: rh === null ? null : rhUnitOf(heads[rh] ?? '', cells(rh)),
  };
}

type Measures = NonNullable<ReturnType<typeof measureIn>>[];

/** The unit of a column of temperatures by its cells or its head, else by what only °F can be; null where it has to be asked. */
function tempUnitOf(head: string, cells: Measures): 'C' | 'F' | null {
  const units = new Set(cells.flatMap(({ unit }) => (unit === 'C' || unit === 'F' ? [unit] : [])));
  if (units.size > 0) return units.size === 1 ? [...units][0]! : null;
  return tempUnitOfHead(head) ?? (largest(cells.map(({ value }) => value)) > TEMP_RANGE_C.most ? 'F' : null);
}

/** Percent, or a fraction of one; null where the column says percent and shows fractions, or shows nothing but none and all. */
function rhUnitOf(head: string, cells: Measures): 'percent' | 'fraction' | null {
  const values = cells.map(({ value }) => value);
  if (largest(values) > 1) return 'percent';
  const percent = head.includes('%') || cells.some(({ unit }) => unit === '%');
  return percent || values.every((value) => value === 0 || value === 1) ? null : 'fraction';
}

/** Lines looked at for numbers that were cut at their decimal comma. */
const LOOKED_AT = 200;

/**
 * Whether numbers with decimal commas were cut in two by commas between cells: more cells in a line than heads, or, without
 * heads, pairs of whole numbers and no decimals anywhere.
 */
export function commasInNumbers(rows: readonly Row[], skip: number, delimiter: Delimiter): boolean {
  if (delimiter !== ',') return false;
  const head = rows.slice(0, skip).findLast((cells) => !isBlank(cells)) ?? [];
  const lengthOf = (cells: Row) => cells.findLastIndex((cell) => cell.trim() !== '') + 1;
  const body = rows
    .slice(skip)
    .filter((cells) => !isBlank(cells))
    .slice(0, LOOKED_AT);
  if (body.length === 0) return false;
  const numbers = body.flatMap((cells) => cells.filter((cell) => isNumber(cell) && !isEpoch(cell)));
  if (numbers.some((cell) => /[.,]/.test(cell))) return false;
  const most = (test: (cells: Row) => boolean) => body.filter(test).length > MOST_OF * body.length;
  if (head.length > 1) return most((cells) => lengthOf(cells) > lengthOf(head));
  return most((cells) => {
    const whole = cells.filter((cell) => isNumber(cell) && !isEpoch(cell)).length;
    return whole >= 4 && whole % 2 === 0;
  });
}

/** Why a plan cannot be used yet. */
export function planGaps(
  plan: Pick<GuessedPlan, 'date' | 'rh' | 'order' | 'rhUnit' | 'temp' | 'tempUnit'>,
): (keyof ColumnPlan)[] {
  const wanted: (keyof typeof plan)[] = ['date', 'rh', 'order', 'rhUnit'];
  if (plan.temp !== null) wanted.push('tempUnit');
  return wanted.filter((key) => plan[key] === null);
}

/** So long may a room's air be at none or at all of the range; longer, and the sensor is dead. From memory. */
const HELD_MS = 3 * HOUR_MS;

/** Watches for a value that stays at the end of the range. */
function holding(): (percent: number, at: number) => boolean {
  let since: number | null = null;
  return (percent, at) => {
    if (percent < 100) since = null;
    else since ??= at;
    return since !== null && Math.abs(at - since) > HELD_MS;
  };
}

/**
 * Makes a reader for the lines of one file. Times without an offset are read in a place's wall clock; in the hour that comes
 * twice when clocks go back, as the lines before go on, whichever way they run.
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
  const held = holding();
  const course = goingOn();
  let before: Reading | null = null;
  return (cells) => {
    if (cells.length < needed) return 'too-few-columns';
    const instants = instantsIn(cells[date]!, clock === null ? null : cells[clock]!, plan.order, timeZone);
    if (typeof instants === 'string') return instants;
    const at = course.next(instants);
    if (at === null) return 'hour-twice';
    const shown = measureIn(cells[rh]);
    const degrees = temp === null || (cells[temp] ?? '').trim() === '' ? null : measureIn(cells[temp]);
    if (degrees?.unit && degrees.unit !== tempUnit) return 'unit-differs';
    if (shown?.unit && shown.unit !== '%') return 'unit-differs';
    const tempC = degrees === null ? (temp === null || (cells[temp] ?? '').trim() === '' ? null : NaN) : degrees.value;
    const percent = shown === null ? NaN : rhUnit === 'fraction' ? shown.value * 100 : shown.value;
    const reading = readingOf(
      { at, percent, tempC: tempC === null || tempUnit === 'C' ? tempC : celsiusOf(tempC) },
      nowMs,
    );
    if (typeof reading === 'string') return reading;
    if (held(percent, at)) return 'held';
    if (before?.atS === reading.atS && before.rhHundredths !== reading.rhHundredths) return 'instant-twice';
    before = reading;
    course.taken(at);
    return reading;
  };
}

/** How the lines of a file run: forwards or backwards in time, and in which steps. */
function goingOn() {
  let [last, step] = [NaN, 0];
  return {
    /** Which of the instants a line may mean goes on from those before; null where nothing tells. */
    next(instants: readonly number[]): number | null {
      if (instants.length === 1) return instants[0]!;
      if (step === 0) return null;
      const onward = instants.filter((at) => (at - last) * step > 0);
      const expected = last + step;
      return onward.reduce<number | null>(
        (best, at) => (best === null || Math.abs(at - expected) < Math.abs(best - expected) ? at : best),
        null,
      );
    },
    taken(at: number): void {
      if (at !== last && !Number.isNaN(last)) step = at - last;
      last = at;
    },
  };
}

/** The instants a line's time may mean: one, or two in the hour that comes twice; or why there is none. */
function instantsIn(
  date: string,
  clock: string | null,
  order: DateOrder,
  timeZone: string,
): readonly number[] | 'no-date' | 'no-clock' | 'zone-letters' {
  if (order === 'epoch') {
    const count = isEpoch(date) ? Number(date) : NaN;
    return Number.isFinite(count) ? [count > 1e11 ? count : count * SECOND_MS] : 'no-date';
  }
  const moment = momentIn(date);
  const wall = moment && wallDay(moment, order === 'iso' ? 'ymd' : order);
  if (moment === null && ZONE_LETTERS.test(short(date))) return 'zone-letters';
  if (moment === null || wall === null) return 'no-date';
  const time = clock === null ? moment : clockIn(clock);
  if (!time && ZONE_LETTERS.test(short(clock ?? ''))) return 'zone-letters';
  if (!time || (clock !== null && moment.clockS !== null)) return 'no-clock';
  const { clockS, offsetMin } = time;
  if (clockS === null) return 'no-clock';
  const at = wall + clockS * SECOND_MS;
  const offset = offsetMin ?? moment.offsetMin;
  if (offset !== null) return [at - offset * MINUTE_MS];
  return order === 'iso' ? 'no-date' : wallInstants(at, timeZone);
}
