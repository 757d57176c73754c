import type { Config } from '../config';
import type { Database } from '../database/connect';
import { postOf, type Post } from '../mail/post';
import type { Telling } from '../operating/telling';
import type { Jobs } from '../queue/jobs';
import { Queue } from '../queue/queue';
import type { AccountGround } from '../store/account/ground';
import type { RemindersGround } from '../store/notices/reminders';
import { Rounds } from '../notices/rounds';
import { pushOf, type Push } from '../push/push';
import type { Outside } from '../sensors/simulators';
import { workOf, type WorkGround } from './work';

type OfficeSettings = Pick<Config, 'SESSION_SECRET' | 'PUBLIC_URL' | 'HOST' | 'PORT' | 'SMTP_URL' | 'MAIL_FROM'> &
  Pick<Config, 'PUSH_STAND_IN' | 'LOOK_DELAY_S' | 'LOOK_SPACING_S'>;

/** The address people reach this server at, where none is set: a name, as passkeys do not hold for numbers. */
function ownAddress({ PUBLIC_URL, HOST, PORT }: OfficeSettings): string {
  if (PUBLIC_URL !== undefined) return PUBLIC_URL;
  const host = HOST === '0.0.0.0' || HOST === '127.0.0.1' ? 'localhost' : HOST;
  return `http://${host}:${PORT}`;
}

/** What is done besides answering: letters, reminders, and whatever has its time. */
export interface Office {
  accounts: AccountGround;
  reminders: RemindersGround;
  queue: Queue<Jobs>;
  rounds: Rounds;
  close(): Promise<void>;
}

/** Other ways out than the settings name, for tests. */
interface WaysOut {
  post?: Post | null;
  push?: Push;
}

export function officeOf(
  settings: OfficeSettings,
  database: Database,
  telling: Telling,
  outside: Pick<Outside, 'weather'>,
  { post = postOf(settings), push = pushOf(settings) }: WaysOut = {},
): Office {
  // The work is given the queue that does it: by then it is there.
  const ground: WorkGround = {
    database,
    queue: { add: (...job) => queue.add(...job), kick: () => queue.kick() },
    secret: settings.SESSION_SECRET,
    publicUrl: ownAddress(settings),
    mail: post !== null,
    post,
    push,
  };
  const queue = new Queue<Jobs>(
    database,
    workOf(() => ground),
    telling,
  );
  const rounds = new Rounds({ ...ground, outside }, settings, telling);
  return {
    accounts: ground,
    reminders: ground,
    queue,
    rounds,
    close: async () => {
      await rounds.stop();
      await queue.stop();
      post?.close();
    },
  };
}
