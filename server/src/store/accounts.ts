import { hash, verify } from '@node-rs/argon2';
import type { Credentials, NewAccount } from '@tembrin/contract';
import { UniqueConstraintError } from 'sequelize';
import { v7 as uuid } from 'uuid';
import type { Database } from '../database/connect';
import { inTransaction } from '../database/transaction';
import { fail } from '../problems/problems';

/** Who is signed in, as the session keeps it. `accountId` null: a visitor to a demo library. */
export interface Identity {
  householdId: string;
  accountId: string | null;
}

/** Verified when no account has the address, so that the answer takes as long either way. */
let nobody: Promise<string> | undefined;

/**
 * Makes an account and its household, together or not at all.
 * @throws ProblemError 409 when the address has an account already
 */
export async function createAccount(database: Database, wanted: NewAccount): Promise<Identity> {
  const { models } = database;
  const passwordHash = await hash(wanted.password);
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
    });
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
    const detail = 'There is an account with this address already. Sign in instead, or use another address.';
    fail(409, 'address-taken', detail, { email: detail });
  }
  return identity;
}

/**
 * Checks an address and password.
 * @throws ProblemError 401, the same whether the address or the password is wrong
 */
export async function checkCredentials({ models }: Database, { email, password }: Credentials): Promise<Identity> {
  nobody ??= hash(uuid());
  const account = await models.Account.findOne({ where: { email } });
  const right = await verify(account?.passwordHash ?? (await nobody), password);
  if (!account || !right) {
    fail(401, 'wrong-credentials', 'The address or the password is not right. Check both and try again.');
  }
  return { householdId: account.householdId, accountId: account.id };
}
