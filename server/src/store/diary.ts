import {
  diaryEntry,
  dateOfDay,
  dayOfDate,
  foldLog,
  guessDiary,
  guessDelimiter,
  localDay,
  logEventSchema,
  placeInDay,
  refusalOf,
  type DiaryEntry,
  type DiaryFault,
  type LogEvent,
  type Stretch,
} from '@tembrin/core';
import type { BodyOf, DiaryFilePlan, DiaryGuess, DiaryPreview, DiaryRequest, ResponseOf } from '@tembrin/contract';
import { refusalSentence } from '@tembrin/contract';
import Papa from 'papaparse';
import { v5 as namedUuid } from 'uuid';
import type { Database } from '../database/connect';
import { fail } from '../http/problems';
import { byInstrument, wholeLog } from './judged';
import { eventColumns } from './rows';
import type { HouseholdScope } from './scope';

const HEAD_ROWS = 12;
const SHOWN = 8;
const FAULTS_SHOWN = 20;
const MOST_LINES = 20_000;
/** The same line of the same diary makes the same entry, so bringing it in twice is harmless. */
const DIARY_NAMES = '6d8f4f0e-6c1b-5c8e-9a55-2f0a2b7f9d11';

const FAULT_SENTENCES: Readonly<Record<DiaryFault, string>> = {
  'too-few-columns': 'This line has fewer columns than the others.',
  'no-date': 'The date cannot be read. Check the order of day and month.',
  'in-the-future': 'The date is in the future.',
  'before-instrument':
    'The instrument was not with you yet on that day. Change that date in Kit, or leave the line out.',
  'no-length': 'How long was played is missing or not a number.',
  'too-long': 'A day has 24 hours. Check whether it is minutes or hours.',
  'no-such-instrument': 'No instrument of yours has this name. Rename it in the file or in Kit, or leave the line out.',
  'day-full': 'That day has no room left beside what is on record.',
};

interface Read {
  guess: DiaryGuess;
  head: string[][];
  entries: (DiaryEntry & Stretch & { line: number; cells: string[]; count: number })[];
  faults: { line: number; text: string; fault: DiaryFault }[];
  left: number;
}

function cut(text: string, delimiter: string): string[][] {
  const { data } = Papa.parse<string[]>(text, { delimiter, skipEmptyLines: 'greedy' });
  if (data.length > MOST_LINES)
    fail(413, 'too-large', `That diary has ${data.length} lines; at most ${MOST_LINES} at a time. Send it in parts.`);
  return data;
}

/** Reads a diary against what is on record. Nothing is stored. */
async function read(database: Database, scope: HouseholdScope, request: DiaryRequest, nowMs: number): Promise<Read> {
  const { instruments, timeZone } = await scope.household();
  // A file saved by a spreadsheet may begin with a byte-order mark.
  const text = request.text.replace(/^\uFEFF/, '');
  if (text.includes('\u0000') || text.includes('\uFFFD'))
    fail(422, 'wrong-encoding', 'That file is not plain text in UTF-8. Save it as “CSV UTF-8”, then choose it again.');
  const delimiter = request.plan?.delimiter ?? guessDelimiter(text.split('\n').slice(0, 50));
  if (!delimiter)
    fail(
      422,
      'no-columns',
      'No columns can be made out. The file needs a date and a length in each line, with a comma, semicolon or tab between.',
    );
  const rows = cut(text, delimiter);
  const names = instruments.map(({ name }) => name);
  const guess: DiaryGuess = request.plan ?? { delimiter, ...guessDiary(rows.slice(0, 200), names) };
  const head = rows.slice(0, HEAD_ROWS).map((cells) => cells.slice(0, 20));
  const found: Read = { guess, head, entries: [], faults: [], left: 0 };
  const plan = planOf(guess);
  if (!plan) return found;
  const known = new Map(
    instruments.map(({ id, name, since }) => [
      name.toLowerCase(),
      { id, since: since === null ? null : dayOfDate(since) },
    ]),
  );
  const today = localDay(nowMs, timeZone);
  const logs = byInstrument(await wholeLog(database, scope));
  const taken = new Map<string, Stretch[]>();
  const played = new Map<string, Set<number>>();
  for (const { id } of instruments) {
    const { sessions } = foldLog(logs.get(id) ?? [], nowMs, timeZone);
    // What an earlier import of the same file put there is no other playing.
    const other = sessions.filter((session) => !session.parts.every((part) => part[14] === '5'));
    played.set(id, new Set(other.map(({ day }) => day)));
    taken.set(
      id,
      other.map(({ beganAt, endedAt }) => ({ from: beganAt, to: endedAt ?? nowMs })),
    );
  }
  const alike = new Map<string, number>();
  for (const [at, cells] of rows.entries()) {
    if (at < plan.skip) continue;
    const line = at + 1;
    const bad = (fault: DiaryFault) => void found.faults.push({ line, text: cells.join(' | ').slice(0, 120), fault });
    const entry = diaryEntry(cells, plan, known, request.instrumentId, today);
    if (typeof entry === 'string') {
      bad(entry);
      continue;
    }
    if (request.onRecord === 'leave' && played.get(entry.instrumentId)!.has(entry.day)) {
      found.left++;
      continue;
    }
    const stretches = taken.get(entry.instrumentId)!;
    const place = placeInDay(entry.day, entry.minutes, stretches, timeZone, nowMs);
    if (!place) {
      bad('day-full');
      continue;
    }
    stretches.push(place);
    const key = `${entry.instrumentId} ${entry.day} ${entry.minutes}`;
    const count = (alike.get(key) ?? 0) + 1;
    alike.set(key, count);
    found.entries.push({ ...entry, ...place, line, cells, count });
  }
  return found;
}

function planOf(guess: DiaryGuess): DiaryFilePlan | null {
  const { date, order, length, unit } = guess;
  if (date === null || order === null || length === null || unit === null) return null;
  return { ...guess, date, order, length, unit };
}

export async function previewDiary(
  database: Database,
  scope: HouseholdScope,
  request: DiaryRequest,
  nowMs = Date.now(),
): Promise<DiaryPreview> {
  const { guess, head, entries, faults, left } = await read(database, scope, request, nowMs);
  return {
    guess,
    head,
    entries: entries
      .slice(0, SHOWN)
      .map(({ line, day, minutes, instrumentId }) => ({ line, date: dateOfDay(day), minutes, instrumentId })),
    count: entries.length,
    minutes: entries.reduce((sum, { minutes }) => sum + minutes, 0),
    left,
    faults: faults.slice(0, FAULTS_SHOWN).map(({ line, text, fault }) => ({ line, text, why: FAULT_SENTENCES[fault] })),
    faulty: faults.length,
  };
}

/** Puts a diary on record: every entry in one transaction, or nothing. */
export async function importDiary(
  database: Database,
  scope: HouseholdScope,
  request: BodyOf<'importDiary'>,
  nowMs = Date.now(),
): Promise<ResponseOf<'importDiary'>> {
  const { entries, faults, left } = await read(database, scope, request, nowMs);
  if (faults.length > 0 && !request.leaveFaulty) {
    const { line, fault } = faults[0]!;
    fail(
      422,
      'faulty-lines',
      `Line ${line}: ${FAULT_SENTENCES[fault]} Put it right, or choose to leave such lines out.`,
    );
  }
  if (entries.length === 0)
    fail(422, 'nothing-to-import', 'Nothing in this file is new. Everything in it is on record or left out.');
  return scope.alone(async (transaction, household) => {
    const receivedAt = new Date(nowMs);
    const events = entries.map(({ instrumentId, day, minutes, count, from, to }): LogEvent =>
      logEventSchema.parse({
        id: namedUuid(`${instrumentId} ${day} ${minutes} ${count}`, DIARY_NAMES),
        instrumentId,
        type: 'session-entered',
        occurredAt: new Date(from).toISOString(),
        recordedAt: receivedAt.toISOString(),
        payload: { endedAt: new Date(to).toISOString() },
      }),
    );
    const instruments = await scope.instrumentRows(transaction);
    const rows = await database.models.Event.findAll({
      where: scope.where({ id: events.map(({ id }) => id) }),
      attributes: ['id'],
      transaction,
      raw: true,
    });
    const there = new Set(rows.map(({ id }) => id));
    const fresh = events.filter(({ id }) => !there.has(id));
    for (const event of fresh) {
      // Their place in the day was found clear of all others; dates and lengths are judged as anybody's.
      const { since, family, stringCount } = instruments.get(event.instrumentId)!;
      const refusal = refusalOf(event, {
        facts: { since, family: family as never, stringCount },
        events: [],
        has: () => false,
        hasPlace: () => false,
        nowMs,
        timeZone: household.timeZone,
      });
      if (refusal) fail(422, refusal.code, refusalSentence(refusal, household.timeZone));
    }
    for (let at = 0; at < fresh.length; at += 1000) {
      await database.models.Event.bulkCreate(
        fresh.slice(at, at + 1000).map((event) => eventColumns(event, household.id, receivedAt)),
        { transaction },
      );
    }
    return { stored: fresh.length, known: there.size, left: left + faults.length };
  });
}
