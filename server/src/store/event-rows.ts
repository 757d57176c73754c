import type { LogEvent } from '@tembrin/core';
import type { Sequelize, Transaction } from 'sequelize';

/** Rows that one statement stores. */
const AT_ONCE = 1000;

const COLUMNS = 'householdId, number, id, instrumentId, type, occurredAt, recordedAt, receivedAt, payload';

/** A time as the database takes it. */
const stamp = (iso: string) => iso.replace('T', ' ').replace('Z', '');

/**
 * Stores events under the numbers that follow one. Straight to the table: building a model for each of some thousand rows takes
 * ten times as long as storing them.
 * @param events checked against their schema, times in UTC
 */
export async function insertEvents(
  sequelize: Sequelize,
  householdId: string,
  events: readonly LogEvent[],
  after: number,
  receivedAt: Date,
  transaction: Transaction,
): Promise<void> {
  for (let from = 0; from < events.length; from += AT_ONCE) {
    const rows = events
      .slice(from, from + AT_ONCE)
      .map(({ id, instrumentId, type, occurredAt, recordedAt, payload }, at) => [
        householdId,
        after + from + at + 1,
        id,
        instrumentId,
        type,
        stamp(new Date(occurredAt).toISOString()),
        stamp(new Date(recordedAt).toISOString()),
        stamp(receivedAt.toISOString()),
        JSON.stringify(payload),
      ]);
    await sequelize.query(`INSERT INTO events (${COLUMNS}) VALUES :rows`, { replacements: { rows }, transaction });
  }
}
