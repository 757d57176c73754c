import type { Account, AccountDeed } from '@tembrin/contract';
import { Op } from 'sequelize';
import type { AccountRow } from '../../database/account-models';
import { inTransaction } from '../../database/transaction';
import { fail } from '../../problems/problems';
import { askForAddress, changeUnderWay, keepAddress } from './address';
import { endSignIns } from './ended';
import type { AccountGround } from './ground';
import { leaveForGood, solelyKept, stayAfterAll } from './leaving';
import { memberships } from './memberships';
import { tellByMail } from './news';
import { checkStrength, hashPassword, isPassword } from './passwords';
import { putDown, putDownRefusal } from './record';
import { IDLE_MS, LONGEST_MS } from './sign-ins';

/** Deeds told of the account. */
const TOLD = 60;

/**
 * One account, as who is signed in to it looks after it: the only way to what belongs to it.
 * @param sid hash of the sign-in that asks
 * @param householdId the household that is open in it
 */
export class AccountScope {
  constructor(
    readonly ground: AccountGround,
    readonly id: string,
    readonly sid: string,
    readonly householdId: string,
  ) {}

  private get models() {
    return this.ground.database.models;
  }

  async row(): Promise<AccountRow> {
    const row = await this.models.Account.findOne({ where: { id: this.id } });
    return row ?? fail(401, 'signed-out', 'You are no longer signed in. Sign in again.');
  }

  async account(): Promise<Account> {
    const where = { accountId: this.id };
    const { Session, Passkey, AccountRecord } = this.models;
    const [row, signIns, passkeys, record, change] = await Promise.all([
      this.row(),
      Session.findAll({
        where: {
          ...where,
          id: { [Op.ne]: null },
          expires: { [Op.gt]: new Date() },
          createdAt: { [Op.gt]: new Date(Date.now() - LONGEST_MS) },
        },
        order: [['createdAt', 'DESC']],
        raw: true,
      }),
      Passkey.findAll({ where, order: [['addedAt', 'ASC']], raw: true }),
      AccountRecord.findAll({ where, order: [['no', 'DESC']], limit: TOLD, raw: true }),
      changeUnderWay(this.ground, this.id),
    ]);
    return {
      email: row.email,
      deadSince: row.deadSince?.toISOString() ?? null,
      change,
      signIns: signIns.map(({ id, sid, device, createdAt, expires }) => ({
        id: id!,
        device,
        since: createdAt.toISOString(),
        seen: new Date(expires.getTime() - IDLE_MS).toISOString(),
        here: sid === this.sid,
      })),
      passkeys: passkeys.map(({ id, name, addedAt, usedAt }) => ({
        id,
        name,
        addedAt: addedAt.toISOString(),
        usedAt: usedAt?.toISOString() ?? null,
      })),
      record: record.map(({ at, kind, detail }) => ({ at: at.toISOString(), deed: kind as AccountDeed, detail })),
      goesAt: row.goesAt?.toISOString() ?? null,
      households: await memberships(this.ground, this.id, this.householdId),
      taking: (await solelyKept(this.ground, this.id)).map(({ name }) => name),
      mail: this.ground.mail,
      passkeysAt: new URL(this.ground.publicUrl).hostname,
    };
  }

  /** The account, once its owner has shown to know the password. @throws ProblemError 422 beside the field */
  async shown(password: string): Promise<AccountRow> {
    const row = await this.row();
    if (await isPassword(row.passwordHash, password)) return row;
    await putDownRefusal(this.ground.database, row.id);
    const detail = 'That is not the password of this account.';
    return fail(422, 'wrong-password', detail, { password: detail });
  }

  /** Changes the password; whoever is signed in elsewhere is signed out. @throws ProblemError 422 */
  async changePassword(password: string, next: string): Promise<void> {
    const row = await this.shown(password);
    checkStrength(next, row.email, 'next');
    const passwordHash = await hashPassword(next);
    const { database, queue } = this.ground;
    await inTransaction(database, async (transaction) => {
      await row.update({ passwordHash }, { transaction });
      await endSignIns(database, this.id, { but: this.sid }, transaction);
      await this.models.AccountLink.destroy({ where: { accountId: this.id, kind: 'reset' }, transaction });
      await putDown(database, this.id, 'password-changed', null, transaction);
      await tellByMail(this.ground, row, { news: 'password-changed', facts: { at: Date.now() } }, transaction);
    });
    queue.kick();
  }

  /** @throws ProblemError 422, 503 where no mail is sent */
  async changeAddress(password: string, email: string): Promise<void> {
    if (!this.ground.mail) noMail();
    const row = await this.shown(password);
    if (email === row.email) {
      const detail = 'That is the address the account has.';
      fail(422, 'invalid', detail, { email: detail });
    }
    await askForAddress(this.ground, row, email);
  }

  keepAddress(): Promise<void> {
    return keepAddress(this.ground, this.id);
  }

  /** Signs out somewhere else. @throws ProblemError 404 */
  async endSignIn(id: string): Promise<void> {
    const gone = await endSignIns(this.ground.database, this.id, { id, but: this.sid });
    if (gone === 0) fail(404, 'no-such-sign-in', 'Nobody is signed in there any more.');
    await putDown(this.ground.database, this.id, 'signed-out-elsewhere');
  }

  async endOtherSignIns(): Promise<void> {
    const gone = await endSignIns(this.ground.database, this.id, { but: this.sid });
    if (gone > 0) await putDown(this.ground.database, this.id, 'signed-out-elsewhere', String(gone));
  }

  async leaveForGood(password: string): Promise<void> {
    await leaveForGood(this.ground, await this.shown(password));
  }

  async stayAfterAll(): Promise<void> {
    await stayAfterAll(this.ground, await this.row());
  }
}

/** Said where no mail is sent. @throws ProblemError 503 */
export function noMail(): never {
  return fail(503, 'no-mail', 'This Tembrin sends no mail, so no link can be sent. Whoever runs it sets SMTP_URL.');
}
