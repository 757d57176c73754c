import { setTimeout as sleep } from 'node:timers/promises';
import type { Transaction } from 'sequelize';
import type { Database } from './connect';

/** How often a transaction is tried that others got in the way of: on a cluster, everybody at other nodes. */
const TRIES = 14;
/** And one that waited in vain, which takes long each time. */
const WAITED_TRIES = 2;
const WAITED: ReadonlySet<number> = new Set([1205, 1969]);
const FIRST_PAUSE_MS = 10;
const LONGEST_PAUSE_MS = 300;

/** What the database says where the same may well be done a moment later. */
const PASSING: ReadonlySet<number> = new Set([
  1020, // somebody changed what was read
  1040, // too many connections
  1047, // a node of a cluster that has not joined yet
  1053, // shutting down
  1180, // refused at its commit by another node
  1205, // waited too long for a lock
  1213, // deadlock, and what a cluster's other nodes were quicker with
  1927, // connection killed
  1969, // took too long
  2013, // connection lost
  45009, // connection closed while in use
  45026, // connection ended by the other side
]);
const CUT: ReadonlySet<string> = new Set(['ECONNRESET', 'ECONNREFUSED', 'EPIPE', 'ETIMEDOUT', 'EHOSTUNREACH']);

/** What the database, and the system, say of a full disk. */
const FULL: ReadonlySet<number | string> = new Set([28, 1021, 1114, 'ENOSPC', 'EDQUOT']);

interface DriverError {
  errno?: number;
  code?: string;
  fatal?: boolean;
}

/** What the driver says of a failure, below what Sequelize made of it. */
function driverErrorOf(error: unknown): DriverError | undefined {
  const { original, parent } = (error ?? {}) as { original?: DriverError; parent?: DriverError };
  return original ?? parent ?? (error as DriverError | undefined);
}

/** Whether something could not be stored because the disk is full. */
export function isFull(error: unknown): boolean {
  const { errno, code } = driverErrorOf(error) ?? {};
  return (errno !== undefined && FULL.has(errno)) || (code !== undefined && FULL.has(code));
}

/** Whether a failure of the database passes: a lock, another node's turn, a connection that was cut. */
export function isPassing(error: unknown): boolean {
  const { errno, code, fatal } = driverErrorOf(error) ?? {};
  if (errno !== undefined && (PASSING.has(errno) || (fatal === true && errno >= 45_000))) return true;
  if (code !== undefined && CUT.has(code)) return true;
  return (error as Error | null)?.name?.startsWith('SequelizeConnection') ?? false;
}

/**
 * Does work again from its beginning where others got in its way, a bounded number of times.
 * @param work may be carried out several times: what it changes outside the database must bear that
 * @throws what the work throws; the database's own failure where it did not pass
 */
export async function retried<T>(work: () => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await work();
    } catch (error) {
      const tries = WAITED.has(driverErrorOf(error)?.errno ?? 0) ? WAITED_TRIES : TRIES;
      if (attempt >= tries || !isPassing(error)) throw error;
      // Pauses of chance, so that two that met do not meet again.
      await sleep(Math.min(LONGEST_PAUSE_MS, FIRST_PAUSE_MS * 2 ** attempt) * (0.5 + Math.random()));
    }
  }
}

/**
 * Does work in one transaction, as `retried`.
 * @param pool `long` for work of more than some seconds
 */
export function inTransaction<T>(
  { sequelize, long }: Pick<Database, 'sequelize' | 'long'>,
  work: (transaction: Transaction) => Promise<T>,
  pool: 'short' | 'long' = 'short',
): Promise<T> {
  const connections = pool === 'long' ? long : sequelize;
  return retried(() => connections.transaction(work));
}
