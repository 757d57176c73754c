import { numberIn } from '../air/intake/logger-file';
import { DAY_MS, HOUR_MS, MINUTE_MS, startOfLocalDay, type LocalDay } from '../time';

/** Order of the numbers in a diary's dates. */
export const DIARY_ORDERS = ['ymd', 'dmy', 'mdy'] as const;
export type DiaryOrder = (typeof DIARY_ORDERS)[number];

/** How the columns of a practice diary are to be read. Numbers are places of columns, from 0. */
export interface DiaryPlan {
  /** Lines above the first entry. */
  skip: number;
  date: number;
  order: DiaryOrder;
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

const DATE = /^\s*(\d{1,4})[-./\s](\d{1,2})[-./\s](\d{1,4})\.?(?:[T\s].*)?$/;
const CLOCK = /^\s*(\d{1,2}):(\d{2})(?::\d{2})?\s*$/;

/** Day, month and year of a text in an order; null where it is no date of the calendar. */
function dayIn(text: string, order: DiaryOrder): LocalDay | null {
  const match = DATE.exec(text);
  if (!match) return null;
  const [a, b, c] = match.slice(1).map(Number) as [number, number, number];
  const [y, month, date] = order === 'ymd' ? [a, b, c] : order === 'dmy' ? [c, b, a] : [c, a, b];
  const year = y < 100 ? 2000 + y : y;
  const wall = new Date(Date.UTC(year, month - 1, date));
  return wall.getUTCMonth() === month - 1 && wall.getUTCDate() === date ? Math.round(wall.getTime() / DAY_MS) : null;
}

/** Which order dates are written in; null when they can be read both ways, so that it has to be asked. */
export function guessDiaryOrder(dates: readonly string[]): DiaryOrder | null {
  const parts = dates.flatMap((text) => {
    const match = DATE.exec(text);
    return match ? [match.slice(1)] : [];
  });
  if (parts.length === 0) return null;
  if (parts.every(([first]) => first!.length === 4)) return 'ymd';
  const [first, second] = [0, 1].map((at) => Math.max(...parts.map((each) => Number(each[at]))));
  if (first! > 12 && second! <= 12) return 'dmy';
  return second! > 12 && first! <= 12 ? 'mdy' : null;
}

/** Looks at the top of a diary cut into cells and guesses what its columns are; what is unsure is null. */
export function guessDiary(rows: readonly (readonly string[])[], names: readonly string[]): GuessedDiary {
  const isEntry = (cells: readonly string[]) => cells.some((cell) => DATE.test(cell));
  const skip = Math.max(
    0,
    rows.findIndex((cells) => isEntry(cells)),
  );
  const heads = (rows[skip - 1] ?? []).map((cell) => cell.toLowerCase());
  const body = rows.slice(skip).filter(isEntry);
  const columns = Array.from({ length: Math.max(0, ...body.map((cells) => cells.length)) }, (_, at) => at);
  const column = (at: number) => body.map((cells) => (cells[at] ?? '').trim());
  const mostly = (at: number, test: (cell: string) => boolean) =>
    column(at).filter(test).length > 0.6 * Math.max(1, body.length);
  const date = columns.find((at) => mostly(at, (cell) => DATE.test(cell))) ?? null;
  const rest = columns.filter((at) => at !== date);
  const headed = (words: RegExp, among: readonly number[]) => among.find((at) => words.test(heads[at] ?? ''));
  const lengths = rest.filter((at) => mostly(at, (cell) => Number.isFinite(numberIn(cell)) || CLOCK.test(cell)));
  const length =
    headed(/min|dura|length|time|hour|dauer|zeit|stund/, lengths) ?? (lengths.length === 1 ? lengths[0]! : null);
  const known = names.map((name) => name.toLowerCase());
  const instrument =
    rest.find((at) => mostly(at, (cell) => known.includes(cell.toLowerCase()))) ?? headed(/instrument/, rest) ?? null;
  const head = length === null ? '' : (heads[length] ?? '');
  const values = length === null ? [] : column(length).map(numberIn).filter(Number.isFinite);
  const unit =
    length === null
      ? null
      : mostly(length, (cell) => CLOCK.test(cell))
        ? 'clock'
        : /min/.test(head)
          ? 'minutes'
          : /hour|\bh\b|stund/.test(head)
            ? 'hours'
            : Math.max(0, ...values) > 24
              ? 'minutes'
              : null;
  return { skip, date, order: date === null ? null : guessDiaryOrder(column(date)), length, unit, instrument };
}

const LONGEST_MIN = 24 * 60;

/** Reads one line. @param instruments names in lower case to ids; @param only the instrument of the whole file, where no column names it */
export function diaryEntry(
  cells: readonly string[],
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
  const clock = CLOCK.exec(text);
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
 * @param taken stretches already on record, in any order
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
  const fits = (from: number) =>
    from >= start &&
    from + length <= end &&
    near.every((other) => from + length + BETWEEN_MS <= other.from || from >= other.to + BETWEEN_MS);
  const noon = start + FROM_HOUR * HOUR_MS;
  const ends = near.map(({ to }) => to + BETWEEN_MS);
  const candidates = [noon, ...ends.filter((at) => at >= noon), start, ...ends];
  const from = candidates.find(fits);
  return from === undefined ? null : { from, to: from + length };
}
