import { accountLetter, type AccountNews } from '../mail/account-letters';
import { DeadAddress, type Post } from '../mail/post';
import { sendReset } from '../store/account/forgotten';
import type { AccountGround } from '../store/account/ground';
import { invitationPath } from '../store/people';
import { addressOf, type LinkKind } from '../store/account/links';
import { sendNoticeLetter, sendNoticePush, tryPush } from './notices';
import type { Push } from '../push/push';
import type { AccountLetterJob, Jobs } from '../queue/jobs';
import { Hopeless, type Work } from '../queue/queue';

/** What the jobs are done with. */
export interface WorkGround extends AccountGround {
  post: Post | null;
  push: Push;
}

async function sendAccountLetter(ground: WorkGround, job: AccountLetterJob, id: string): Promise<void> {
  const { database, post, publicUrl } = ground;
  const { Account, AccountLink, Invitation } = database.models;
  if (!post) throw new Hopeless('no mail is sent any more');
  const facts: Record<string, unknown> = { ...job.facts };
  if (job.news === 'invited') {
    const invitation = await Invitation.findOne({ where: { householdId: job.householdId, id: job.linkId }, raw: true });
    // Taken back, or accepted already.
    if (!invitation || invitation.expiresAt <= new Date()) return;
    facts.href = new URL(invitationPath(invitation.id, ground.secret), publicUrl).href;
  } else if (job.linkId !== undefined) {
    const link = await AccountLink.findOne({ where: { id: job.linkId }, raw: true });
    // Past or replaced before it could be sent: it would lead nowhere.
    if (!link || link.expiresAt <= new Date()) return;
    facts.href = addressOf(link.kind as LinkKind, link.id, ground);
  }
  const page = (path: string) => new URL(path, publicUrl).href;
  const pages = { timeZone: job.timeZone, account: page('/kit/account'), forgotten: page('/forgotten') };
  const letter = accountLetter(job.news, facts as unknown as AccountNews[typeof job.news], pages);
  try {
    await post.send(job.to, letter, id);
  } catch (error) {
    if (!(error instanceof DeadAddress)) throw error;
    if (job.accountId) await Account.update({ deadSince: new Date() }, { where: { id: job.accountId, email: job.to } });
    throw new Hopeless(error.message);
  }
}

/** What is done at its time. @param ground asked when there is something to do: its queue is the one that does the work */
export function workOf(ground: () => WorkGround): Work<Jobs> {
  return {
    'account-letter': (job, { id }) => sendAccountLetter(ground(), job, id),
    forgotten: ({ email }) => sendReset(ground(), email),
    'notice-letter': (job, { id }) => sendNoticeLetter(ground(), job, id),
    'notice-push': (job, { id }) => sendNoticePush(ground(), job, id),
    'push-try': (job, { id }) => tryPush(ground(), job, id),
  };
}
