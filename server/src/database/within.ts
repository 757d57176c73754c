import type { Transaction } from 'sequelize';
import { ask, type Asked, type Value } from './reads';

interface Driver extends Asked {
  batch: (sql: string, rows: readonly (readonly Value[])[]) => Promise<unknown>;
}

/** The connection a transaction has, of which Sequelize does not tell. */
const driverOf = (transaction: Transaction) => (transaction as unknown as { connection: Driver }).connection;

/**
 * One statement within a transaction, straight from the driver: what is read and written at every entry.
 * @param values one for each `?`
 * @returns its rows, as `Reads` has them; none where it reads nothing
 * @throws the driver's own failure
 */
export function within<Row = never>(transaction: Transaction, sql: string, values: readonly Value[]): Promise<Row[]> {
  return ask<Row>(driverOf(transaction), sql, values);
}

/**
 * Stores many rows by one statement within a transaction, their values sent as they are: a text with all of them takes the database half
 * as long again to read as the rows take to be stored.
 * @param sql with a `?` for each value of a row
 * @throws the driver's own failure
 */
export async function storeMany(
  transaction: Transaction,
  sql: string,
  rows: readonly (readonly Value[])[],
): Promise<void> {
  const [first, ...more] = rows;
  if (!first) return;
  if (more.length === 0) await within(transaction, sql, first);
  else await driverOf(transaction).batch(sql, rows);
}
