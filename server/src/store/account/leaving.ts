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

/** Households that nobody else keeps who can sign in and stays: they go with the account. */
export async function solelyKept(
  { database: { models } }: AccountGround,
  accountId: string,
): Promise<{ id: string; name: string }[]> {
  const keeper = { role: 'keeper', goneAt: null };
  const own = await models.Person.findAll({ where: { accountId, ...keeper }, attributes: ['householdId'], raw: true });
  const ids = own.map(({ householdId }) => householdId);
  const others = await models.Person.findAll({
    where: { householdId: ids, accountId: { [Op.and]: [{ [Op.ne]: null }, { [Op.ne]: accountId }] }, ...keeper },
    raw: true,
  });
  const staying = await models.Account.findAll({
    where: { id: others.map((other) => other.accountId!), goesAt: null },
    attributes: ['id'],
    raw: true,
  });
  const stays = new Set(staying.map(({ id }) => id));
  const kept = new Set(others.flatMap((other) => (stays.has(other.accountId!) ? [other.householdId] : [])));
  const rows = await models.Household.findAll({
    where: { id: ids.filter((id) => !kept.has(id)) },
    attributes: ['id', 'name'],
    order: ['createdAt'],
    raw: true,
  });
  return rows.map(({ id, name }) => ({ id, name }));
}

/** Has an account go in seven days. Asked again, the day stays as it was. */
export async function leaveForGood(ground: AccountGround, account: AccountRow): Promise<void> {
  if (account.goesAt) return;
  const goesAt = new Date(Date.now() + GRACE_MS);
  const taking = (await solelyKept(ground, account.id)).map(({ name }) => name);
  await inTransaction(ground.database, async (transaction) => {
    await account.update({ goesAt }, { transaction });
    await putDown(ground.database, account.id, 'leave-asked', null, transaction);
    await tellByMail(ground, account, { news: 'leaving', facts: { goesAt: goesAt.getTime(), taking } }, transaction);
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
    const { Account, Person, Session } = database.models;
    const due = await Account.findAll({ where: { goesAt: { [Op.lte]: now } }, limit: AT_ONCE });
    for (const found of due) {
      // Taken back while those before it were being removed: it stays.
      const account = await Account.findOne({ where: { id: found.id, goesAt: { [Op.lte]: now } } });
      if (!account) continue;
      const households = await solelyKept(ground, account.id);
      await Session.destroy({ where: { accountId: account.id } });
      // The account goes last: what is cut off in the middle is taken up again.
      for (const { id } of households) await removeHousehold(database, id);
      await inTransaction(database, async (transaction) => {
        const taking = households.map(({ name }) => name);
        await tellByMail(ground, account, { news: 'gone', facts: { taking } }, transaction);
        // Elsewhere their name stays with what they did.
        await Person.update({ goneAt: now, accountId: null }, { where: { accountId: account.id }, transaction });
        await account.destroy({ transaction });
      });
      queue.kick();
    }
  });
}
