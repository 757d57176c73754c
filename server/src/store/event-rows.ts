import type { LogEvent } from '@tembrin/core';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';

/** Rows that one statement stores. */
const AT_ONCE = 1000;

const COLUMNS = 'householdId, number, id, instrumentId, type, occurredAt, recordedAt, receivedAt, payload, doneBy';

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
      .map(({ id, instrumentId, type, occurredAt, recordedAt, payload, by }, at) => [
        householdId,
        after + from + at + 1,
        id,
        instrumentId,
        type,
        stamp(new Date(occurredAt).toISOString()),
        stamp(new Date(recordedAt).toISOString()),
        stamp(receivedAt.toISOString()),
        JSON.stringify(payload),
        by ?? null,
      ]);
    await sequelize.query(`INSERT INTO events (${COLUMNS}) VALUES :rows`, { replacements: { rows }, transaction });
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
const READ = `number, id, instrumentId, type, ${wire('occurredAt')}, ${wire('recordedAt')}, payload, doneBy`;

/** Reads events of a household in the order of their numbers. They were validated when they came in. */
export async function readEvents(
  sequelize: Sequelize,
  householdId: string,
  { instrumentIds, ids, types, within, beside, after, upTo, most }: EventsAsked,
  transaction?: Transaction,
): Promise<StoredEvent[]> {
  const conditions = [
    'householdId = :householdId',
    'number > :after',
    ...(upTo === undefined ? [] : ['number <= :upTo']),
    ...(instrumentIds ? ['instrumentId IN (:instrumentIds)'] : []),
    ...(ids ? ['id IN (:ids)'] : []),
    ...(types ? ['type IN (:types)'] : []),
    ...(within ? [`(${within.map((_, at) => `occurredAt BETWEEN :from${at} AND :to${at}`).join(' OR ')})`] : []),
  ];
  if (beside) conditions.push(`occurredAt ${beside.side === 'before' ? '<' : '>'} :beside`);
  const order = !beside ? 'number' : beside.side === 'before' ? 'occurredAt DESC' : 'occurredAt';
  const sql = `SELECT ${READ} FROM events WHERE ${conditions.join(' AND ')} ORDER BY ${order} ${most === undefined ? '' : 'LIMIT :most'}`;
  const instant = (ms: number) => stamp(new Date(ms).toISOString());
  const spans = Object.fromEntries(
    (within ?? []).flatMap(([from, to], at) => [
      [`from${at}`, instant(from)],
      [`to${at}`, instant(to)],
    ]),
  );
  const rows = await sequelize.query<Record<string, string> & { doneBy: string | null }>(sql, {
    replacements: {
      householdId,
      after,
      upTo,
      instrumentIds,
      ids,
      types,
      most,
      ...spans,
      ...(beside && { beside: instant(beside.at) }),
    },
    type: QueryTypes.SELECT,
    transaction,
  });
  return rows.map(({ number, payload, doneBy, ...event }) => ({
    number: Number(number),
    event: {
      ...event,
      ...(doneBy !== null && { by: doneBy }),
      payload: JSON.parse(payload!) as unknown,
    } as unknown as LogEvent,
  }));
}
