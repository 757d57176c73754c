import { isToldOf, schoolChoicesSchema } from '@tembrin/core';
import {
  instrumentSchema,
  type Household,
  type Instrument,
  type InstrumentChange,
  type Person as PersonSeen,
} from '@tembrin/contract';
import type { InferAttributes } from 'sequelize';
import type { PersonRow } from '../database/people-models';
import { personOf, roleOf, type Actor } from './actor';
import type { HouseholdRow, InstrumentRow } from '../database/models';

/** Rows to what goes over the wire, and back. */

/** What of an instrument's row goes over the wire, and its columns: a date without a time as it is written. */
export type InstrumentKept = Omit<InferAttributes<InstrumentRow>, 'householdId'>;
export const INSTRUMENT = `id, name, family, kind, size, stringCount, DATE_FORMAT(since, '%Y-%m-%d') AS since, setUp, stringing,
  schools, addedAt, givenAt, givenTo, version`;
/** A person's row as others see it, and its columns. */
export type PersonSeenKept = Omit<InferAttributes<PersonRow>, 'householdId' | 'calendarId' | 'addedAt'>;
export const PERSON_SEEN = 'id, name, role, plays, looksAfter, ways, accountId, goneAt, version';
export type HouseholdKept = InferAttributes<HouseholdRow>;

export function instrumentOf(row: InstrumentKept): Instrument {
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
    ...(row.givenAt && { givenAt: row.givenAt.toISOString(), givenTo: row.givenTo ?? '' }),
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

/** A person as another sees them. */
export function personSeen(row: PersonSeenKept, me: string | null): PersonSeen {
  return {
    ...personOf(row),
    account: row.accountId !== null,
    me: row.id === me,
    goneAt: row.goneAt?.toISOString() ?? null,
    version: row.version,
  };
}

/**
 * A household as somebody sees it.
 * @param instruments those they see
 * @param people all of it
 */
export function householdOf(
  row: HouseholdKept,
  instruments: InstrumentKept[],
  email: string | null,
  actor: Actor,
  people: PersonSeenKept[],
): Household {
  const me = actor.person;
  const told = me ? people.filter((each) => isToldOf(me, personOf(each))) : people;
  return {
    role: roleOf(actor),
    people: told.map((each) => personSeen(each, me?.id ?? null)),
    id: row.id,
    name: row.name,
    timeZone: row.timeZone,
    schools: schoolChoicesSchema.parse(JSON.parse(row.schools)),
    currency: row.currency,
    demo: row.demo,
    version: row.version,
    email,
    instruments: instruments.filter(({ givenAt }) => givenAt === null).map(instrumentOf),
    given: instruments.filter(({ givenAt }) => givenAt !== null).map(instrumentOf),
  };
}
