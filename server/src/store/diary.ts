import {
  dateOfDay,
  dayOfDate,
  diaryEntry,
  foldLog,
  guessDiary,
  byInstrument,
  localDay,
  logEventSchema,
  placeInDay,
  refusalOf,
  type DiaryEntry,
  type DiaryFault,
  type LocalDay,
  type LogEvent,
  type Stretch,
} from '@tembrin/core';
import {
  DIARY_LINES,
  refusalSentence,
  type DiaryFilePlan,
  type DiaryPreview,
  type Instrument,
  type QueryOf,
} from '@tembrin/contract';
import { v5 as namedUuid } from 'uuid';
import type { Database } from '../database/connect';
import { fail } from '../problems/problems';
import type { Reading as FileReading } from '../intake/jobs';
import { shownTop, topOf, type ReadLine } from '../intake/preview';
import { wholeLog } from './assessed';
import { eventColumns, instrumentOf } from './rows';
import type { HouseholdScope } from './scope';

/** Lines by which columns are guessed. */
const GUESSED_BY = 200;
const AT_ONCE = 1000;
/** The same line of the same diary makes the same entry, so bringing it in twice is harmless. */
const DIARY_NAMES = '6d8f4f0e-6c1b-5c8e-9a55-2f0a2b7f9d11';

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

type Choices = Pick<QueryOf<'previewDiary'>, 'instrumentId' | 'onRecord'>;

/** An entry with its place in the day, and how many of the same length and day came before it. */
type PlacedEntry = DiaryEntry & Stretch & { count: number };

/** Playing by the days it touches, so that a day's is found without looking through years. */
class ByDay {
  private readonly days = new Map<LocalDay, Stretch[]>();

  constructor(private readonly timeZone: string) {}

  add(stretch: Stretch): void {
    const last = localDay(stretch.to, this.timeZone);
    for (let day = localDay(stretch.from, this.timeZone); day <= last; day++) {
      const own = this.days.get(day);
      if (own) own.push(stretch);
      else this.days.set(day, [stretch]);
    }
  }

  /** What touches a day, or the minutes beside it. */
  around(day: LocalDay): Stretch[] {
    return [day - 1, day, day + 1].flatMap((each) => this.days.get(each) ?? []);
  }
}

/** Reads lines one after another against what is on record: an entry, why it cannot be one, or null for one left out as chosen. */
function diaryReader(
  instruments: readonly Instrument[],
  events: readonly LogEvent[],
  plan: DiaryFilePlan,
  { instrumentId = null, onRecord }: { instrumentId?: string | null; onRecord: Choices['onRecord'] },
  timeZone: string,
  nowMs: number,
): (cells: string[]) => PlacedEntry | DiaryFault | null {
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
  const today = localDay(nowMs, timeZone);
  return (cells) => {
    const entry = diaryEntry(cells, plan, known, instrumentId, today);
    if (typeof entry === 'string') return entry;
    if (onRecord === 'leave' && played.get(entry.instrumentId)!.has(entry.day)) return null;
    const stretches = taken.get(entry.instrumentId)!;
    const place = placeInDay(entry.day, entry.minutes, stretches.around(entry.day), timeZone, nowMs);
    if (!place) return 'day-full';
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

/** Looks at the top of a diary. Nothing is stored. */
export async function previewDiary(
  database: Database,
  scope: HouseholdScope,
  body: AsyncIterable<Uint8Array>,
  { plan: given, ...choices }: QueryOf<'previewDiary'>,
  nowMs = Date.now(),
): Promise<DiaryPreview> {
  const [top, { instruments, timeZone }] = await Promise.all([topOf(body, given?.delimiter), scope.household()]);
  const names = instruments.map(({ name }) => name);
  const guess = given ?? { delimiter: top.delimiter, ...guessDiary(top.rows.slice(0, GUESSED_BY), names) };
  const plan = planOf(guess);
  if (!plan) return { guess, ...shownTop(top, guess.skip, null), minutes: 0, left: 0 };
  const read = diaryReader(instruments, await wholeLog(database, scope), plan, choices, timeZone, nowMs);
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

/** Puts a diary on record: every entry in one transaction, or nothing. */
export async function importDiary(
  database: Database,
  scope: HouseholdScope,
  { plan, leaveFaulty, ...choices }: QueryOf<'importDiary'>,
  { rows, progress, unreadable, alive }: FileReading,
  nowMs = Date.now(),
): Promise<void> {
  const { instruments, timeZone } = await scope.household();
  const read = diaryReader(instruments, await wholeLog(database, scope), plan, choices, timeZone, nowMs);
  const entries: PlacedEntry[] = [];
  for await (const stretch of rows) {
    if (progress.lines > DIARY_LINES)
      fail(413, 'too-large', `A diary is read up to ${DIARY_LINES} lines. Send it in parts, a few years each.`);
    for (const { cells, line } of stretch) {
      const entry = read(cells);
      if (entry === null) progress.left++;
      else if (typeof entry !== 'string') entries.push(entry);
      else if (leaveFaulty) unreadable(line, cells, FAULT_SENTENCES[entry]);
      else {
        const detail = `Line ${line}: ${FAULT_SENTENCES[entry]} Put it right, or choose to leave such lines out.`;
        fail(422, 'faulty-lines', detail);
      }
    }
  }
  if (entries.length === 0)
    fail(422, 'nothing-to-import', 'Nothing in this file is new. Everything in it is on record or left out.');
  alive();
  await storeEntries(database, scope, entries, progress.intake, nowMs);
}

function eventOfEntry({ instrumentId, day, minutes, count, from, to }: PlacedEntry, recordedAt: string): LogEvent {
  return logEventSchema.parse({
    id: namedUuid(`${instrumentId} ${day} ${minutes} ${count}`, DIARY_NAMES),
    instrumentId,
    type: 'session-entered',
    occurredAt: new Date(from).toISOString(),
    recordedAt,
    payload: { endedAt: new Date(to).toISOString() },
  });
}

function storeEntries(
  database: Database,
  scope: HouseholdScope,
  entries: readonly PlacedEntry[],
  intake: FileReading['progress']['intake'],
  nowMs: number,
): Promise<void> {
  const receivedAt = new Date(nowMs);
  const events = entries.map((entry) => eventOfEntry(entry, receivedAt.toISOString()));
  return scope.alone(async (transaction, household) => {
    const instruments = await scope.instrumentRows(transaction);
    const there = await scope.knownEvents(
      events.map(({ id }) => id),
      transaction,
    );
    const fresh = events.filter(({ id }) => !there.has(id));
    for (const event of fresh) {
      // Their place in the day was found clear of all others; dates and lengths are judged as anybody's.
      const refusal = refusalOf(event, {
        facts: instrumentOf(instruments.get(event.instrumentId)!),
        events: [],
        has: () => false,
        hasPlace: () => false,
        hasBow: () => false,
        nowMs,
        timeZone: household.timeZone,
      });
      if (refusal) fail(422, refusal.code, refusalSentence(refusal, household.timeZone));
    }
    for (let at = 0; at < fresh.length; at += AT_ONCE) {
      await database.models.Event.bulkCreate(
        fresh.slice(at, at + AT_ONCE).map((event) => eventColumns(event, household.id, receivedAt)),
        { transaction },
      );
    }
    intake.stored = fresh.length;
    intake.known = there.size;
  });
}
