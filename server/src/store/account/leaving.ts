import { DAY_MS } from '@tembrin/core';
import { Op } from 'sequelize';
import type { AccountRow } from '../../database/account-models';
import { withLease } from '../../database/lease';
import { inTransaction } from '../../database/transaction';
import { removeHousehold } from '../removal';
import type { AccountGround } from './ground';
import { tellByMail } from './news';
import { putDown } from './record';

/** Within so long it can be taken back. */
const GRACE_MS = 7 * DAY_MS;
/** Accounts that go at a time. */
const AT_ONCE = 20;

/** Whether nobody else keeps the account's household: it would go with it. */
export async function isLastKeeper({ database }: AccountGround, account: AccountRow): Promise<boolean> {
  const { householdId, id } = account;
  return (await database.models.Account.count({ where: { householdId, id: { [Op.ne]: id }, goesAt: null } })) === 0;
}

/** Has an account go in seven days. Asked again, the day stays as it was. */
export async function leaveForGood(ground: AccountGround, account: AccountRow): Promise<void> {
  if (account.goesAt) return;
  const goesAt = new Date(Date.now() + GRACE_MS);
  const withHousehold = await isLastKeeper(ground, account);
  await inTransaction(ground.database, async (transaction) => {
    await account.update({ goesAt }, { transaction });
    await putDown(ground.database, account.id, 'leave-asked', null, transaction);
    await tellByMail(
      ground,
      account,
      { news: 'leaving', facts: { goesAt: goesAt.getTime(), withHousehold } },
      transaction,
    );
  });
  ground.queue.kick();
}

/** Takes that back. */
export async function stayAfterAll(ground: AccountGround, account: AccountRow): Promise<void> {
  if (!account.goesAt) return;
  await inTransaction(ground.database, async (transaction) => {
    await account.update({ goesAt: null }, { transaction });
    await putDown(ground.database, account.id, 'leave-taken-back', null, transaction);
    await tellByMail(ground, account, { news: 'staying', facts: { at: Date.now() } }, transaction);
  });
  ground.queue.kick();
}

/**
 * Removes accounts whose time has come, and households nobody keeps any more with all that is theirs. Photographs' pictures go with
 * the next sweep of the store. One process does so at a time.
 */
export async function sweepAccounts(ground: AccountGround, now = new Date()): Promise<void> {
  const { database, queue } = ground;
  await withLease(database.sequelize, 'removing-accounts', async () => {
    const { Account, Session } = database.models;
    const due = await Account.findAll({ where: { goesAt: { [Op.lte]: now } }, limit: AT_ONCE });
    for (const account of due) {
      const withHousehold = await isLastKeeper(ground, account);
      await Session.destroy({ where: { accountId: account.id } });
      // The account goes last: what is cut off in the middle is taken up again.
      if (withHousehold) await removeHousehold(database, account.householdId, { keepRow: true });
      await inTransaction(database, async (transaction) => {
        await tellByMail(ground, account, { news: 'gone', facts: { withHousehold } }, transaction);
        await account.destroy({ transaction });
        if (withHousehold) await database.models.Household.destroy({ where: { id: account.householdId }, transaction });
      });
      queue.kick();
    }
  });
}
