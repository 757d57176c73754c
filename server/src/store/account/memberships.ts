import type { Role } from '@tembrin/core';
import { fail } from '../../problems/problems';
import type { Identity } from '../accounts';
import type { AccountGround } from './ground';

/** The households an account belongs to. @param here the one that is open */
export async function memberships({ database: { models } }: AccountGround, accountId: string, here: string) {
  const persons = await models.Person.findAll({
    where: { accountId, goneAt: null },
    order: ['addedAt', 'householdId'],
    raw: true,
  });
  const rows = await models.Household.findAll({
    where: { id: persons.map(({ householdId }) => householdId) },
    attributes: ['id', 'name'],
    raw: true,
  });
  const names = new Map(rows.map(({ id, name }) => [id, name]));
  return persons.flatMap(({ householdId: id, role }) => {
    const name = names.get(id);
    return name === undefined ? [] : [{ id, name, role: role as Role, here: id === here }];
  });
}

/** Opens another household one belongs to; it is the one that opens next time, too. @throws ProblemError 404 */
export async function openHousehold(
  { database: { models } }: AccountGround,
  accountId: string,
  householdId: string,
): Promise<Identity> {
  if (!(await models.Person.findOne({ where: { accountId, householdId, goneAt: null } })))
    fail(404, 'no-such-household', 'You do not belong to that household.');
  await models.Account.update({ householdId }, { where: { id: accountId } });
  return { householdId, accountId };
}
