import { API_ROOT, DONE_STEPS, type NoticeWords } from '@tembrin/contract';
import { noticeLetter } from '../mail/notice-letter';
import { DeadAddress } from '../mail/post';
import { settingsOf } from '../store/notices/settings';
import { kindOf } from '../store/notices/told';
import { DeadDevice, type PushMessage } from '../push/push';
import type { Jobs, NoticeJob } from '../queue/jobs';
import { Hopeless } from '../queue/queue';
import { lettersKey, noticeKey } from '../store/notices/keys';
import type { WorkGround } from './work';

/** What is still to be brought of what was told: not what was answered meanwhile, and nothing to who is here no more. */
async function brought({ database: { models } }: WorkGround, { householdId, personId, noticeIds }: NoticeJob) {
  const [person, household, notices] = await Promise.all([
    models.Person.findOne({ where: { householdId, id: personId, goneAt: null }, raw: true }),
    models.Household.findOne({ where: { id: householdId }, raw: true }),
    models.Notice.findAll({ where: { householdId, id: noticeIds, doneAt: null, againAt: null }, raw: true }),
  ]);
  if (!person?.accountId || !household || notices.length === 0) return null;
  const ordered = noticeIds.flatMap((id) => notices.find((each) => each.id === id) ?? []);
  return { person, household, accountId: person.accountId, notices: ordered };
}

/** Brings a reminder by mail. */
export async function sendNoticeLetter(ground: WorkGround, job: NoticeJob, id: string): Promise<void> {
  const { database, post, publicUrl, secret } = ground;
  if (!post) throw new Hopeless('no mail is sent any more');
  const found = await brought(ground, job);
  if (!found) return;
  const { person, household, notices, accountId } = found;
  const { Account, NoticeSettings } = database.models;
  const [account, said] = await Promise.all([
    Account.findOne({ where: { id: accountId }, raw: true }),
    NoticeSettings.findOne({ where: { householdId: household.id, personId: person.id }, raw: true }),
  ]);
  // Ended since, or the address takes no mail.
  if (!account || account.deadSince !== null || !settingsOf(said, household.timeZone).mail) return;
  const page = (path: string) => new URL(path, publicUrl).href;
  const letters = lettersKey(person, secret);
  const lines = notices.map((notice) => ({
    words: JSON.parse(notice.words) as NoticeWords,
    answer: page(`/told#${noticeKey(notice.id, secret)}`),
  }));
  const letter = noticeLetter(lines, household.name, job.digest, { page, end: page(`/told#${letters}`) });
  try {
    await post.send(account.email, letter, id, {
      // RFC 8058: a mail program ends them with one click.
      'List-Unsubscribe': `<${page(`${API_ROOT}/reminders/unsubscribe/${letters}`)}>`,
      'List-Unsubscribe-Post': 'List-Unsubscribe=One-Click',
    });
  } catch (error) {
    if (!(error instanceof DeadAddress)) throw error;
    await Account.update({ deadSince: new Date() }, { where: { id: account.id, email: account.email } });
    throw new Hopeless(error.message);
  }
}

type DeviceJob = Jobs['push-try'];

/** Sends a message to a device; one whose subscription is gone is sent nothing any more. */
async function push({ database, push: out }: WorkGround, job: DeviceJob, message: PushMessage, urgent: boolean) {
  const { PushDevice } = database.models;
  const where = { accountId: job.accountId, id: job.deviceId };
  const device = await PushDevice.findOne({ where, raw: true });
  if (!device || device.deadSince !== null) return;
  try {
    await out.send(device, message, urgent);
    await PushDevice.update({ toldAt: new Date() }, { where });
  } catch (error) {
    if (!(error instanceof DeadDevice)) throw error;
    await PushDevice.update({ deadSince: new Date() }, { where });
    throw new Hopeless(error.message);
  }
}

/** Brings a reminder to a device. */
export async function sendNoticePush(ground: WorkGround, job: Jobs['notice-push'], id: string): Promise<void> {
  const found = await brought(ground, job);
  // Whose account it is no more gets nothing of it.
  if (!found || found.accountId !== job.accountId) return;
  const { notices, household } = found;
  const [first] = notices;
  const words = notices.map((notice) => JSON.parse(notice.words) as NoticeWords);
  const [{ title, why, todo, path }] = words as [NoticeWords];
  const one = notices.length === 1;
  await push(
    ground,
    job,
    {
      id,
      title: one ? title : `${household.name}: ${notices.length} things`,
      body: one ? `${why} ${todo}` : words.map((each) => each.title).join('\n'),
      path: one ? path : '/kit/reminders',
      key: one ? noticeKey(first!.id, ground.secret) : null,
      doable: one && DONE_STEPS[kindOf(first!)] !== undefined,
    },
    !job.digest,
  );
}

/** Sends a device a message to see whether it arrives. */
export const tryPush = (ground: WorkGround, job: DeviceJob, id: string) =>
  push(
    ground,
    job,
    {
      id,
      title: 'Reminders reach this device',
      body: 'What cannot wait comes like this.',
      path: '/kit/reminders',
      key: null,
      doable: false,
    },
    true,
  );
