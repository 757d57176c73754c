import { DAY_MS, type LogEvent } from '@tembrin/core';
import {
  DONE_STEPS,
  MOST_DEVICES,
  PUT_OFF_MS,
  type NewPushDevice,
  type NoticeAnswer,
  type NoticeAt,
  type NoticeSettings,
  type PushSubscription,
  type Reminders,
} from '@tembrin/contract';
import { Op, type Transaction } from 'sequelize';
import type { Database } from '../../database/connect';
import type { NoticeRow } from '../../database/notice-models';
import { settingsOf } from './settings';
import { kindOf, noticeOf } from './told';
import { CHANGED, fail } from '../../problems/problems';
import type { Push } from '../../push/push';
import type { JobQueue } from '../../queue/jobs';
import { actorFor } from '../actor';
import { appendEvents } from '../append';
import { lettersOfKey, noticeOfKey } from './keys';
import { HouseholdScope } from '../scope';

/** What reminders are looked after with. */
export interface RemindersGround {
  database: Database;
  queue: JobQueue;
  secret: string;
  mail: boolean;
  push: Push;
}

/** Reminders a person reads: those of the last weeks. */
const TOLD_MS = 60 * DAY_MS;
const TOLD_MOST = 60;

/** What one person of a household is reminded of, as they look after it themselves. */
export class RemindersScope {
  constructor(
    private readonly ground: RemindersGround,
    private readonly scope: HouseholdScope,
  ) {}

  private get models() {
    return this.ground.database.models;
  }

  /** Who asks. @throws ProblemError 403 for a visitor to a demo library */
  private get me(): { personId: string; accountId: string } {
    const { person } = this.scope.actor;
    const { accountId } = this.scope.identity;
    if (!person || accountId === null)
      return fail(403, 'no-account', 'From the demo library nobody is reminded. Start your own to be.');
    return { personId: person.id, accountId };
  }

  async read(): Promise<Reminders> {
    const { personId, accountId } = this.me;
    const { Account, NoticeSettings: Settings, PushDevice, Notice } = this.models;
    const where = this.scope.where({ personId });
    const [household, account, said, devices, told] = await Promise.all([
      this.scope.row(),
      Account.findOne({ where: { id: accountId }, raw: true }),
      Settings.findOne({ where, raw: true }),
      PushDevice.findAll({ where: { accountId }, order: ['addedAt', 'id'], raw: true }),
      Notice.findAll({
        where: { ...where, toldAt: { [Op.gt]: new Date(Date.now() - TOLD_MS) } },
        order: [
          ['toldAt', 'DESC'],
          ['id', 'DESC'],
        ],
        limit: TOLD_MOST,
        raw: true,
      }),
    ]);
    const { publicKey, standIn } = this.ground.push;
    // Of what is theirs no more nothing is told.
    const seen = told.filter(({ instrumentId }) => this.scope.sees(instrumentId));
    return {
      version: said?.version ?? 0,
      settings: settingsOf(said, household.timeZone),
      mailTo: this.ground.mail ? (account?.email ?? null) : null,
      mailDeadSince: account?.deadSince?.toISOString() ?? null,
      push: { publicKey, standIn },
      devices: devices.map(({ id, name, addedAt, toldAt, deadSince }) => ({
        id,
        name,
        addedAt: addedAt.toISOString(),
        toldAt: toldAt?.toISOString() ?? null,
        deadSince: deadSince?.toISOString() ?? null,
      })),
      told: newestOfEach(seen).map((row) => noticeOf(row)),
    };
  }

  /** @throws ProblemError 412 */
  async change(version: number, settings: NoticeSettings): Promise<Reminders> {
    const { personId } = this.me;
    await this.scope.alone((transaction) =>
      saySettings(this.models, this.scope, personId, version, settings, transaction),
    );
    return this.read();
  }

  /** Has a device told. The same id again is left as it is. @param sid hash of the sign-in on it. @throws ProblemError 422, 503 */
  async addDevice({ id, name, subscription }: NewPushDevice, sid: string): Promise<Reminders> {
    const { accountId } = this.me;
    const { push } = this.ground;
    const there = await this.models.PushDevice.findOne({ where: { accountId, id }, raw: true });
    if (there) return this.read();
    if (subscription && push.fault(subscription.endpoint) !== null)
      fail(422, 'no-push-service', 'This browser’s push service is at an address that Tembrin does not send to.');
    const to = subscription ?? (await this.standIn());
    await this.scope.alone(async (transaction) => {
      const rows = await this.models.PushDevice.findAll({ where: { accountId }, transaction });
      // The same browser under another id: its subscription is one.
      for (const row of rows) if (row.endpoint === to.endpoint) await row.destroy({ transaction });
      if (rows.filter(({ endpoint }) => endpoint !== to.endpoint).length >= MOST_DEVICES)
        fail(422, 'too-many-devices', `At most ${MOST_DEVICES} devices are told. Remove one first.`);
      await this.models.PushDevice.create({ accountId, id, name, ...to, sid, addedAt: new Date() }, { transaction });
    });
    return this.read();
  }

  private async standIn(): Promise<PushSubscription> {
    const { push } = this.ground;
    const there = push.standIn ? await push.subscribe().catch(() => null) : null;
    return (
      there ??
      fail(503, 'no-stand-in', 'The stand-in for push services is not running here. Start Tembrin with npm start.')
    );
  }

  /** @throws ProblemError 404 */
  async tryDevice(id: string): Promise<void> {
    const { accountId } = this.me;
    const there = await this.models.PushDevice.count({ where: { accountId, id, deadSince: null } });
    if (there === 0) fail(404, 'no-such-device', 'This device is not told any more. Add it anew.');
    await this.ground.queue.add('push-try', { accountId, deviceId: id });
  }

  async removeDevice(id: string): Promise<Reminders> {
    const { accountId } = this.me;
    if ((await this.models.PushDevice.destroy({ where: { accountId, id } })) === 0)
      fail(404, 'no-such-device', 'This device is not told any more.');
    return this.read();
  }

  /** @throws ProblemError 404, 422 */
  async answer(id: string, reply: NoticeAnswer): Promise<Reminders> {
    const { personId } = this.me;
    const row = await this.models.Notice.findOne({ where: this.scope.where({ id, personId }) });
    if (!row) fail(404, 'no-such-reminder', GONE);
    await answerNotice(this.ground, this.scope, row, reply);
    return this.read();
  }
}

const GONE = 'This reminder is no more: what it was about is over, or the instrument is not yours any more.';

/** Of what was told several times, the last. @param rows the newest first */
function newestOfEach(rows: readonly NoticeRow[]): NoticeRow[] {
  const known = new Set<string>();
  return rows.filter(({ concern }) => !known.has(concern) && known.add(concern));
}

/** Puts down what a person said of reminders. @throws ProblemError 412 */
async function saySettings(
  { NoticeSettings: Settings }: Database['models'],
  scope: HouseholdScope,
  personId: string,
  version: number,
  settings: NoticeSettings,
  transaction: Transaction,
): Promise<void> {
  const where = scope.where({ personId });
  const there = await Settings.findOne({ where, transaction, lock: transaction.LOCK.UPDATE });
  if ((there?.version ?? 0) !== version) fail(412, 'changed-meanwhile', CHANGED);
  const said = { settings: JSON.stringify(settings), version: version + 1 };
  if (there) await there.update(said, { transaction });
  else await Settings.create({ ...where, ...said }, { transaction });
}

/** Changes a person's settings as they stand, whatever version they have. */
function changeSettings(
  { models }: Database,
  scope: HouseholdScope,
  personId: string,
  change: (settings: NoticeSettings) => NoticeSettings,
): Promise<void> {
  return scope.alone(async (transaction, household) => {
    const there = await models.NoticeSettings.findOne({ where: scope.where({ personId }), transaction });
    const settings = change(settingsOf(there, household.timeZone));
    await saySettings(models, scope, personId, there?.version ?? 0, settings, transaction);
  });
}

/** Does what is answered to a reminder. @throws ProblemError 422 for what the log cannot say by itself, 403 */
async function answerNotice(
  { database }: RemindersGround,
  scope: HouseholdScope,
  row: NoticeRow,
  reply: NoticeAnswer,
): Promise<void> {
  const now = new Date();
  const { personId, instrumentId } = row;
  const kind = kindOf(row);
  const same = scope.where({ personId, concern: row.concern });
  const { Notice } = database.models;
  if (reply.answer === 'off-kind')
    return changeSettings(database, scope, personId, (known) => ({
      ...known,
      off: [...new Set([...known.off, kind])],
    }));
  if (reply.answer === 'off-instrument')
    return changeSettings(database, scope, personId, (known) => ({
      ...known,
      muted: [...new Set([...known.muted, instrumentId])],
    }));
  if (reply.answer === 'put-off') {
    const until = new Date(reply.until);
    if (until <= now || until.getTime() > now.getTime() + PUT_OFF_MS)
      fail(422, 'not-then', 'Put it off until some day in the coming year.', { until: 'Choose a later day.' });
    await scope.alone(async (transaction) => {
      await Notice.update({ againAt: until }, { where: same, transaction });
    });
    return;
  }
  const step = DONE_STEPS[kind];
  if (!step) fail(422, 'say-what', 'Put on record what was done, on its own page: Tembrin has to know more of it.');
  const time = now.toISOString();
  if (row.doneAt === null) {
    const event = {
      // Its own id: answered twice at once, by a phone that tries again, it is on record once.
      id: row.id,
      instrumentId,
      type: 'step-done',
      occurredAt: time,
      recordedAt: time,
      payload: { step, sessionId: null },
      by: personId,
    } satisfies LogEvent;
    const [outcome] = await appendEvents(database, scope, [event]);
    if (outcome?.outcome === 'refused' && !outcome.problem?.type.endsWith('/id-taken'))
      fail(422, 'not-taken', outcome.problem?.detail ?? 'That cannot be put on record. Enter it in the app.');
  }
  await Notice.update({ doneAt: now }, { where: same });
}

/** What a key out of a reminder opens: one reminder, or the letters as a whole. @throws ProblemError 404 */
async function opened({ database, secret }: RemindersGround, key: string) {
  const { models } = database;
  const noticeId = noticeOfKey(key, secret);
  const notice = noticeId === null ? null : await models.Notice.findOne({ where: { id: noticeId } });
  const whose = notice ? { householdId: notice.householdId, id: notice.personId } : lettersOfKey(key, secret);
  const person = whose && (await models.Person.findOne({ where: { ...whose, goneAt: null }, raw: true }));
  if (!person || person.accountId === null) return fail(404, 'no-such-reminder', GONE);
  const identity = { householdId: person.householdId, accountId: person.accountId };
  const scope = new HouseholdScope(database, identity, await actorFor(database, identity, 'record'));
  if (notice && !scope.sees(notice.instrumentId)) fail(404, 'no-such-reminder', GONE);
  return { notice, person, scope };
}

/** What a link in a reminder is about. @throws ProblemError 404 */
export async function lookAtNotice(ground: RemindersGround, key: string): Promise<NoticeAt> {
  const { notice, person, scope } = await opened(ground, key);
  const [household, said] = await Promise.all([
    scope.row(),
    ground.database.models.NoticeSettings.findOne({ where: scope.where({ personId: person.id }), raw: true }),
  ]);
  return {
    household: household.name,
    person: person.name,
    notice: notice && noticeOf(notice),
    mail: settingsOf(said, household.timeZone).mail,
  };
}

/** Answers a reminder by the link it came with. @throws ProblemError 404, 422 */
export async function answerNoticeAt(ground: RemindersGround, key: string, reply: NoticeAnswer): Promise<NoticeAt> {
  const { notice, scope } = await opened(ground, key);
  if (!notice) return fail(404, 'no-such-reminder', GONE);
  await answerNotice(ground, scope, notice, reply);
  return lookAtNotice(ground, key);
}

/** Ends the letters to one person. Asked twice, or for somebody who is gone, it is well all the same. @throws ProblemError 404 for a key that is none */
export async function unsubscribe(ground: RemindersGround, key: string): Promise<void> {
  const whose = lettersOfKey(key, ground.secret);
  if (whose === null) return fail(404, 'no-such-letters', 'This link is not whole. Copy it from the letter once more.');
  const person = await ground.database.models.Person.findOne({ where: { ...whose, goneAt: null }, raw: true });
  if (!person) return;
  const scope = new HouseholdScope(ground.database, { householdId: whose.householdId, accountId: person.accountId });
  await changeSettings(ground.database, scope, person.id, (known) => ({ ...known, mail: false }));
}
