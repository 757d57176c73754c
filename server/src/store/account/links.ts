import { randomUUID } from 'node:crypto';
import { Op, type Transaction } from 'sequelize';
import type { Database } from '../../database/connect';
import type { AccountLinkRow } from '../../database/account-models';
import { idOfKey, keyOf } from '../private-address';

export type LinkKind = 'reset' | 'confirm-old' | 'confirm-new';

/** Pages that links in mail lead to; the key stands behind the #, which browsers send to nobody. */
const PAGES: Readonly<Record<LinkKind, string>> = {
  reset: '/reset',
  'confirm-old': '/confirm',
  'confirm-new': '/confirm',
};

/** The address of a link. @param publicUrl where people reach Tembrin */
export function addressOf(kind: LinkKind, id: string, { publicUrl, secret }: { publicUrl: string; secret: string }) {
  return new URL(`${PAGES[kind]}#${kind}.${keyOf(kind, id, secret)}`, publicUrl).href;
}

/** Makes a link; those of the kind that were made before are good for nothing any more. */
export async function makeLink(
  { models }: Pick<Database, 'models'>,
  accountId: string,
  kind: LinkKind,
  { lastsMs, address = null }: { lastsMs: number; address?: string | null },
  transaction: Transaction,
): Promise<string> {
  const madeAt = new Date();
  await models.AccountLink.destroy({ where: { accountId, kind }, transaction });
  const { id } = await models.AccountLink.create(
    {
      id: randomUUID(),
      accountId,
      kind,
      address,
      madeAt,
      expiresAt: new Date(madeAt.getTime() + lastsMs),
      usedAt: null,
    },
    { transaction },
  );
  return id;
}

/**
 * The link that a key stands for, while it is good: not past, not used, not replaced.
 * @param kinds those it may be of
 */
export async function linkAt(
  { models }: Pick<Database, 'models'>,
  key: string,
  kinds: readonly LinkKind[],
  secret: string,
  transaction: Transaction,
): Promise<AccountLinkRow | null> {
  const kind = kinds.find((each) => key.startsWith(`${each}.`));
  const id = kind && idOfKey(kind, key.slice(kind.length + 1), secret);
  if (!kind || !id) return null;
  return models.AccountLink.findOne({
    where: { id, kind, usedAt: null, expiresAt: { [Op.gt]: new Date() } },
    transaction,
    lock: transaction.LOCK.UPDATE,
  });
}
