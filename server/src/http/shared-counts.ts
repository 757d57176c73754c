import type { ClientRateLimitInfo, Options, Store } from 'express-rate-limit';
import type { Database } from '../database/connect';
import { retried } from '../database/transaction';
import { hashed } from '../store/hashed';

/** Counts one more, and tells how many there are and until when. At every entry: straight from the driver, as what is read is. */
const COUNT = `INSERT INTO limits (name, hits, until) VALUES (?, 1, UTC_TIMESTAMP(3) + INTERVAL ? SECOND)
  ON DUPLICATE KEY UPDATE
    hits = IF(until < UTC_TIMESTAMP(3), 1, hits + 1),
    until = IF(until < UTC_TIMESTAMP(3), VALUES(until), until)
  RETURNING hits, until`;

/** Counts hits in the database, so that all processes count together. */
export class SharedCounts implements Store {
  private windowS = 60;
  readonly localKeys = false;

  /** @param prefix what is counted, before each key */
  constructor(
    private readonly database: Pick<Database, 'sequelize' | 'reads'>,
    readonly prefix: string,
  ) {}

  init({ windowMs }: Options): void {
    this.windowS = Math.ceil(windowMs / 1000);
  }

  private name = (key: string) => `${this.prefix} ${hashed(key)}`;

  async increment(key: string): Promise<ClientRateLimitInfo> {
    const counted = [this.name(key), this.windowS];
    const [row] = await retried(() => this.database.reads.rows<{ hits: number; until: Date }>(COUNT, counted));
    return { totalHits: row!.hits, resetTime: row!.until };
  }

  async decrement(key: string): Promise<void> {
    await this.database.sequelize.query('UPDATE limits SET hits = GREATEST(hits - 1, 0) WHERE name = :name', {
      replacements: { name: this.name(key) },
    });
  }

  async resetKey(key: string): Promise<void> {
    await this.database.sequelize.query('DELETE FROM limits WHERE name = :name', {
      replacements: { name: this.name(key) },
    });
  }
}

/** What is forgotten at a time, so that nobody waits for it. */
const FORGOTTEN_AT_ONCE = 5000;

/** Forgets what was counted and is past. */
export async function forgetLimits({ sequelize }: Pick<Database, 'sequelize'>): Promise<void> {
  await sequelize.query(`DELETE FROM limits WHERE until < UTC_TIMESTAMP(3) LIMIT ${FORGOTTEN_AT_ONCE}`);
}
