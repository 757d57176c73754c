import { schoolChoicesSchema, type LogEvent } from '@tembrin/core';
import { instrumentSchema, type Household, type Instrument, type InstrumentChange } from '@tembrin/contract';
import type { EventRow, HouseholdRow, InstrumentRow } from '../database/models';

/** Rows to what goes over the wire, and back. */

export function instrumentOf(row: InstrumentRow): Instrument {
  return instrumentSchema.parse({
    id: row.id,
    name: row.name,
    family: row.family,
    kind: row.kind,
    size: row.size,
    stringCount: row.stringCount,
    since: row.since,
    setUp: JSON.parse(row.setUp) as unknown,
    stringing: JSON.parse(row.stringing) as unknown,
    schools: JSON.parse(row.schools) as unknown,
    addedAt: row.addedAt.toISOString(),
    version: row.version,
  });
}

export function instrumentColumns({ setUp, stringing, schools, ...change }: InstrumentChange) {
  return {
    ...change,
    setUp: JSON.stringify(setUp),
    stringing: JSON.stringify(stringing),
    schools: JSON.stringify(schools),
  };
}

export function householdOf(row: HouseholdRow, instruments: InstrumentRow[], email: string | null): Household {
  return {
    id: row.id,
    name: row.name,
    timeZone: row.timeZone,
    schools: schoolChoicesSchema.parse(JSON.parse(row.schools)),
    currency: row.currency,
    demo: row.demo,
    version: row.version,
    email,
    instruments: instruments.map(instrumentOf),
  };
}

export type EventColumns = Pick<
  EventRow,
  'number' | 'id' | 'instrumentId' | 'type' | 'occurredAt' | 'recordedAt' | 'payload'
>;

/** Rows were validated when they came in, so they are put together here without checking each again. */
export function eventOf(row: Omit<EventColumns, 'number'>): LogEvent {
  return {
    id: row.id,
    instrumentId: row.instrumentId,
    type: row.type,
    occurredAt: row.occurredAt.toISOString(),
    recordedAt: row.recordedAt.toISOString(),
    payload: JSON.parse(row.payload) as unknown,
  } as LogEvent;
}
