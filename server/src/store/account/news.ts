import type { Transaction } from 'sequelize';
import type { AccountRow } from '../../database/account-models';
import type { AccountLetterJob } from '../../queue/jobs';
import type { AccountGround } from './ground';

type Rest<T> = T extends unknown ? Omit<T, 'accountId' | 'to' | 'timeZone'> & { to?: string } : never;

/**
 * Has a letter about an account sent, as part of a transaction; `queue.kick` once that is done. Where no mail is sent, nothing happens.
 * @param letter what it tells; `to` where it goes to another address than the account's
 */
export async function tellByMail(
  { database, queue, mail }: Pick<AccountGround, 'database' | 'queue' | 'mail'>,
  account: Pick<AccountRow, 'id' | 'email' | 'householdId'>,
  letter: Rest<AccountLetterJob>,
  transaction: Transaction,
): Promise<void> {
  if (!mail) return;
  const household = await database.models.Household.findOne({
    where: { id: account.householdId },
    attributes: ['timeZone'],
    raw: true,
    transaction,
  });
  const whose = { accountId: account.id, to: account.email, timeZone: household?.timeZone ?? 'UTC' };
  await queue.add('account-letter', { ...whose, ...letter } as AccountLetterJob, { transaction });
}
