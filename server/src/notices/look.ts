import {
  concernsFor,
  concernsOf,
  DAY_MS,
  decide,
  isQuiet,
  localDay,
  MINUTE_MS,
  nextConcernMs,
  sentBy,
  startOfLocalDay,
  stillTold,
  wallInstant,
  concernKey,
  type KnownConcern,
} from '@tembrin/core';
import type { NoticeSettings, WordsGround } from '@tembrin/contract';
import { Op, type Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import type { AccountRow } from '../database/account-models';
import type { Database } from '../database/connect';
import type { NoticeRow, PushDeviceRow } from '../database/notice-models';
import type { PersonRow } from '../database/people-models';
import { inTransaction } from '../database/transaction';
import type { JobQueue } from '../queue/jobs';
import type { Outside } from '../sensors/simulators';
import { personOf } from '../store/actor';
import { assessed } from '../store/assessed';
import { HouseholdScope } from '../store/scope';
import { preferencesOf, settingsOf } from '../store/notices/settings';
import { sentOf, wordsText } from '../store/notices/told';

/** What a household is looked at with. */
export interface LookGround {
  database: Database;
  queue: JobQueue;
  /** Whether mail is sent. */
  mail: boolean;
  outside: Pick<Outside, 'weather'>;
}

/** Somebody who can be told something. */
interface Listener {
  row: PersonRow;
  account: AccountRow;
  settings: NoticeSettings;
  devices: PushDeviceRow[];
}

async function listenersOf({ models }: Pick<Database, 'models'>, householdId: string): Promise<Listener[]> {
  const rows = await models.Person.findAll({
    where: { householdId, goneAt: null, accountId: { [Op.ne]: null } },
    raw: true,
  });
  if (rows.length === 0) return [];
  const ids = rows.map(({ accountId }) => accountId!);
  const [accounts, settings, devices, household] = await Promise.all([
    models.Account.findAll({ where: { id: ids }, raw: true }),
    models.NoticeSettings.findAll({ where: { householdId }, raw: true }),
    models.PushDevice.findAll({ where: { accountId: ids, deadSince: null }, raw: true }),
    models.Household.findOne({ where: { id: householdId }, attributes: ['timeZone'], raw: true }),
  ]);
  return rows.flatMap((row) => {
    const account = accounts.find(({ id }) => id === row.accountId);
    if (!account || !household) return [];
    const said = settings.find(({ personId }) => personId === row.id) ?? null;
    const own = devices.filter(({ accountId }) => accountId === account.id);
    return [{ row, account, settings: settingsOf(said, household.timeZone), devices: own }];
  });
}

/** When a day's quiet hours are over, or its digest comes, next: what time alone brings is looked for then. */
function nextMorning({ timeZone, quiet, digest }: NoticeSettings, nowMs: number): number {
  const today = localDay(nowMs, timeZone);
  const times = [quiet.toMin, digest?.atMin ?? quiet.toMin].flatMap((minute) =>
    [today, today + 1].map((day) => wallInstant(day * DAY_MS + minute * MINUTE_MS, timeZone)),
  );
  return Math.min(...times.filter((at) => at > nowMs), startOfLocalDay(today + 2, timeZone));
}

/** What was told is marked as still so no more often than this. */
const MARKED_MS = 6 * 3_600_000;

/** Tells one person what there is to tell, as part of a transaction. @returns when there is to be looked again for their sake, ms */
async function tell(
  { database, queue, mail }: LookGround,
  { row, account, settings, devices }: Listener,
  concerns: readonly KnownConcern[],
  words: WordsGround,
  nowMs: number,
  transaction: Transaction,
): Promise<number> {
  const { Notice } = database.models;
  const { householdId, id: personId } = row;
  const rows = await Notice.findAll({ where: { householdId, personId }, transaction });
  const sent = rows.map(sentOf);
  const still = stillTold(sent, concerns, nowMs);
  const preferences = preferencesOf(settings);
  const decision = decide(concerns, preferences, still, nowMs);
  await mark(rows, still, concerns, nowMs, transaction);
  const telling = { ...words, timeZone: settings.timeZone };
  for (const [digest, told] of [
    [false, decision.alert],
    [true, decision.digest],
  ] as const) {
    if (told.length === 0) continue;
    const put = sentBy({ alert: told, digest: [] }, nowMs).map((each, at) => ({
      householdId,
      id: uuid(),
      personId,
      concern: each.key,
      instrumentId: told[at]!.instrumentId,
      worse: each.worse,
      words: wordsText(told[at]!, telling),
      digest,
      toldAt: new Date(nowMs),
      soAt: new Date(nowMs),
    }));
    await Notice.bulkCreate(put, { transaction });
    const job = { householdId, personId, noticeIds: put.map(({ id }) => id), digest };
    if (mail && settings.mail && account.deadSince === null) await queue.add('notice-letter', job, { transaction });
    for (const { accountId, id: deviceId } of devices)
      await queue.add('notice-push', { ...job, accountId, deviceId }, { transaction });
  }
  return Math.min(decision.nextMs ?? Infinity, nextMorning(settings, nowMs));
}

/** Marks what is still so, and forgets what is over for long enough. */
async function mark(
  rows: readonly NoticeRow[],
  still: ReturnType<typeof stillTold>,
  concerns: readonly KnownConcern[],
  nowMs: number,
  transaction: Transaction,
): Promise<void> {
  const so = new Set(concerns.map(concernKey));
  const kept = new Set(still.map(({ key, atMs }) => `${key} ${atMs}`));
  for (const row of rows) {
    if (!kept.has(`${row.concern} ${row.toldAt.getTime()}`)) await row.destroy({ transaction });
    else if (so.has(row.concern) && nowMs - row.soAt.getTime() > MARKED_MS)
      await row.update({ soAt: new Date(nowMs) }, { transaction });
  }
}

/** A household in which nobody signs in is looked at again after so long. */
const NOBODY_MS = 7 * DAY_MS;

/**
 * Looks at a household for what there is to tell its people, and has it brought to them.
 * @param holder who looks: where another took it over meanwhile, nothing is told by this one
 * @returns when it is to be looked at again, ms; null: another looks at it
 */
export async function lookAt(
  ground: LookGround,
  householdId: string,
  holder: string | null,
  nowMs: number,
): Promise<number | null> {
  const { database, queue, outside } = ground;
  const listeners = await listenersOf(database, householdId);
  if (listeners.length === 0) return nowMs + NOBODY_MS;
  // At night nobody is told anything: it is looked at in the morning.
  if (listeners.every(({ settings }) => isQuiet(preferencesOf(settings), nowMs)))
    return Math.min(...listeners.map(({ settings }) => nextMorning(settings, nowMs)));
  const scope = new HouseholdScope(database, { householdId, accountId: null });
  const household = await assessed(database, scope, nowMs, await outside.weather());
  const { assessments, appointments, occasions, loans, timeZone, names } = household;
  const concerns = concernsOf({ assessments, appointments, occasions, loans, nowMs, timeZone });
  const people = listeners.map(({ row }) => personOf(row));
  const next = await inTransaction(database, async (transaction) => {
    const round = await database.models.NoticeRound.findOne({
      where: { householdId },
      transaction,
      lock: transaction.LOCK.UPDATE,
    });
    if (holder !== null && round?.holder !== holder) return null;
    const moments: number[] = [];
    for (const [at, listener] of listeners.entries()) {
      const own = concernsFor(people[at]!, concerns, people);
      moments.push(await tell(ground, listener, own, { names, timeZone }, nowMs, transaction));
    }
    return Math.min(...moments, nextConcernMs({ assessments, nowMs }) ?? Infinity);
  });
  queue.kick();
  return next;
}
