import type { Transaction } from 'sequelize';
import { ask, type Asked, type Value } from './reads';

/** The connection a transaction has, of which Sequelize does not tell. */
const driverOf = (transaction: Transaction) => (transaction as unknown as { connection: Asked }).connection;

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
 * Stores many rows by one statement within a transaction. As text, not by the driver's bulk protocol: what a cluster rolled back is told as
 * such then; in bulk it came back as a duplicate of what another node had stored, and was not tried again.
 * @param sql with the places of one row as `VALUES (?, …)`
 * @param rows each with as many values
 * @throws the driver's own failure
 */
export async function storeMany(
  transaction: Transaction,
  sql: string,
  rows: readonly (readonly Value[])[],
): Promise<void> {
  if (rows.length === 0) return;
  const places = /VALUES (\([?, ]+\))/.exec(sql)![1]!;
  const all = sql.replace(places, rows.map(() => places).join(', '));
  await within(transaction, all, rows.flat());
}
