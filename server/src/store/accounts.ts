import type { Credentials, NewAccount } from '@tembrin/contract';
import { UniqueConstraintError } from 'sequelize';
import { v7 as uuid } from 'uuid';
import type { Database } from '../database/connect';
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
      await models.Household.create(
        {
          id: identity.householdId,
          name: 'My instruments',
          timeZone: wanted.timeZone,
          schools: '{}',
          demo: false,
          openedAt: createdAt,
          createdAt,
          version: 1,
          logEpoch: uuid(),
        },
        { transaction },
      );
      await models.Account.create(
        { id: identity.accountId, householdId: identity.householdId, email: wanted.email, passwordHash, createdAt },
        { transaction },
      );
      await putDown(database, identity.accountId, 'made', null, transaction);
    });
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
    fail(409, 'address-taken', ADDRESS_TAKEN, { email: ADDRESS_TAKEN });
  }
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
  return { householdId: account.householdId, accountId: account.id };
}
