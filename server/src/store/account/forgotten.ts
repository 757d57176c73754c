import { Op } from 'sequelize';
import { inTransaction } from '../../database/transaction';
import { RESET_MS } from '../../mail/account-letters';
import { fail } from '../../problems/problems';
import { endSignIns } from './ended';
import type { AccountGround } from './ground';
import { linkAt, makeLink } from './links';
import { tellByMail } from './news';
import { checkStrength, hashPassword } from './passwords';
import { putDown } from './record';

export const LINK_PAST =
  'This link is good for nothing any more: it was used, is too old, or a newer one was sent. Ask for another.';

/**
 * Sends a link with which a forgotten password is replaced, where the address has an account. Done as a job, so that who asked learns
 * nothing of it, not by the time it takes either.
 */
export async function sendReset(ground: AccountGround, email: string): Promise<void> {
  const { database, queue } = ground;
  const account = await database.models.Account.findOne({ where: { email } });
  if (!account) return;
  await inTransaction(database, async (transaction) => {
    const linkId = await makeLink(database, account.id, 'reset', { lastsMs: RESET_MS }, transaction);
    await putDown(database, account.id, 'reset-asked', null, transaction);
    await tellByMail(ground, account, { news: 'reset', facts: {}, linkId }, transaction);
  });
  queue.kick();
}

/**
 * Replaces a forgotten password. Whoever is signed in to the account anywhere is signed out, and its passkeys are removed.
 * @throws ProblemError 404 where the link is good for nothing, 422 where the password is easily guessed
 */
export async function resetPassword(ground: AccountGround, key: string, password: string): Promise<void> {
  const { database, queue, secret } = ground;
  const { models } = database;
  // Looked at before the link is used up: a weak one can be chosen anew.
  const email = await inTransaction(database, async (transaction) => {
    const link = await linkAt(database, key, ['reset'], secret, transaction);
    const account = link && (await models.Account.findOne({ where: { id: link.accountId }, transaction }));
    return account?.email ?? null;
  });
  if (email === null) fail(404, 'link-past', LINK_PAST);
  checkStrength(password, email, 'password');
  const passwordHash = await hashPassword(password);
  await inTransaction(database, async (transaction) => {
    const link = await linkAt(database, key, ['reset'], secret, transaction);
    const account = link && (await models.Account.findOne({ where: { id: link.accountId }, transaction }));
    if (!link || !account) fail(404, 'link-past', LINK_PAST);
    await link.update({ usedAt: new Date() }, { transaction });
    // A change of address somebody asked for meanwhile is off: who asked may not have been the owner.
    await models.AccountLink.destroy({
      where: { accountId: account.id, kind: { [Op.in]: ['confirm-old', 'confirm-new'] } },
      transaction,
    });
    await account.update({ passwordHash, deadSince: null }, { transaction });
    await endSignIns(database, account.id, 'all', transaction);
    // Whoever got in before may have added one of their own.
    const passkeys = await models.Passkey.destroy({ where: { accountId: account.id }, transaction });
    await putDown(database, account.id, 'password-reset', null, transaction);
    await tellByMail(ground, account, { news: 'password-reset', facts: { at: Date.now(), passkeys } }, transaction);
  });
  queue.kick();
}
