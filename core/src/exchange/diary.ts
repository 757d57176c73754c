import {
  dateNumbers,
  guessCalendarOrder,
  layOut,
  LONGEST_CELL,
  numberIn,
  wallDate,
  type CalendarOrder,
  type Row,
} from '../tables';
import { DAY_MS, HOUR_MS, MINUTE_MS, startOfLocalDay, type LocalDay } from '../time';

/** How the columns of a practice diary are to be read. Numbers are places of columns, from 0. */
export interface DiaryPlan {
  /** Lines above the first entry. */
  skip: number;
  date: number;
  order: CalendarOrder;
  /** How long was played: in minutes, in hours, or as h:mm. */
  length: number;
  unit: 'minutes' | 'hours' | 'clock';
  /** Column with the instrument's name; null where the whole file is about one. */
  instrument: number | null;
}

/** A plan in which what could not be told is null and has to be asked. */
export type GuessedDiary = { [K in keyof DiaryPlan]: DiaryPlan[K] | null } & { skip: number };

export type DiaryFault =
  | 'too-few-columns'
  | 'no-date'
  | 'in-the-future'
  | 'before-instrument'
  | 'no-length'
  | 'too-long'
  | 'no-such-instrument'
  | 'day-full';

/** One line of a diary as it would be put on record. */
export interface DiaryEntry {
  day: LocalDay;
  minutes: number;
  instrumentId: string;
}

const CLOCK = /^(\d{1,2}):(\d{2})(?::\d{2})?$/;
const clockIn = (text: string) => (text.length > LONGEST_CELL ? null : CLOCK.exec(text.trim()));

/** The day of a text; null where it is no date of the calendar. */
function dayIn(text: string, order: CalendarOrder): LocalDay | null {
  const numbers = dateNumbers(text);
  const wall = numbers && wallDate(numbers, order);
  return wall === null ? null : Math.round(wall / DAY_MS);
}

/** Of a column's cells, the share that must be of a kind. */
const MOST_OF = 0.6;
/** Nobody plays so many hours a day: a column that reaches further is in minutes. */
const HOURS_IN_DAY = 24;

/** Looks at the top of a diary cut into cells and guesses what its columns are; what is unsure is null. */
export function guessDiary(rows: readonly Row[], names: readonly string[]): GuessedDiary {
  const isDate = (cell: string) => dateNumbers(cell) !== null;
  const { skip, heads, columns, column, mostly, headed } = layOut(rows, (cells) => cells.some(isDate), MOST_OF);
  const date = columns.find((at) => mostly(at, isDate)) ?? null;
  const rest = columns.filter((at) => at !== date);
  const isLength = (cell: string) => Number.isFinite(numberIn(cell)) || clockIn(cell) !== null;
  const lengths = rest.filter((at) => mostly(at, isLength));
  const length =
    headed(/min|dura|length|time|hour|dauer|zeit|stund/, lengths) ?? (lengths.length === 1 ? lengths[0]! : null);
  const known = names.map((name) => name.toLowerCase());
  const isName = (cell: string) => known.includes(cell.toLowerCase());
  const instrument = rest.find((at) => mostly(at, isName)) ?? headed(/instrument/, rest) ?? null;
  const clocked = length !== null && mostly(length, (cell) => clockIn(cell) !== null);
  return {
    skip,
    date,
    order: date === null ? null : guessCalendarOrder(column(date)),
    length,
    unit: length === null ? null : clocked ? 'clock' : unitOf(heads[length] ?? '', column(length).map(numberIn)),
    instrument,
  };
}

/** The unit of a column of lengths by its head, else by what only minutes can be; null where it has to be asked. */
function unitOf(head: string, values: readonly number[]): 'minutes' | 'hours' | null {
  if (head.includes('min')) return 'minutes';
  if (/hour|\bh\b|stund/.test(head)) return 'hours';
  return Math.max(0, ...values.filter(Number.isFinite)) > HOURS_IN_DAY ? 'minutes' : null;
}

const LONGEST_MIN = 24 * 60;

/** Reads one line. @param instruments names in lower case to ids; @param only the instrument of the whole file, where no column names it */
export function diaryEntry(
  cells: Row,
  plan: DiaryPlan,
  instruments: ReadonlyMap<string, { id: string; since: LocalDay | null }>,
  only: string | null,
  today: LocalDay,
): DiaryEntry | DiaryFault {
  if (cells.length <= Math.max(plan.date, plan.length, plan.instrument ?? 0)) return 'too-few-columns';
  const day = dayIn(cells[plan.date]!, plan.order);
  if (day === null) return 'no-date';
  if (day > today) return 'in-the-future';
  const minutes = minutesIn(cells[plan.length]!, plan.unit);
  if (minutes === null || minutes <= 0) return 'no-length';
  if (minutes > LONGEST_MIN) return 'too-long';
  const name = plan.instrument === null ? null : cells[plan.instrument]!.trim().toLowerCase();
  const found = name === null ? [...instruments.values()].find(({ id }) => id === only) : instruments.get(name);
  if (!found) return 'no-such-instrument';
  if (found.since !== null && day < found.since) return 'before-instrument';
  return { day, minutes, instrumentId: found.id };
}

function minutesIn(text: string, unit: DiaryPlan['unit']): number | null {
  const clock = clockIn(text);
  if (clock) return Number(clock[1]) * 60 + Number(clock[2]);
  const value = numberIn(text);
  if (!Number.isFinite(value)) return null;
  return unit === 'hours' ? value * 60 : value;
}

/** A stretch of time, ms. */
export interface Stretch {
  from: number;
  to: number;
}

/** Playing without a time of day is put from noon on. */
const FROM_HOUR = 12;
const BETWEEN_MS = MINUTE_MS;

/**
 * Finds a time of day for playing of which only day and length are known: from noon on, else as early as it fits, clear of what is
 * on record that day.
 * @param taken stretches already on record that may touch that day, in any order
 * @param latestMs nothing may reach past this instant
 * @returns null when the day has no room
 */
export function placeInDay(
  day: LocalDay,
  minutes: number,
  taken: readonly Stretch[],
  timeZone: string,
  latestMs: number,
): Stretch | null {
  const length = minutes * MINUTE_MS;
  const start = startOfLocalDay(day, timeZone);
  const end = Math.min(startOfLocalDay(day + 1, timeZone), latestMs);
  const near = taken
    .filter(({ from, to }) => to > start - BETWEEN_MS && from < end + BETWEEN_MS)
    .sort((a, b) => a.from - b.from);
  const gaps: Stretch[] = [];
  let free = start;
  for (const other of near) {
    gaps.push({ from: free, to: other.from - BETWEEN_MS });
    free = Math.max(free, other.to + BETWEEN_MS);
  }
  gaps.push({ from: free, to: end });
  const earliest = (least: number) =>
    gaps.map(({ from, to }) => ({ from: Math.max(from, least), to })).find(({ from, to }) => from + length <= to)?.from;
  const from = earliest(start + FROM_HOUR * HOUR_MS) ?? earliest(start);
  return from === undefined ? null : { from, to: from + length };
}
