import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
} from '@simplewebauthn/server';
import type { newPasskeySchema, usedPasskeySchema } from '@tembrin/contract';
import { isoUint8Array } from '@simplewebauthn/server/helpers';
import { MINUTE_MS, SECOND_MS } from '@tembrin/core';
import { QueryTypes, UniqueConstraintError } from 'sequelize';
import { v7 as uuid } from 'uuid';
import type * as z from 'zod';
import type { AccountRow } from '../../database/account-models';
import { inTransaction } from '../../database/transaction';
import { hashed } from '../hashed';
import { fail } from '../../problems/problems';
import { openedLast, type Identity } from '../accounts';
import type { AccountGround } from './ground';
import { tellByMail } from './news';
import { putDown } from './record';

/** Passkeys of one account. From memory: more than anybody has devices. */
const MOST = 20;
/** What a browser was asked with is good for so long. */
export const ASKED_MS = 5 * MINUTE_MS;

/** What a browser was asked with, kept in its session until it answers. */
export interface Asked {
  challenge: string;
  at: number;
  what: 'make' | 'use';
}

type Made = z.output<typeof newPasskeySchema>;
type Used = z.output<typeof usedPasskeySchema>;

const origin = ({ publicUrl }: AccountGround) => new URL(publicUrl).origin;
const name = ({ publicUrl }: AccountGround) => new URL(publicUrl).hostname;

const NOT_HERE = 'That took too long, or was answered elsewhere. Try it again.';

/**
 * What a browser was asked with, once: whoever answers first has it, in whatever process.
 * @throws ProblemError 422 where it was not asked, too long ago, or answered already
 */
async function takeChallenge(
  { sequelize }: AccountGround['database'],
  asked: Asked | undefined,
  what: Asked['what'],
): Promise<string> {
  if (!asked || asked.what !== what || Date.now() - asked.at > ASKED_MS) fail(422, 'passkey-stale', NOT_HERE);
  const replacements = { name: `asked ${hashed(asked.challenge)}`, keptS: (2 * ASKED_MS) / SECOND_MS };
  const [, taken] = await sequelize.query(
    'INSERT IGNORE INTO limits (name, hits, until) VALUES (:name, 0, UTC_TIMESTAMP(3) + INTERVAL :keptS SECOND)',
    { replacements, type: QueryTypes.INSERT },
  );
  if (taken === 0) fail(422, 'passkey-stale', NOT_HERE);
  return asked.challenge;
}

/** What a browser is asked with to make a passkey. */
export async function askToMake(ground: AccountGround, account: AccountRow) {
  const there = await ground.database.models.Passkey.findAll({ where: { accountId: account.id }, raw: true });
  if (there.length >= MOST) fail(422, 'too-many', `An account has at most ${MOST} passkeys. Remove one first.`);
  return generateRegistrationOptions({
    rpName: 'Tembrin',
    rpID: name(ground),
    userName: account.email,
    userID: isoUint8Array.fromUTF8String(account.id),
    excludeCredentials: there.map(({ credential }) => ({ id: credential })),
    // It is used without typing an address first, and by who unlocks the device.
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
  });
}

/** Adds a passkey that a browser made. @throws ProblemError 422 where it is not one made here and now */
export async function addPasskey(
  ground: AccountGround,
  account: AccountRow,
  asked: Asked | undefined,
  { name: called, made }: Made,
): Promise<void> {
  const expectedChallenge = await takeChallenge(ground.database, asked, 'make');
  const outcome = await verifyRegistrationResponse({
    response: made as never,
    expectedChallenge,
    expectedOrigin: origin(ground),
    expectedRPID: name(ground),
  }).catch(() => null);
  if (!outcome?.verified)
    fail(422, 'passkey-refused', 'That passkey was not made for this page. Reload the page, then try again.');
  const { credential } = outcome.registrationInfo;
  const { database, queue } = ground;
  try {
    await inTransaction(database, async (transaction) => {
      await database.models.Passkey.create(
        {
          hash: hashed(credential.id),
          accountId: account.id,
          id: uuid(),
          credential: credential.id,
          publicKey: Buffer.from(credential.publicKey).toString('base64url'),
          counter: credential.counter,
          transports: JSON.stringify(credential.transports ?? []).slice(0, 120),
          name: called,
          addedAt: new Date(),
          usedAt: null,
        },
        { transaction },
      );
      await putDown(database, account.id, 'passkey-added', called, transaction);
      await tellByMail(
        ground,
        account,
        { news: 'passkey-added', facts: { name: called, at: Date.now() } },
        transaction,
      );
    });
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
    fail(409, 'passkey-there', 'That passkey is there already.');
  }
  queue.kick();
}

/** Removes a passkey. @throws ProblemError 404 */
export async function removePasskey(ground: AccountGround, account: AccountRow, id: string): Promise<void> {
  const { database, queue } = ground;
  await inTransaction(database, async (transaction) => {
    const row = await database.models.Passkey.findOne({ where: { accountId: account.id, id }, transaction });
    if (!row) fail(404, 'no-such-passkey', 'There is no such passkey any more.');
    await row.destroy({ transaction });
    await putDown(database, account.id, 'passkey-removed', row.name, transaction);
    await tellByMail(
      ground,
      account,
      { news: 'passkey-removed', facts: { name: row.name, at: Date.now() } },
      transaction,
    );
  });
  queue.kick();
}

/** What a browser is asked with to sign in: whichever passkey its owner picks. */
export const askToUse = (ground: AccountGround) =>
  generateAuthenticationOptions({ rpID: name(ground), userVerification: 'required' });

/**
 * Who a passkey signs in.
 * @throws ProblemError 401, the same whether the passkey is unknown or its answer is wrong
 */
export async function checkPasskey(ground: AccountGround, asked: Asked | undefined, { used }: Used): Promise<Identity> {
  const expectedChallenge = await takeChallenge(ground.database, asked, 'use');
  const { models } = ground.database;
  const row = await models.Passkey.findOne({ where: { hash: hashed(used.id) } });
  const outcome =
    row &&
    (await verifyAuthenticationResponse({
      response: used as never,
      expectedChallenge,
      expectedOrigin: origin(ground),
      expectedRPID: name(ground),
      credential: {
        id: row.credential,
        publicKey: new Uint8Array(Buffer.from(row.publicKey, 'base64url')),
        counter: Number(row.counter),
      },
    }).catch(() => null));
  const account = row && (await models.Account.findOne({ where: { id: row.accountId } }));
  if (!row || !outcome?.verified || !account)
    fail(401, 'wrong-credentials', 'That passkey signs nobody in here. Use another, or the address and password.');
  await row.update({ counter: outcome.authenticationInfo.newCounter, usedAt: new Date() });
  return openedLast(ground.database, account);
}
