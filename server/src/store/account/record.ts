import type { AccountDeed } from '@tembrin/contract';
import { HOUR_MS } from '@tembrin/core';
import { Op, type Transaction } from 'sequelize';
import type { Database } from '../../database/connect';

/** Deeds that are kept of one account; the oldest go. */
const KEPT = 200;

type Known = Pick<Database, 'models'>;

/** Puts down what was done to an account. @param detail what more its owner wants to know, at most 254 characters */
export async function putDown(
  { models }: Known,
  accountId: string,
  kind: AccountDeed,
  detail: string | null = null,
  transaction?: Transaction,
): Promise<void> {
  const { AccountRecord } = models;
  const row = { no: null, accountId, at: new Date(), kind, detail: detail?.slice(0, 254) ?? null };
  await AccountRecord.create(row, { transaction });
  const oldest = await AccountRecord.findOne({
    where: { accountId },
    order: [['no', 'DESC']],
    offset: KEPT,
    attributes: ['no'],
    raw: true,
    transaction,
  });
  if (oldest) await AccountRecord.destroy({ where: { accountId, no: { [Op.lte]: oldest.no! } }, transaction });
}

/** Puts down that somebody tried a wrong password: once an hour, so that who tries much does not push the rest out. */
export async function putDownRefusal(known: Known, accountId: string): Promise<void> {
  const at = { [Op.gt]: new Date(Date.now() - HOUR_MS) };
  const told = await known.models.AccountRecord.count({ where: { accountId, kind: 'sign-in-refused', at } });
  if (told === 0) await putDown(known, accountId, 'sign-in-refused');
}
