import { REACH, type Deed, type Role } from './roles';
import type { Ways } from './ways';

/** A person of a household, with an account or without: a child has none. */
export interface PersonFacts {
  name: string;
  role: Role;
  /** Ids of instruments they play. */
  plays: string[];
  /** Ids of instruments they look after for others. */
  looksAfter: string[];
}

export interface Person extends PersonFacts, Ways {
  id: string;
}

/** The instruments somebody has to do with. */
export const instrumentsOf = ({ plays, looksAfter }: Pick<PersonFacts, 'plays' | 'looksAfter'>): ReadonlySet<string> =>
  new Set([...plays, ...looksAfter]);

/**
 * The instruments with which somebody may do something.
 * @returns null: all there are; an empty set: none
 */
export function withWhich(
  person: Pick<PersonFacts, 'role' | 'plays' | 'looksAfter'>,
  deed: Deed,
): ReadonlySet<string> | null {
  const reach = REACH[person.role][deed];
  return reach === 'all' ? null : reach === 'own' ? instrumentsOf(person) : new Set();
}

/**
 * Whether somebody may put something on record as another's doing: a keeper for anybody, a helper for who plays what they look after,
 * as a parent does for a child; and everybody for themselves.
 */
export function mayRecordFor(actor: Person, subject: Person): boolean {
  if (actor.id === subject.id || actor.role === 'keeper') return true;
  return actor.role === 'helper' && subject.plays.some((id) => actor.looksAfter.includes(id));
}

/** Whom somebody is told of: a keeper of all; others of those they share an instrument with. */
export function isToldOf(reader: Person, other: Person): boolean {
  if (reader.role === 'keeper' || reader.id === other.id) return true;
  const own = instrumentsOf(reader);
  return [...instrumentsOf(other)].some((id) => own.has(id));
}

/** Whether a household would be left without a keeper. @param rest those who stay, as they would be then */
export const leavesNoKeeper = (rest: readonly { role: Role }[]): boolean => !rest.some(({ role }) => role === 'keeper');
