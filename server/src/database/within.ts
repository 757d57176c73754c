import type { Transaction } from 'sequelize';
import { MOST_PREPARED, type Value } from './reads';

interface Driver {
  query: <T>(sql: string, values: Value[]) => Promise<T>;
  execute: <T>(sql: string, values: Value[]) => Promise<T>;
  batch: (sql: string, rows: readonly (readonly Value[])[]) => Promise<unknown>;
}

/** The connection a transaction has, of which Sequelize does not tell. */
const driverOf = (transaction: Transaction) => (transaction as unknown as { connection: Driver }).connection;

/**
 * One statement within a transaction, straight from the driver, as `Reads` has it: what is written at every entry. Rows where it reads.
 * @param values one for each `?`
 * @throws the driver's own failure
 */
export function within<T = unknown>(transaction: Transaction, sql: string, values: readonly Value[]): Promise<T> {
  const driver = driverOf(transaction);
  return values.length > MOST_PREPARED ? driver.query<T>(sql, [...values]) : driver.execute<T>(sql, [...values]);
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
