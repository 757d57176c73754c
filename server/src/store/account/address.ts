import { Op, UniqueConstraintError, type Transaction } from 'sequelize';
import type { AccountRow } from '../../database/account-models';
import { inTransaction } from '../../database/transaction';
import { CONFIRM_MS } from '../../mail/account-letters';
import { fail } from '../../problems/problems';
import { ADDRESS_TAKEN } from '../accounts';
import { LINK_PAST } from './forgotten';
import type { AccountGround } from './ground';
import { linkAt, makeLink } from './links';
import { tellByMail } from './news';
import { putDown } from './record';

const BOTH = ['confirm-old', 'confirm-new'] as const;

/**
 * Asks for another address: a link goes to both, and both have to be followed.
 * Whether the other has an account already is told to nobody but who reads its mail.
 */
export async function askForAddress(ground: AccountGround, account: AccountRow, email: string): Promise<void> {
  const { database, queue } = ground;
  await inTransaction(database, async (transaction) => {
    const link = { lastsMs: CONFIRM_MS, address: email };
    const [atOld, atNew] = [
      await makeLink(database, account.id, 'confirm-old', link, transaction),
      await makeLink(database, account.id, 'confirm-new', link, transaction),
    ];
    await tellByMail(ground, account, { news: 'confirm-old', facts: { to: email }, linkId: atOld }, transaction);
    await tellByMail(
      ground,
      account,
      { news: 'confirm-new', facts: { from: account.email }, linkId: atNew, to: email },
      transaction,
    );
    await putDown(database, account.id, 'address-asked', email, transaction);
  });
  queue.kick();
}

/** Gives a change of address up. */
export async function keepAddress({ database }: AccountGround, accountId: string): Promise<void> {
  await database.models.AccountLink.destroy({ where: { accountId, kind: { [Op.in]: [...BOTH] } } });
}

/** The change of address that is under way. */
export async function changeUnderWay({ database: { models } }: AccountGround, accountId: string) {
  const links = await models.AccountLink.findAll({
    where: { accountId, kind: { [Op.in]: [...BOTH] }, expiresAt: { [Op.gt]: new Date() } },
  });
  const [old, fresh] = BOTH.map((kind) => links.find((link) => link.kind === kind));
  if (!old || !fresh || fresh.address === null) return null;
  return {
    email: fresh.address,
    atOld: old.usedAt !== null,
    atNew: fresh.usedAt !== null,
    until: fresh.expiresAt.toISOString(),
  };
}

/**
 * Confirms a change at one of the two addresses; at the second, it is made.
 * @throws ProblemError 404 where the link is good for nothing, 409 where another account has the address meanwhile
 */
export async function confirmAddress(
  ground: AccountGround,
  key: string,
): Promise<{ outcome: 'changed' | 'other-asked'; email: string }> {
  const { database, queue, secret } = ground;
  const { models } = database;
  try {
    const outcome = await inTransaction(database, async (transaction) => {
      const link = await linkAt(database, key, BOTH, secret, transaction);
      // One at a time: of two that come at the same moment the second has to see that the first was there.
      const lock = transaction.LOCK.UPDATE;
      const account = link && (await models.Account.findOne({ where: { id: link.accountId }, transaction, lock }));
      if (!link || !account || link.address === null) return fail(404, 'link-past', LINK_PAST);
      const kind = link.kind === 'confirm-old' ? 'confirm-new' : 'confirm-old';
      const other = await models.AccountLink.findOne({ where: { accountId: account.id, kind }, transaction });
      await link.update({ usedAt: new Date() }, { transaction });
      if (!other?.usedAt) return { outcome: 'other-asked' as const, email: link.address };
      await changeNow(ground, account, link.address, transaction);
      return { outcome: 'changed' as const, email: link.address };
    });
    queue.kick();
    return outcome;
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
    return fail(409, 'address-taken', ADDRESS_TAKEN);
  }
}

async function changeNow(
  ground: AccountGround,
  account: AccountRow,
  email: string,
  transaction: Transaction,
): Promise<void> {
  const { database } = ground;
  const before = account.email;
  await account.update({ email, deadSince: null }, { transaction });
  // Links to the address before lead nowhere now.
  await database.models.AccountLink.destroy({ where: { accountId: account.id }, transaction });
  await putDown(database, account.id, 'address-changed', email, transaction);
  for (const to of [before, email])
    await tellByMail(
      ground,
      account,
      { news: 'address-changed', facts: { to: email, at: Date.now() }, to },
      transaction,
    );
}
