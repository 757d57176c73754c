import { Op, type Transaction } from 'sequelize';
import type { Database } from '../../database/connect';

type Ground = Pick<Database, 'models'>;
/** Which sign-ins of an account: one by its id, all but one by its hash, or all. */
type Which = { id: string; but: string } | { but: string } | 'all';

/** Ends sign-ins of an account. Where somebody was signed in nothing is told any more. @returns how many there were */
export async function endSignIns(
  { models }: Ground,
  accountId: string,
  which: Which,
  transaction?: Transaction,
): Promise<number> {
  const others = which === 'all' ? {} : { sid: { [Op.ne]: which.but } };
  const one = which !== 'all' && 'id' in which ? { id: which.id } : {};
  const where = { accountId, ...others, ...one };
  const told =
    which !== 'all' && 'id' in which
      ? { sid: (await models.Session.findAll({ where, raw: true, transaction })).map(({ sid }) => sid) }
      : others;
  await models.PushDevice.destroy({ where: { accountId, ...told }, transaction });
  return models.Session.destroy({ where, transaction });
}

/** Somebody signed out: this device is told nothing any more. */
export async function tellNoMore({ models }: Ground, accountId: string, sid: string): Promise<void> {
  await models.PushDevice.destroy({ where: { accountId, sid } });
}

/** A sign-in goes on under another id, as when another household is opened: what is told on its device goes on with it. */
export async function goOnAs({ models }: Ground, accountId: string, before: string, now: string): Promise<void> {
  await models.PushDevice.update({ sid: now }, { where: { accountId, sid: before } });
}
