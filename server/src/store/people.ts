import { randomUUID } from 'node:crypto';
import type { Invitation, Invited, NewPerson, Person as PersonSeen, PersonChange, WaysChange } from '@tembrin/contract';
import { DAY_MS, leavesNoKeeper, mayRecordFor, type Role } from '@tembrin/core';
import { Op, type Transaction } from 'sequelize';
import type { Database } from '../database/connect';
import type { InvitationRow, PersonRow } from '../database/people-models';
import type { HouseholdRow } from '../database/models';
import { inTransaction } from '../database/transaction';
import { CHANGED, fail } from '../problems/problems';
import { checkQuota } from '../problems/quota';
import type { AccountGround } from './account/ground';
import type { Identity } from './accounts';
import { idOfKey, keyOf } from './private-address';
import { personOf } from './actor';
import { personSeen } from './rows';
import type { HouseholdScope } from './scope';

/** An invitation is good for so long. */
const INVITED_MS = 7 * DAY_MS;

/** Address of the page an invitation opens; its key stands behind the #, which browsers send to nobody. */
export const invitationPath = (id: string, secret: string) => `/join#${keyOf('invitation', id, secret)}`;

const PAST =
  'This invitation is good for nothing any more: it was accepted, taken back, or is too old. Ask for another.';
const NO_KEEPER =
  'Somebody has to keep the household. Make another person keeper first; to give it up for good, remove the account.';

/** The people of a household. */
export class PeopleScope {
  constructor(
    private readonly ground: AccountGround,
    private readonly scope: HouseholdScope,
  ) {}

  private get models(): Database['models'] {
    return this.ground.database.models;
  }

  private seen(row: PersonRow): PersonSeen {
    return personSeen(row, this.scope.actor.person?.id ?? null);
  }

  /** Adds a person. The same id again is answered with what stands there. */
  add({ id, schools, hands, ...facts }: NewPerson): Promise<PersonSeen> {
    return this.scope.alone(async (transaction) => {
      const there = await this.models.Person.findOne({ where: this.scope.where({ id }), transaction });
      if (there) return this.seen(there);
      checkQuota('people', await this.models.Person.count({ where: this.scope.where({}), transaction }));
      await this.checkInstruments(facts, transaction);
      const row = await this.models.Person.create(
        this.scope.where({
          id,
          ...columnsOf(facts),
          ways: waysText({ schools, hands }),
          accountId: null,
          addedAt: new Date(),
          version: 1,
        }),
        { transaction },
      );
      return this.seen(row);
    });
  }

  /** @throws ProblemError 404, 412, 409 where nobody would keep the household */
  change(id: string, version: number, facts: PersonChange): Promise<PersonSeen> {
    return this.scope.alone(async (transaction, household) => {
      const row = await this.rowAt(id, version, transaction);
      await this.checkInstruments(facts, transaction);
      if (facts.role !== 'keeper') {
        await this.checkKept(id, transaction);
        await this.endKeeping(row, household, transaction);
      }
      await row.update({ ...columnsOf(facts), version: version + 1 }, { transaction });
      return this.seen(row);
    });
  }

  /**
   * Says how somebody goes about it: of themselves, or by who may put on record for them.
   * @throws ProblemError 404, 412, 403
   */
  changeWays(id: string, version: number, ways: WaysChange): Promise<PersonSeen> {
    return this.scope.alone(async (transaction) => {
      const row = await this.rowAt(id, version, transaction);
      const actor = this.scope.actor.person;
      if (actor && !mayRecordFor(actor, personOf(row)))
        fail(403, 'not-yours', 'Their ways are theirs to say, or those who keep the household.');
      await row.update({ ways: waysText(ways), version: version + 1 }, { transaction });
      return this.seen(row);
    });
  }

  /** Takes a person out: their sign-ins show this household no more, and their name stays with what they did. */
  async remove(id: string, version: number): Promise<void> {
    await this.scope.alone(async (transaction, household) => {
      const row = await this.rowAt(id, version, transaction);
      await this.checkKept(id, transaction);
      await this.endKeeping(row, household, transaction);
      await this.takeOut(row, transaction);
    });
  }

  /** Who asks leaves. @throws ProblemError 409 where nobody would keep the household */
  async leave(): Promise<void> {
    const { person } = this.scope.actor;
    if (!person) return fail(403, 'no-account', 'The demo library has no people who could leave it.');
    await this.scope.alone(async (transaction, household) => {
      const row = await this.models.Person.findOne({ where: this.scope.where({ id: person.id }), transaction });
      await this.checkKept(person.id, transaction);
      if (!row) return;
      await this.endKeeping(row, household, transaction);
      await this.takeOut(row, transaction);
    });
  }

  /**
   * Where a keeper who signs in is one no longer: whatever keys to the household they could read end with it. These are open invitations,
   * offers nobody completed, and the household's calendar address.
   */
  private async endKeeping(row: PersonRow, household: HouseholdRow, transaction: Transaction): Promise<void> {
    if (row.role !== 'keeper' || row.accountId === null) return;
    await this.models.Invitation.destroy({ where: this.scope.where({}), transaction });
    await this.models.Handover.destroy({ where: this.scope.where({ doneAt: null }), transaction });
    await household.update({ calendarId: null }, { transaction });
  }

  private async takeOut(row: PersonRow, transaction: Transaction): Promise<void> {
    await row.update(
      { goneAt: new Date(), accountId: null, calendarId: null, version: row.version + 1 },
      { transaction },
    );
    await this.models.Invitation.destroy({ where: this.scope.where({ personId: row.id }), transaction });
  }

  /** Somebody who signs in keeps the household, without one person. @throws ProblemError 409 */
  private async checkKept(without: string, transaction: Transaction): Promise<void> {
    const rest = await this.models.Person.findAll({
      where: this.scope.where({ id: { [Op.ne]: without }, goneAt: null, accountId: { [Op.ne]: null } }),
      transaction,
      raw: true,
    });
    const row = await this.models.Person.findOne({ where: this.scope.where({ id: without }), transaction, raw: true });
    if (row?.role !== 'keeper' || row.accountId === null) return;
    if (leavesNoKeeper(rest.map(({ role }) => ({ role: role as Role })))) fail(409, 'last-keeper', NO_KEEPER);
  }

  private async checkInstruments({ plays, looksAfter }: PersonChange, transaction: Transaction): Promise<void> {
    const there = await this.scope.instrumentRows(transaction);
    if ([...plays, ...looksAfter].every((id) => there.has(id))) return;
    const detail = 'One of these instruments is not in your household. It may have been removed.';
    fail(422, 'no-such-instrument', detail, { plays: detail });
  }

  private async rowAt(id: string, version: number, transaction: Transaction): Promise<PersonRow> {
    const row = await this.models.Person.findOne({ where: this.scope.where({ id, goneAt: null }), transaction });
    if (!row) fail(404, 'no-such-person', 'There is no such person here. They may have been taken out.');
    if (row.version !== version) fail(412, 'changed-meanwhile', CHANGED);
    return row;
  }

  async invitations(): Promise<Invitation[]> {
    const rows = await this.models.Invitation.findAll({
      where: this.scope.where({ expiresAt: { [Op.gt]: new Date() } }),
      order: ['madeAt', 'id'],
      raw: true,
    });
    return rows.map((row) => this.invitationOf(row));
  }

  private invitationOf({ id, personId, email, expiresAt }: InvitationRow): Invitation {
    return { id, personId, email, path: invitationPath(id, this.ground.secret), until: expiresAt.toISOString() };
  }

  /**
   * Invites somebody to be a person of the household; one that was sent to them before is good for nothing then.
   * @throws ProblemError 404, 409 for who is here already, 503 where it is to be sent and no mail is
   */
  async invite(personId: string, email: string | null): Promise<Invitation> {
    const { queue, mail } = this.ground;
    if (email !== null && !mail)
      fail(503, 'no-mail', 'This Tembrin sends no mail. Make a link, and hand it over yourself.');
    const made = await this.scope.alone(async (transaction, household) => {
      // Anybody opens a copy of it: it would send letters to anybody for them.
      if (household.demo) fail(403, 'demo', 'From the demo library nobody is invited. Start your own to do so.');
      const where = this.scope.where({ id: personId, goneAt: null });
      const person = await this.models.Person.findOne({ where, transaction });
      if (!person) return fail(404, 'no-such-person', 'There is no such person here. They may have been taken out.');
      if (person.accountId !== null) fail(409, 'here-already', `${person.name} signs in here already.`);
      await this.models.Invitation.destroy({ where: this.scope.where({ personId }), transaction });
      const madeAt = new Date();
      const row = await this.models.Invitation.create(
        this.scope.where({
          id: randomUUID(),
          personId,
          email,
          madeAt,
          expiresAt: new Date(madeAt.getTime() + INVITED_MS),
        }),
        { transaction },
      );
      if (email !== null)
        await queue.add(
          'account-letter',
          {
            news: 'invited',
            accountId: null,
            to: email,
            timeZone: household.timeZone,
            facts: { household: household.name, person: person.name, until: row.expiresAt.getTime() },
            linkId: row.id,
            householdId: household.id,
          },
          { transaction },
        );
      return this.invitationOf(row);
    });
    queue.kick();
    return made;
  }

  /** @throws ProblemError 404 */
  async revoke(id: string): Promise<void> {
    const gone = await this.models.Invitation.destroy({ where: this.scope.where({ id }) });
    if (gone === 0) fail(404, 'no-such-invitation', 'There is no such invitation any more.');
  }
}

const columnsOf = ({ name, role, plays, looksAfter }: PersonChange) => ({
  name,
  role,
  plays: JSON.stringify([...new Set(plays)]),
  looksAfter: JSON.stringify([...new Set(looksAfter)]),
});

/** Ways as they are kept; what was not said is left out. */
export const waysText = ({ schools, hands }: WaysChange) =>
  JSON.stringify({ ...(schools && Object.keys(schools).length > 0 && { schools }), ...(hands && { hands }) });

/** The invitation that a key stands for, while it is good, with its person and household. */
async function invitationAt({ database: { models }, secret }: AccountGround, key: string, transaction?: Transaction) {
  const id = idOfKey('invitation', key, secret);
  const row =
    id === null
      ? null
      : await models.Invitation.findOne({ where: { id, expiresAt: { [Op.gt]: new Date() } }, transaction });
  if (!row) return fail(404, 'invitation-past', PAST);
  const { householdId, personId } = row;
  const person = await models.Person.findOne({ where: { householdId, id: personId, goneAt: null }, transaction });
  const household = await models.Household.findOne({ where: { id: householdId }, transaction });
  if (!person || !household) return fail(404, 'invitation-past', PAST);
  return { row, person, household };
}

/** What an invitation is to. @throws ProblemError 404 */
export async function lookAtInvitation(ground: AccountGround, key: string): Promise<Invited> {
  const { row, person, household } = await invitationAt(ground, key);
  return {
    household: household.name,
    person: person.name,
    role: person.role as Role,
    until: row.expiresAt.toISOString(),
  };
}

/**
 * Accepts an invitation for an account: once.
 * @returns the household, to be opened
 * @throws ProblemError 404, 409 for who belongs to the household already
 */
export function acceptInvitation(ground: AccountGround, accountId: string, key: string): Promise<Identity> {
  const { database } = ground;
  return inTransaction(database, async (transaction) => {
    const { row, person, household } = await invitationAt(ground, key, transaction);
    const { Person, Invitation: Invitations, Account } = database.models;
    const mine = { householdId: household.id, accountId };
    const there = await Person.findOne({ where: mine, transaction });
    if (there) fail(409, 'here-already', `You belong to ${household.name} already, as ${there.name}.`);
    // Whoever takes the invitation away first has it: another that comes at the same time finds none.
    const taken = await Invitations.destroy({ where: { householdId: household.id, id: row.id }, transaction });
    if (taken === 0 || person.accountId !== null) fail(404, 'invitation-past', PAST);
    await person.update({ accountId, version: person.version + 1 }, { transaction });
    await Account.update({ householdId: household.id }, { where: { id: accountId }, transaction });
    return mine;
  });
}

/** Removes invitations that are past. */
export async function sweepInvitations({ models }: Pick<Database, 'models'>, now = new Date()): Promise<void> {
  await models.Invitation.destroy({ where: { expiresAt: { [Op.lt]: now } }, limit: 1000 });
}
