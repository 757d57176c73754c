import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import type { Sequelize } from 'sequelize';
import { isPassing } from './transaction';

/** A lease that nobody renews is another's after so long: its holder has ended. */
const HELD_S = 20;
const RENEWED_MS = 5_000;

/** Takes a lease, or renews one's own. @returns whether it is held now */
async function take(sequelize: Sequelize, name: string, holder: string): Promise<boolean> {
  try {
    await sequelize.query(
      `INSERT INTO leases (name, holder, until) VALUES (:name, :holder, UTC_TIMESTAMP(3) + INTERVAL ${HELD_S} SECOND)
       ON DUPLICATE KEY UPDATE
         holder = IF(until < UTC_TIMESTAMP(3), VALUES(holder), holder),
         until = IF(holder = VALUES(holder), VALUES(until), until)`,
      { replacements: { name, holder } },
    );
    const [row] = await sequelize.query<{ holder: string }>('SELECT holder FROM leases WHERE name = :name', {
      replacements: { name },
      type: QueryTypes.SELECT,
    });
    return row?.holder === holder;
  } catch (error) {
    // Another was quicker, on another node.
    if (isPassing(error)) return false;
    throw error;
  }
}

/**
 * Does work while nobody else on the same database, in whatever process, does the same.
 * @param name what is done, at most 120 characters
 * @returns what the work comes to; `null` where another does it at the moment
 */
export async function withLease<T>(sequelize: Sequelize, name: string, work: () => Promise<T>): Promise<T | null> {
  const holder = randomUUID();
  if (!(await take(sequelize, name, holder))) return null;
  let renewal = Promise.resolve();
  const renewing = setInterval(() => {
    renewal = renewal
      .then(() => take(sequelize, name, holder))
      .then(
        () => undefined,
        () => undefined,
      );
  }, RENEWED_MS);
  renewing.unref();
  try {
    return await work();
  } finally {
    clearInterval(renewing);
    // One that is under way would take it again after it was given back.
    await renewal;
    await sequelize
      .query('DELETE FROM leases WHERE name = :name AND holder = :holder', { replacements: { name, holder } })
      .catch(() => undefined);
  }
}
