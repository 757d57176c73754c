import {
  byInstrument,
  dateOfDay,
  dayOfDate,
  diaryEntry,
  foldLog,
  guessDiary,
  localDay,
  placeInDay,
  type DiaryEntry,
  type DiaryFault,
  type LocalDay,
  type LogEvent,
  type Stretch as Playing,
} from '@tembrin/core';
import { DIARY_LINES, type DiaryFilePlan, type DiaryPreview, type Instrument, type QueryOf } from '@tembrin/contract';
import { shownTop, topOf, type FileTop, type ReadLine } from '../intake/preview';
import { fail } from '../problems/problems';
import { stretchesOf, type Stretch, type TableFile } from './lines';

/** Lines by which columns are guessed. */
const GUESSED_BY = 200;

const FAULT_SENTENCES: Readonly<Record<DiaryFault, string>> = {
  'too-few-columns': 'This line has fewer columns than the others.',
  'no-date': 'The date cannot be read. Check the order of day and month.',
  'in-the-future': 'The date is in the future.',
  'before-instrument':
    'The instrument was not with you yet on that day. Change that date in Kit, or leave the line out.',
  'no-length': 'How long was played is missing or not a number.',
  'time-of-day':
    'That looks like a time of day, not like how long was played. Choose another column, or check its unit.',
  'too-long': 'A day has 24 hours. Check whether it is minutes or hours.',
  'no-such-instrument': 'No instrument of yours has this name. Rename it in the file or in Kit, or leave the line out.',
  'day-full': 'That day has no room left beside what is on record.',
};

/** What a diary is read against. */
export interface DiaryGround {
  instruments: readonly Instrument[];
  events: readonly LogEvent[];
  choices: Pick<QueryOf<'previewDiary'>, 'instrumentId' | 'onRecord'>;
  timeZone: string;
  nowMs: number;
}

/** An entry with its place in the day, and how many of the same length and day came before it. */
export type PlacedEntry = DiaryEntry & Playing & { count: number };

/** Playing by the days it touches, so that a day's is found without looking through years. */
class ByDay {
  private readonly days = new Map<LocalDay, Playing[]>();
  constructor(private readonly timeZone: string) {}

  add(stretch: Playing): void {
    const last = localDay(stretch.to, this.timeZone);
    for (let day = localDay(stretch.from, this.timeZone); day <= last; day++) {
      const own = this.days.get(day);
      if (own) own.push(stretch);
      else this.days.set(day, [stretch]);
    }
  }

  /** What touches a day, or the minutes beside it. */
  around(day: LocalDay): Playing[] {
    return [day - 1, day, day + 1].flatMap((each) => this.days.get(each) ?? []);
  }
}

/** Reads lines one after another against what is on record: an entry, why it cannot be one, or null for one left out as chosen. */
function diaryReader(
  plan: DiaryFilePlan,
  { instruments, events, choices, timeZone, nowMs }: DiaryGround,
): (cells: string[]) => PlacedEntry | DiaryFault | null {
  const { instrumentId = null, onRecord } = choices;
  const known = new Map(
    instruments.map(({ id, name, since }) => [
      name.toLowerCase(),
      { id, since: since === null ? null : dayOfDate(since) },
    ]),
  );
  const logs = byInstrument(events);
  const taken = new Map<string, ByDay>();
  const played = new Map<string, Set<LocalDay>>();
  for (const { id } of instruments) {
    const { sessions } = foldLog(logs.get(id) ?? [], nowMs, timeZone);
    // What an earlier import of the same file put there is no other playing.
    const other = sessions.filter((session) => !session.parts.every(isFromDiary));
    played.set(id, new Set(other.map(({ day }) => day)));
    const days = new ByDay(timeZone);
    for (const { beganAt, endedAt } of other) days.add({ from: beganAt, to: endedAt ?? nowMs });
    taken.set(id, days);
  }
  const alike = new Map<string, number>();
  const full = new Map<string, number>();
  const today = localDay(nowMs, timeZone);
  return (cells) => {
    const entry = diaryEntry(cells, plan, known, instrumentId, today);
    if (typeof entry === 'string') return entry;
    if (onRecord === 'leave' && played.get(entry.instrumentId)!.has(entry.day)) return null;
    // What did not fit into a day does not fit into it later: it only becomes fuller.
    const dayOf = `${entry.instrumentId} ${entry.day}`;
    if (entry.minutes >= (full.get(dayOf) ?? Infinity)) return 'day-full';
    const stretches = taken.get(entry.instrumentId)!;
    const place = placeInDay(entry.day, entry.minutes, stretches.around(entry.day), timeZone, nowMs);
    if (!place) {
      full.set(dayOf, entry.minutes);
      return 'day-full';
    }
    stretches.add(place);
    const key = `${entry.instrumentId} ${entry.day} ${entry.minutes}`;
    const count = (alike.get(key) ?? 0) + 1;
    alike.set(key, count);
    return { ...entry, ...place, count };
  };
}

/** Ids made of a name are of version 5; those made on a device are of another. */
const isFromDiary = (id: string) => id[14] === '5';

function planOf(guess: DiaryPreview['guess']): DiaryFilePlan | null {
  const { date, order, length, unit } = guess;
  if (date === null || order === null || length === null || unit === null) return null;
  return { ...guess, date, order, length, unit };
}

/** Looks at the top of a diary. @throws ProblemError 422 when it is no table */
export function diaryPreview({
  file,
  plan: given,
  ground,
}: {
  file: FileTop;
  plan: DiaryPreview['guess'] | undefined;
  ground: DiaryGround;
}): DiaryPreview {
  const top = topOf(file, given?.delimiter);
  const names = ground.instruments.map(({ name }) => name);
  const guess = given ?? { delimiter: top.delimiter, ...guessDiary(top.rows.slice(0, GUESSED_BY), names) };
  const plan = planOf(guess);
  if (!plan) return { guess, ...shownTop(top, guess.skip, null), minutes: 0, left: 0 };
  const read = diaryReader(plan, ground);
  let [minutes, left] = [0, 0];
  type Shown = NonNullable<DiaryPreview['lines'][number]['read']>;
  const line = (cells: string[]): ReadLine<Shown> => {
    const entry = read(cells);
    if (typeof entry === 'string') return { read: null, fault: FAULT_SENTENCES[entry] };
    if (entry === null) {
      left++;
      return { read: null, fault: null };
    }
    minutes += entry.minutes;
    const { day, instrumentId } = entry;
    return { read: { date: dateOfDay(day), minutes: entry.minutes, instrumentId }, fault: null };
  };
  const shown = shownTop(top, plan.skip, line);
  return { guess, ...shown, readable: shown.readable - left, minutes, left };
}

/**
 * Reads a diary.
 * @param leaveFaulty lines that cannot be read are left out and told; otherwise the first of them ends it
 * @throws ProblemError 422 for a line that cannot be read, 413 for too many lines
 */
export async function* diaryEntries({
  file,
  plan,
  leaveFaulty,
  ground,
}: {
  file: TableFile;
  plan: DiaryFilePlan;
  leaveFaulty: boolean;
  ground: DiaryGround;
}): AsyncGenerator<Stretch<PlacedEntry>, void> {
  let lines = 0;
  for await (const stretch of stretchesOf(file, diaryReader(plan, ground), (fault) => FAULT_SENTENCES[fault])) {
    lines += stretch.lines;
    if (lines > DIARY_LINES)
      fail(413, 'too-large', `A diary is read up to ${DIARY_LINES} lines. Send it in parts, a few years each.`);
    const [faulty] = stretch.examples;
    if (faulty && !leaveFaulty) {
      const detail = `Line ${faulty.line}: ${faulty.fault} Put it right, or choose to leave such lines out.`;
      fail(422, 'faulty-lines', detail);
    }
    yield stretch;
  }
}
