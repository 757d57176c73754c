import { mayDo, withWhich, type Deed, type Person, type Role, type Ways } from '@tembrin/core';
import type { Database } from '../database/connect';
import type { PersonRow } from '../database/people-models';
import { fail } from '../problems/problems';
import type { Identity } from './accounts';

/** Who acts in a household: a person of it; null: a visitor to a demo library, or the server itself. */
export interface Actor {
  person: Person | null;
  /** With which instruments; null: all there are. */
  only: ReadonlySet<string> | null;
}

/** Does with everything what is to be done. */
export const WHOLE: Actor = { person: null, only: null };

export const roleOf = ({ person }: Actor): Role => person?.role ?? 'keeper';

/** What of a person's row the core knows. */
export type PersonKept = Pick<PersonRow, 'id' | 'name' | 'role' | 'plays' | 'looksAfter' | 'ways'>;
export const PERSON = ['id', 'name', 'role', 'plays', 'looksAfter', 'ways'] as const;

/** A person as it is kept, for the core. */
export function personOf({ id, name, role, plays, looksAfter, ways }: PersonKept): Person {
  return {
    id,
    name,
    role: role as Role,
    plays: JSON.parse(plays) as string[],
    looksAfter: JSON.parse(looksAfter) as string[],
    ...(JSON.parse(ways) as Ways),
  };
}

/**
 * Who somebody is in a household, and with which instruments they may do something: looked up each time, so that who was taken out of
 * it, or is something else now, is so at once.
 * @param known their row, where it was read with the session of this very request; null: there is none
 * @throws ProblemError 401 where the household is gone; 403 for who does not belong to it, and for what their role does not do
 */
export async function actorFor(
  { models, reads }: Pick<Database, 'models' | 'reads'>,
  { householdId, accountId }: Identity,
  deed: Deed,
  known?: PersonKept | null,
): Promise<Actor> {
  if (accountId === null) return WHOLE;
  const [row] =
    known === undefined
      ? await reads.rows<PersonKept>(
          `SELECT ${PERSON.join(', ')} FROM persons WHERE householdId = ? AND accountId = ? AND goneAt IS NULL`,
          [householdId, accountId],
        )
      : [known];
  if (!row) {
    if ((await models.Household.count({ where: { id: householdId } })) === 0)
      fail(401, 'signed-out', 'You are no longer signed in. Sign in again; what is on this device is kept.');
    return fail(
      403,
      'not-a-member',
      'You do not belong to this household any more. What you entered is kept on this device; ask whoever keeps the household.',
    );
  }
  const person = personOf(row);
  if (!mayDo(person.role, deed))
    fail(403, 'not-your-role', 'That is for those who keep the household. Ask one of them.');
  return { person, only: withWhich(person, deed) };
}
