import type { Config } from '../config';
import type { Database } from '../database/connect';
import { postOf, type Post } from '../mail/post';
import type { Telling } from '../operating/telling';
import type { Jobs } from '../queue/jobs';
import { Queue } from '../queue/queue';
import type { AccountGround } from '../store/account/ground';
import { workOf, type WorkGround } from './work';

type OfficeSettings = Pick<Config, 'SESSION_SECRET' | 'PUBLIC_URL' | 'HOST' | 'PORT' | 'SMTP_URL' | 'MAIL_FROM'>;

/** The address people reach this server at, where none is set: a name, as passkeys do not hold for numbers. */
function ownAddress({ PUBLIC_URL, HOST, PORT }: OfficeSettings): string {
  if (PUBLIC_URL !== undefined) return PUBLIC_URL;
  const host = HOST === '0.0.0.0' || HOST === '127.0.0.1' ? 'localhost' : HOST;
  return `http://${host}:${PORT}`;
}

/** What is done besides answering: letters, and whatever has its time. */
export interface Office {
  accounts: AccountGround;
  queue: Queue<Jobs>;
  close(): Promise<void>;
}

/** @param post another way out for mail than the settings name, for tests */
export function officeOf(
  settings: OfficeSettings,
  database: Database,
  telling: Telling,
  post: Post | null = postOf(settings),
): Office {
  // The work is given the queue that does it: by then it is there.
  const ground: WorkGround = {
    database,
    queue: { add: (...job) => queue.add(...job), kick: () => queue.kick() },
    secret: settings.SESSION_SECRET,
    publicUrl: ownAddress(settings),
    mail: post !== null,
    post,
  };
  const queue = new Queue<Jobs>(
    database,
    workOf(() => ground),
    telling,
  );
  return {
    accounts: ground,
    queue,
    close: async () => {
      await queue.stop();
      post?.close();
    },
  };
}
