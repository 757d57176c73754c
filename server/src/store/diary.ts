import { logEventSchema, refusalOf, type LogEvent } from '@tembrin/core';
import { refusalSentence, type DiaryPreview, type QueryOf } from '@tembrin/contract';
import { v5 as namedUuid } from 'uuid';
import { fail } from '../problems/problems';
import type { ArrivedFile } from '../intake/jobs';
import { fileTop } from '../intake/preview';
import { apart, outcomeApart } from '../reading/apart';
import type { DiaryGround, PlacedEntry } from '../reading/diary';
import { instrumentOf } from './rows';
import type { HouseholdScope } from './scope';

/** The same line of the same diary makes the same entry, so bringing it in twice is harmless. */
const DIARY_NAMES = '6d8f4f0e-6c1b-5c8e-9a55-2f0a2b7f9d11';

async function groundOf(scope: HouseholdScope, choices: DiaryGround['choices'], nowMs: number): Promise<DiaryGround> {
  const [{ instruments, timeZone }, events] = await Promise.all([scope.household(), scope.log()]);
  return { instruments, events, choices, timeZone, nowMs };
}

/** Looks at the top of a diary. Nothing is stored. */
export async function previewDiary(
  scope: HouseholdScope,
  body: AsyncIterable<Uint8Array>,
  { plan, ...choices }: QueryOf<'previewDiary'>,
  nowMs = Date.now(),
): Promise<DiaryPreview> {
  const file = await fileTop(body);
  return outcomeApart('diaryPreview', { file, plan, ground: await groundOf(scope, choices, nowMs) });
}

/** Puts a diary on record: every entry in one transaction, or nothing. */
export async function importDiary(
  scope: HouseholdScope,
  { plan, leaveFaulty, ...choices }: QueryOf<'importDiary'>,
  { path, delimiter, skip, progress, told, alive }: ArrivedFile,
  nowMs = Date.now(),
): Promise<void> {
  const ground = await groundOf(scope, choices, nowMs);
  const entries: PlacedEntry[] = [];
  const file = { path, delimiter, skip };
  for await (const stretch of apart('diaryEntries', { file, plan, leaveFaulty, ground })) {
    told(stretch);
    entries.push(...stretch.taken);
  }
  if (entries.length === 0)
    fail(422, 'nothing-to-import', 'Nothing in this file is new. Everything in it is on record or left out.');
  alive();
  await storeEntries(scope, entries, progress.intake, nowMs);
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
  scope: HouseholdScope,
  entries: readonly PlacedEntry[],
  intake: ArrivedFile['progress']['intake'],
  nowMs: number,
): Promise<void> {
  const receivedAt = new Date(nowMs);
  const events = entries.map((entry) => eventOfEntry(entry, receivedAt.toISOString()));
  return scope.alone(async (transaction, household) => {
    const instruments = await scope.instrumentRows(transaction);
    const there = await scope.unbounded.knownEvents(
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
    await scope.storeEvents(household, fresh, receivedAt, transaction);
    intake.stored = fresh.length;
    intake.known = there.size;
  }, 'long');
}
