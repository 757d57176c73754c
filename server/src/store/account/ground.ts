import type { Database } from '../../database/connect';
import type { JobQueue } from '../../queue/jobs';

/** What accounts are looked after with. */
export interface AccountGround {
  database: Database;
  queue: JobQueue;
  /** Signs links. */
  secret: string;
  /** The address people reach Tembrin at. */
  publicUrl: string;
  /** Whether mail is sent. */
  mail: boolean;
}
