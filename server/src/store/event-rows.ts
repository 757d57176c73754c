import type { LogEvent } from '@tembrin/core';
import type { Transaction } from 'sequelize';
import type { Database } from '../database/connect';
import { placeholders } from '../database/reads';
import { utc } from '../database/utc';
import { storeMany, within } from '../database/within';

/** Rows that one statement stores. */
const AT_ONCE = 1000;

const STORE = `INSERT INTO events
  (householdId, number, id, instrumentId, type, occurredAt, recordedAt, receivedAt, payload, doneBy)
  VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`;

/**
 * Stores events under the numbers that follow one. Straight to the table: building a model for each of some thousand rows takes
 * ten times as long as storing them.
 * @param events checked against their schema, times in UTC
 */
export async function insertEvents(
  transaction: Transaction,
  householdId: string,
  events: readonly LogEvent[],
  after: number,
  receivedAt: Date,
): Promise<void> {
  for (let from = 0; from < events.length; from += AT_ONCE) {
    const rows = events
      .slice(from, from + AT_ONCE)
      .map(({ id, instrumentId, type, occurredAt, recordedAt, payload, by }, at) => [
        householdId,
        after + from + at + 1,
        id,
        instrumentId,
        type,
        utc(occurredAt),
        utc(recordedAt),
        utc(receivedAt),
        JSON.stringify(payload),
        by ?? null,
      ]);
    await storeMany(transaction, STORE, rows);
  }
}

/** An event as it is read. */
export interface StoredEvent {
  number: number;
  event: LogEvent;
}

/** Which of a household's events are read; lists are not empty. */
export interface EventsAsked {
  instrumentIds?: readonly string[];
  /** They were asked for by name; otherwise they are those that are seen, and what is asked for is what is new. */
  named?: boolean;
  ids?: readonly string[];
  types?: readonly string[];
  /** Stretches of time they are in, ms. */
  within?: readonly (readonly [from: number, to: number])[];
  /** Only those before, or after, an instant, ms, the nearest first. */
  beside?: { at: number; side: 'before' | 'after' };
  after: number;
  upTo?: number;
  most?: number;
}

/** A time as it goes over the wire, made by the database: making a date of each of many thousand takes longer than reading them. */
const wire = (column: string) => `CONCAT(LEFT(DATE_FORMAT(${column}, '%Y-%m-%dT%H:%i:%s.%f'), 23), 'Z') AS ${column}`;
/** Of so many instruments all entries are looked at, wherever they stand in the log. */
const FEW = 4;
const READ = `number, id, instrumentId, type, ${wire('occurredAt')}, ${wire('recordedAt')}, payload, doneBy`;

/** Reads events of a household in the order of their numbers. They were validated when they came in. */
export async function readEvents(
  { reads }: Pick<Database, 'reads'>,
  householdId: string,
  { instrumentIds, named, ids, types, within: stretches, beside, after, upTo, most }: EventsAsked,
  transaction?: Transaction,
): Promise<StoredEvent[]> {
  const instant = (ms: number) => utc(new Date(ms));
  const values: (string | number)[] = [householdId, after];
  const conditions = ['householdId = ?', 'number > ?'];
  const also = (condition: string, ...more: readonly (string | number)[]) => {
    conditions.push(condition);
    values.push(...more);
  };
  if (upTo !== undefined) also('number <= ?', upTo);
  if (instrumentIds) also(`instrumentId IN ${placeholders(instrumentIds)}`, ...instrumentIds);
  if (ids) also(`id IN ${placeholders(ids)}`, ...ids);
  if (types) also(`type IN ${placeholders(types)}`, ...types);
  if (stretches)
    also(
      `(${stretches.map(() => 'occurredAt BETWEEN ? AND ?').join(' OR ')})`,
      ...stretches.flatMap(([from, to]) => [instant(from), instant(to)]),
    );
  if (beside) also(`occurredAt ${beside.side === 'before' ? '<' : '>'} ?`, instant(beside.at));
  const order = !beside ? 'number' : beside.side === 'before' ? 'occurredAt DESC' : 'occurredAt';
  if (most !== undefined) values.push(most);
  const limit = most === undefined ? '' : 'LIMIT ?';
  // By their numbers a large log would be read to its end for the last entries of one instrument.
  const few = named && instrumentIds && instrumentIds.length <= FEW && !ids && !types && !stretches && !beside;
  const by = few ? 'FORCE INDEX (events_by_instrument)' : '';
  const sql = `SELECT ${READ} FROM events ${by} WHERE ${conditions.join(' AND ')} ORDER BY ${order} ${limit}`;
  const rows = transaction
    ? await within<EventKept>(transaction, sql, values)
    : await reads.rows<EventKept>(sql, values);
  return rows.map(({ number, payload, doneBy, ...event }) => ({
    number: Number(number),
    event: { ...event, ...(doneBy !== null && { by: doneBy }), payload: JSON.parse(payload) as unknown } as LogEvent,
  }));
}

/** A row as `READ` has it. */
interface EventKept extends Omit<LogEvent, 'payload' | 'by'> {
  number: number | string;
  payload: string;
  doneBy: string | null;
}
