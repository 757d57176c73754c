import type { AccountNews } from '../mail/account-letters';
import type { Queue } from './queue';

type Told<K extends keyof AccountNews> = {
  news: K;
  /** Whose account; null: it is gone. */
  accountId: string | null;
  to: string;
  timeZone: string;
  /** What is told, but for a link: that is made when the letter goes, with what the database does not know. */
  facts: Omit<AccountNews[K], 'href'>;
  linkId?: string;
  /** The household somebody is invited to. */
  householdId?: string;
};
/** A letter about an account. */
export type AccountLetterJob = { [K in keyof AccountNews]: Told<K> }[keyof AccountNews];

/** Something a person was told, as it is brought to them. */
export interface NoticeJob {
  householdId: string;
  personId: string;
  noticeIds: string[];
  digest: boolean;
}

/** What is done at its time, and what it needs to know. */
export interface Jobs {
  'account-letter': AccountLetterJob;
  /** Somebody forgot the password of an address, whether it has an account or not. */
  forgotten: { email: string };
  'notice-letter': NoticeJob;
  'notice-push': NoticeJob & { accountId: string; deviceId: string };
  /** Whether messages reach a device. */
  'push-try': { accountId: string; deviceId: string };
}
export type JobQueue = Pick<Queue<Jobs>, 'add' | 'kick'>;
