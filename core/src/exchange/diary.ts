import {
  dateNumbers,
  guessCalendarOrder,
  layOut,
  momentIn,
  numberIn,
  plainText,
  wallDay,
  type CalendarOrder,
  type Row,
} from '../tables';
import { DAY_MS, HOUR_MS, MINUTE_MS, startOfLocalDay, type LocalDay } from '../time';

export const DIARY_UNITS = ['minutes', 'hours', 'seconds', 'clock', 'min-sec'] as const;
export type DiaryUnit = (typeof DIARY_UNITS)[number];

/** How the columns of a practice diary are to be read. Numbers are places of columns, from 0. */
export interface DiaryPlan {
  /** Lines above the first entry. */
  skip: number;
  date: number;
  order: CalendarOrder;
  /** How long was played: in minutes, in hours, in seconds, as h:mm, or as m:ss. A cell that says its own unit is read by that. */
  length: number;
  unit: DiaryUnit;
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
  /** Half a day or more as h:mm: a time of day rather than a length. */
  | 'time-of-day'
  | 'too-long'
  | 'no-such-instrument'
  | 'day-full';

/** One line of a diary as it would be put on record. */
export interface DiaryEntry {
  day: LocalDay;
  minutes: number;
  instrumentId: string;
}

const CLOCK = /^(\d{1,2}):(\d{2})(?::(\d{2}))?$/;
/** "1h20", "1 h 20 min", "45 min", "1.5 h", "90 s": a length that says its unit. */
const HOURS =
  /^(\d{1,2}(?:[.,]\d{1,3})?) ?(?:h|hr|hrs|hour|hours|std|stunde|stunden)\.?(?: ?(\d{1,2}) ?(?:m|min|mins|minutes)?\.?)?$/i;
const MINUTES = /^(\d{1,4}(?:[.,]\d{1,3})?) ?(?:m|min|mins|minute|minutes|minuten)\.?$/i;
const SECONDS = /^(\d{1,6}) ?(?:s|sec|secs|sek|second|seconds|sekunden)\.?$/i;

const numberOf = (text: string) => Number(text.replace(',', '.'));
const clockIn = (text: string) => CLOCK.exec(plainText(text));

/** Minutes of a length that says its own unit, or has hours, minutes and seconds; null where it does not. */
function saidMinutes(text: string): number | null {
  const plain = plainText(text);
  const clock = CLOCK.exec(plain);
  if (clock) return clock[3] === undefined ? null : Number(clock[1]) * 60 + Number(clock[2]) + Number(clock[3]) / 60;
  const hours = HOURS.exec(plain);
  if (hours) return numberOf(hours[1]!) * 60 + Number(hours[2] ?? 0);
  const minutes = MINUTES.exec(plain);
  if (minutes) return numberOf(minutes[1]!);
  const seconds = SECONDS.exec(plain);
  return seconds ? Number(seconds[1]) / 60 : null;
}

/** The day of a text; null where it is no date of the calendar. */
function dayIn(text: string, order: CalendarOrder): LocalDay | null {
  const moment = momentIn(text);
  const wall = moment && wallDay(moment, order);
  return wall === null ? null : Math.round(wall / DAY_MS);
}

/** Of a column's cells, the share that must be of a kind. */
const MOST_OF = 0.6;
/** Nobody plays so many hours a day: a column that reaches further is in minutes. */
const HOURS_IN_DAY = 24;

/** Looks at the top of a diary cut into cells and guesses what its columns are; what is unsure is null. */
export function guessDiary(rows: readonly Row[], names: readonly string[]): GuessedDiary {
  const isDate = (cell: string) => dateNumbers(cell) !== null;
  const { skip, heads, columns, column, mostly } = layOut(rows, (cells) => cells.some(isDate), MOST_OF);
  const date = columns.find((at) => mostly(at, isDate)) ?? null;
  const rest = columns.filter((at) => at !== date);
  const isLength = (cell: string) =>
    saidMinutes(cell) !== null || Number.isFinite(numberIn(cell)) || clockIn(cell) !== null;
  // A column with times of day tells when, not how long.
  const isWhen = (at: number) =>
    WHEN.test(heads[at] ?? '') || column(at).some((cell) => Number(clockIn(cell)?.[1] ?? 0) >= DAY_FROM);
  const lengths = rest.filter((at) => mostly(at, isLength) && !isWhen(at));
  const headedSo = lengths.filter((at) => LENGTH.test(heads[at] ?? ''));
  const only = (places: readonly number[]) => (places.length === 1 ? places[0]! : null);
  const length = headedSo.length > 0 ? only(headedSo) : only(lengths);
  const known = names.map((name) => name.toLowerCase());
  const isName = (cell: string) => known.includes(cell.toLowerCase());
  const instrument =
    rest.find((at) => mostly(at, isName)) ?? rest.find((at) => (heads[at] ?? '').includes('instrument')) ?? null;
  return {
    skip,
    date,
    order: date === null ? null : guessCalendarOrder(column(date)),
    length,
    unit: length === null ? null : unitOf(heads[length] ?? '', column(length)),
    instrument,
  };
}

/** Heads of columns that tell when, and of those that tell how long; in English and German. From memory. */
const WHEN = /start|begin|begun|from|\bend|until|\bto\b|von|bis|uhr|clock/;
const LENGTH = /min|dura|length|time|hour|\bh\b|sec|dauer|länge|zeit|stund|practi|played|geübt/;
/** Nobody's session lasts so many hours: a column of h:mm that reaches so far is of times of day. From memory. */
const DAY_FROM = 8;

/** The unit of a column of lengths by its cells or its head, else by what only minutes can be; null where it has to be asked. */
function unitOf(head: string, cells: readonly string[]): DiaryUnit | null {
  const open = cells.filter((cell) => saidMinutes(cell) === null);
  // Every cell says it itself.
  if (open.length === 0) return 'minutes';
  const clocks = open.flatMap((cell) => clockIn(cell) ?? []);
  if (clocks.length > 0) return /h[:.]mm|hh/.test(head) ? 'clock' : /m[:.]ss/.test(head) ? 'min-sec' : null;
  if (/\bsec|sek/.test(head)) return 'seconds';
  if (head.includes('min')) return 'minutes';
  if (/hour|\bh\b|stund/.test(head)) return 'hours';
  const most = Math.max(0, ...open.map(numberIn).filter(Number.isFinite));
  return most > HOURS_IN_DAY && most <= LONGEST_MIN ? 'minutes' : null;
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
  if (minutes !== null && minutes >= DAY_FROM * 60 && clockIn(cells[plan.length]!)) return 'time-of-day';
  if (minutes === null || minutes <= 0) return 'no-length';
  if (minutes > LONGEST_MIN) return 'too-long';
  const name = plan.instrument === null ? null : cells[plan.instrument]!.trim().toLowerCase();
  const found = name === null ? [...instruments.values()].find(({ id }) => id === only) : instruments.get(name);
  if (!found) return 'no-such-instrument';
  if (found.since !== null && day < found.since) return 'before-instrument';
  return { day, minutes, instrumentId: found.id };
}

function minutesIn(text: string, unit: DiaryUnit): number | null {
  const said = saidMinutes(text);
  if (said !== null) return said;
  const clock = clockIn(text);
  if (clock) {
    const [large, small] = [Number(clock[1]), Number(clock[2])];
    if (small > 59) return null;
    return unit === 'clock' ? large * 60 + small : unit === 'min-sec' ? large + small / 60 : null;
  }
  const value = numberIn(text);
  if (!Number.isFinite(value)) return null;
  return { minutes: value, hours: value * 60, seconds: value / 60, clock: null, 'min-sec': null }[unit];
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
