import type { Credentials, NewAccount } from '@tembrin/contract';
import { UniqueConstraintError } from 'sequelize';
import { v7 as uuid } from 'uuid';
import type { Database } from '../database/connect';
import type { AccountRow } from '../database/account-models';
import { inTransaction } from '../database/transaction';
import { fail } from '../problems/problems';
import { checkStrength, hashPassword, isPassword } from './account/passwords';
import { putDown, putDownRefusal } from './account/record';

/** Who is signed in, as the session keeps it. `accountId` null: a visitor to a demo library. */
export interface Identity {
  householdId: string;
  accountId: string | null;
}

/** Said of an address that another account has. */
export const ADDRESS_TAKEN = 'There is an account with this address already. Sign in instead, or use another address.';

/**
 * Makes an account and its household, together or not at all.
 * @throws ProblemError 409 when the address has an account already, 422 when the password is easily guessed
 */
export async function createAccount(database: Database, wanted: NewAccount): Promise<Identity> {
  const { models } = database;
  checkStrength(wanted.password, wanted.email, 'password');
  const passwordHash = await hashPassword(wanted.password);
  const identity = { householdId: uuid(), accountId: uuid() };
  const createdAt = new Date();
  try {
    await inTransaction(database, async (transaction) => {
      await models.Household.create(newHousehold(identity.householdId, wanted.timeZone, createdAt), { transaction });
      await models.Account.create(
        { id: identity.accountId, householdId: identity.householdId, email: wanted.email, passwordHash, createdAt },
        { transaction },
      );
      await models.Person.create(keeperOf(identity, wanted.email), { transaction });
      await putDown(database, identity.accountId, 'made', null, transaction);
    });
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
    fail(409, 'address-taken', ADDRESS_TAKEN, { email: ADDRESS_TAKEN });
  }
  return identity;
}

/** Who makes a household keeps it, under the name before the @ until they say another. */
const keeperOf = ({ householdId, accountId }: Identity, email: string) => ({
  householdId,
  id: uuid(),
  name: email.split('@')[0]!.slice(0, 60),
  role: 'keeper',
  plays: '[]',
  looksAfter: '[]',
  accountId,
  addedAt: new Date(),
  version: 1,
});

const newHousehold = (id: string, timeZone: string, createdAt: Date) => ({
  id,
  name: 'My instruments',
  timeZone,
  schools: '{}',
  demo: false,
  openedAt: createdAt,
  createdAt,
  version: 1,
  logEpoch: uuid(),
});

/** The household an account opened last, else another it belongs to; one of its own is made where it belongs to none. */
export async function openedLast(
  database: Database,
  account: Pick<AccountRow, 'id' | 'householdId' | 'email'>,
): Promise<Identity> {
  const { models } = database;
  const persons = await models.Person.findAll({
    where: { accountId: account.id, goneAt: null },
    order: ['addedAt', 'householdId'],
    raw: true,
  });
  const last = persons.find(({ householdId }) => householdId === account.householdId) ?? persons[0];
  if (last) return { householdId: last.householdId, accountId: account.id };
  const identity = { householdId: uuid(), accountId: account.id };
  await inTransaction(database, async (transaction) => {
    await models.Household.create(newHousehold(identity.householdId, 'UTC', new Date()), { transaction });
    await models.Person.create(keeperOf(identity, account.email), { transaction });
    await models.Account.update({ householdId: identity.householdId }, { where: { id: account.id }, transaction });
  });
  return identity;
}

/**
 * Checks an address and password.
 * @throws ProblemError 401, the same whether the address or the password is wrong
 */
export async function checkCredentials(database: Database, { email, password }: Credentials): Promise<Identity> {
  const account = await database.models.Account.findOne({ where: { email } });
  const right = await isPassword(account?.passwordHash ?? null, password);
  if (!account || !right) {
    // Not waited for: the answer takes as long whether there is such an account or not.
    if (account) void putDownRefusal(database, account.id).catch(() => undefined);
    fail(401, 'wrong-credentials', 'The address or the password is not right. Check both and try again.');
  }
  return openedLast(database, account);
}
