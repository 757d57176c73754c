import type {
  Household,
  HouseholdChange,
  Instrument,
  InstrumentChange,
  LogPage,
  NewInstrument,
} from '@tembrin/contract';
import { EVENTS_PER_PAGE } from '@tembrin/contract';
import { QUOTAS } from '@tembrin/contract/quotas';
import { withoutCosts, type LogEvent } from '@tembrin/core';
import { Op, type Transaction } from 'sequelize';
import type { Database } from '../database/connect';
import type { HouseholdRow, InstrumentRow } from '../database/models';
import { inTransaction } from '../database/transaction';
import { within } from '../database/within';
import { CHANGED, fail } from '../problems/problems';
import { checkQuota } from '../problems/quota';
import type { Identity } from './accounts';
import { roleOf, WHOLE, type Actor } from './actor';
import { hashed } from './hashed';
import { insertEvents, readEvents, type EventsAsked, type StoredEvent } from './event-rows';
import { householdOf, INSTRUMENT, instrumentColumns, instrumentOf, PERSON_SEEN } from './rows';
import type { HouseholdKept, InstrumentKept, PersonSeenKept } from './rows';

/** Ids that one query asks for. */
const IDS_AT_ONCE = 1000;
/** A demo copy is as old as its last change: the oldest goes first. */
const TAKE_TURN = `UPDATE households LEFT JOIN notice_rounds AS rounds ON rounds.householdId = households.id
  SET turn = turn + 1, openedAt = IF(demo AND openedAt IS NOT NULL, UTC_TIMESTAMP(3), openedAt),
    rounds.askedAt = COALESCE(rounds.askedAt, UTC_TIMESTAMP(3))
  WHERE households.id = ?`;

const GONE = ['signed-out', 'You are no longer signed in. Sign in again; what is on this device is kept.'] as const;
const HOUSEHOLD = `id, name, timeZone, schools, currency, calendarId, demo, openedAt, createdAt, version, turn, logNumber,
  logEpoch, base, baseNumber, calendarFrom`;
const ROW = `SELECT ${HOUSEHOLD} FROM households WHERE id = ?`;
/** With the address of whoever asks. */
const ROW_AND_EMAIL = `SELECT ${HOUSEHOLD}, (SELECT email FROM accounts WHERE accounts.id = ?) AS email FROM households WHERE id = ?`;
const INSTRUMENTS = `SELECT ${INSTRUMENT} FROM instruments WHERE householdId = ?`;

/** A household's row; @throws where it is gone */
function thereOf([row]: readonly HouseholdKept[]): HouseholdKept {
  return row ? { ...row, demo: Boolean(row.demo) } : fail(401, ...GONE);
}

/**
 * One household's view of the database: the only way to its rows. Every query made here carries the household's id,
 * so what belongs to another household is simply not there.
 */
export class HouseholdScope {
  constructor(
    private readonly database: Database,
    readonly identity: Identity,
    /** Who does it, and with which instruments; left out: the server itself, with all. */
    readonly actor: Actor = WHOLE,
  ) {}

  /** Whether an instrument is one of those with which it is done. */
  sees(instrumentId: string): boolean {
    return this.actor.only?.has(instrumentId) ?? true;
  }

  /** The same household without bounds, for what is looked up on behalf of all. */
  get unbounded(): HouseholdScope {
    return new HouseholdScope(this.database, this.identity);
  }

  /** Adds this household to a condition. */
  where<T>(condition: T): T & { householdId: string } {
    return { ...condition, householdId: this.identity.householdId };
  }

  /**
   * Runs work as one transaction in which this household's turn is counted up, and asks for it to be looked at for what there is to
   * tell its people, so that its changes happen one after another: on
   * one server by the lock on its row, on a cluster because of two such changes the later is refused, and tried again.
   * @param work may be carried out several times
   */
  alone<T>(
    work: (transaction: Transaction, household: HouseholdRow) => Promise<T>,
    pool: 'short' | 'long' = 'short',
  ): Promise<T> {
    return inTransaction(this.database, this.inTurn(work), pool);
  }

  /** Runs work as `alone` does, but once: work that cannot be carried out again. */
  aloneOnce<T>(work: (transaction: Transaction, household: HouseholdRow) => Promise<T>): Promise<T> {
    return this.database.long.transaction(this.inTurn(work));
  }

  /** Runs work as `alone` does, for what happens at every entry: the household's row is only read. */
  recording<T>(work: (transaction: Transaction, household: HouseholdKept) => Promise<T>): Promise<T> {
    return inTransaction(this.database, async (transaction) => {
      // Sent one after another without waiting in between: they are carried out in this order, and what follows a failure only reads.
      const [, household] = await Promise.all([
        within(transaction, TAKE_TURN, [this.identity.householdId]),
        this.rowWithin(transaction),
      ]);
      return work(transaction, household);
    });
  }

  private inTurn<T>(work: (transaction: Transaction, household: HouseholdRow) => Promise<T>) {
    return async (transaction: Transaction) => {
      await within(transaction, TAKE_TURN, [this.identity.householdId]);
      return work(transaction, await this.householdRow(transaction));
    };
  }

  /** Takes this household's turn too within a transaction that is another's. @returns its row */
  async joins(transaction: Transaction): Promise<HouseholdRow> {
    return this.inTurn((_transaction, household) => Promise.resolve(household))(transaction);
  }

  /** The household's own row, as it stands. */
  async row(): Promise<HouseholdKept> {
    return thereOf(await this.database.reads.rows<HouseholdKept>(ROW, [this.identity.householdId]));
  }

  private async rowWithin(transaction: Transaction): Promise<HouseholdKept> {
    return thereOf(await within<HouseholdKept>(transaction, ROW, [this.identity.householdId]));
  }

  /** Its row within a transaction, to be changed. */
  private async householdRow(transaction: Transaction): Promise<HouseholdRow> {
    const row = await this.database.models.Household.findOne({
      where: { id: this.identity.householdId },
      transaction,
    });
    return row ?? fail(401, ...GONE);
  }

  async household(): Promise<Household> {
    const { reads } = this.database;
    const { householdId, accountId } = this.identity;
    const [[row], instruments, people] = await Promise.all([
      reads.rows<HouseholdKept & { email: string | null }>(ROW_AND_EMAIL, [accountId, householdId]),
      reads.rows<InstrumentKept>(`${INSTRUMENTS} ORDER BY addedAt, id`, [householdId]),
      reads.rows<PersonSeenKept>(`SELECT ${PERSON_SEEN} FROM persons WHERE householdId = ? ORDER BY addedAt, id`, [
        householdId,
      ]),
    ]);
    const seen = instruments.filter(({ id }) => this.sees(id));
    return householdOf(thereOf(row ? [row] : []), seen, row?.email ?? null, this.actor, people);
  }

  async changeHousehold(version: number, { schools, ...change }: HouseholdChange): Promise<Household> {
    await this.alone(async (transaction, row) => {
      if (row.version !== version) fail(412, 'changed-meanwhile', CHANGED);
      await row.update({ ...change, schools: JSON.stringify(schools), version: version + 1 }, { transaction });
    });
    return this.household();
  }

  async instrumentRows(transaction: Transaction): Promise<Map<string, InstrumentKept>> {
    const rows = await within<InstrumentKept>(transaction, INSTRUMENTS, [this.identity.householdId]);
    return new Map(rows.flatMap((row) => (this.sees(row.id) ? [[row.id, row]] : [])));
  }

  /** Adds an instrument. The same id again is answered with what stands there, so a repeated request is harmless. */
  async addInstrument(wanted: NewInstrument): Promise<Instrument> {
    return this.alone(async (transaction) => {
      const rows = await this.instrumentRows(transaction);
      const there = rows.get(wanted.id);
      if (there) return instrumentOf(there);
      checkQuota('instruments', rows.size);
      const { id, ...facts } = wanted;
      const row = await this.database.models.Instrument.create(
        this.where({ id, ...instrumentColumns(facts), addedAt: new Date(), version: 1 }),
        { transaction },
      );
      return instrumentOf(row);
    });
  }

  async changeInstrument(id: string, version: number, change: InstrumentChange): Promise<Instrument> {
    return this.alone(async (transaction) => {
      const row = await this.instrumentAt(id, version, transaction);
      if (change.family !== row.family) {
        const detail = 'An instrument keeps its family. Add another instrument instead.';
        fail(422, 'invalid', detail, { family: detail });
      }
      await row.update({ ...instrumentColumns(change), version: version + 1 }, { transaction });
      return instrumentOf(row);
    });
  }

  async removeInstrument(id: string, version: number): Promise<void> {
    await this.alone(async (transaction) => {
      const row = await this.instrumentAt(id, version, transaction);
      await row.destroy({ transaction });
    });
  }

  private async instrumentAt(id: string, version: number, transaction: Transaction): Promise<InstrumentRow> {
    const row = await this.database.models.Instrument.findOne({ where: this.where({ id }), transaction });
    if (!row) fail(404, 'no-such-instrument', 'There is no such instrument here. It may have been removed.');
    if (row.version !== version) fail(412, 'changed-meanwhile', CHANGED);
    return row;
  }

  /**
   * Events of the log, in the order in which they were stored: those a demo copy has of its master, then its own. What work cost is seen
   * by keepers alone.
   * @param household its row, where it was read already
   */
  async events(
    wanted: Partial<EventsAsked>,
    transaction?: Transaction,
    household?: Pick<HouseholdKept, 'base' | 'baseNumber'>,
  ): Promise<StoredEvent[]> {
    const stored = await this.storedEvents(wanted, transaction, household);
    if (roleOf(this.actor) === 'keeper') return stored;
    return stored.map(({ number, event }) => ({ number, event: withoutCosts(event) }));
  }

  private async storedEvents(
    wanted: Partial<EventsAsked>,
    transaction?: Transaction,
    household?: Pick<HouseholdKept, 'base' | 'baseNumber'>,
  ): Promise<StoredEvent[]> {
    const { only } = this.actor;
    const named = wanted.instrumentIds !== undefined;
    const asked = only
      ? { ...wanted, named, instrumentIds: wanted.instrumentIds?.filter((id) => only.has(id)) ?? [...only] }
      : { ...wanted, named };
    if ([asked.ids, asked.instrumentIds, asked.types, asked.within].some((list) => list?.length === 0)) return [];
    const { base, baseNumber } = household ?? (transaction ? await this.rowWithin(transaction) : await this.row());
    const { after = 0, most } = asked;
    const read = (householdId: string, more: Partial<EventsAsked>) =>
      readEvents(this.database, householdId, { ...asked, after, ...more }, transaction);
    const shared =
      base !== null && after < Number(baseNumber)
        ? await this.sharedEvents(
            (instrumentIds) => read(base, { upTo: Number(baseNumber), instrumentIds }),
            asked,
            transaction,
          )
        : [];
    // The nearest of each; which of them are nearest is told by their times.
    if (asked.beside) return [...shared, ...(await read(this.identity.householdId, {}))];
    if (most !== undefined && shared.length >= most) return shared;
    const own = await read(this.identity.householdId, most === undefined ? {} : { most: most - shared.length });
    return [...shared, ...own];
  }

  /** A master's events are about its instruments: those a visitor took out of a copy are not told of. */
  private async sharedEvents(
    read: (instrumentIds: readonly string[]) => Promise<StoredEvent[]>,
    { instrumentIds }: Partial<EventsAsked>,
    transaction?: Transaction,
  ): Promise<StoredEvent[]> {
    const own = await this.instrumentIds(transaction);
    const told = instrumentIds ? own.filter((id) => instrumentIds.includes(id)) : own;
    return told.length === 0 ? [] : read(told);
  }

  private async instrumentIds(transaction?: Transaction): Promise<string[]> {
    const { Instrument: Instruments } = this.database.models;
    const own = await Instruments.findAll({ where: this.where({}), attributes: ['id'], transaction, raw: true });
    return own.map(({ id }) => id);
  }

  /** Which of some ids are those of events on record. */
  async knownEvents(ids: readonly string[], transaction: Transaction): Promise<Set<string>> {
    const known = new Set<string>();
    for (let from = 0; from < ids.length; from += IDS_AT_ONCE) {
      const asked = { ids: ids.slice(from, from + IDS_AT_ONCE) };
      for (const { event } of await this.events(asked, transaction)) known.add(event.id);
    }
    return known;
  }

  /** The whole log, in the order in which it was stored. */
  async log(): Promise<LogEvent[]> {
    return (await this.events({})).map(({ event }) => event);
  }

  /** The log of some instruments. */
  async logOf(instrumentIds: readonly string[]): Promise<LogEvent[]> {
    return (await this.events({ instrumentIds })).map(({ event }) => event);
  }

  /** A page of the log in the order in which it was stored. */
  async logPage(after: number, instrumentId?: string): Promise<LogPage> {
    const household = await this.row();
    const { logEpoch, logNumber } = household;
    const asked = { after, most: EVENTS_PER_PAGE + 1, ...(instrumentId && { instrumentIds: [instrumentId] }) };
    // Most who ask have all there is.
    const rows = after < Number(logNumber) ? await this.events(asked, undefined, household) : [];
    const page = rows.slice(0, EVENTS_PER_PAGE);
    return {
      events: page.map(({ event }) => event),
      // A place past the log's end is none of this log's: what a backup gave back is shorter.
      reached: page.at(-1)?.number ?? Math.min(after, Number(logNumber)),
      more: rows.length > page.length,
      last: Number(logNumber),
      epoch: logEpoch + this.boundsMark(),
    };
  }

  /** A mark that differs where others of the log, or more or less of them, are seen: a device then reads it anew from its beginning. */
  private boundsMark(): string {
    const { only } = this.actor;
    const keeps = roleOf(this.actor) === 'keeper';
    if (keeps && !only) return '';
    const seen = [keeps ? 'with costs' : 'without costs', ...(only ? [...only].sort() : ['all'])];
    return `~${hashed(seen.join()).slice(0, 12)}`;
  }

  /** How many entries the log has of one instrument, those of a demo copy's master among them. */
  async countEventsOf(instrumentId: string): Promise<number> {
    const { base, baseNumber } = await this.row();
    const { Event } = this.database.models;
    const own = await Event.count({ where: this.where({ instrumentId }) });
    if (base === null) return own;
    return own + (await Event.count({ where: { householdId: base, instrumentId, number: { [Op.lte]: baseNumber } } }));
  }

  /** How many entries the log has of its own. */
  countEvents(transaction?: Transaction): Promise<number> {
    return this.database.models.Event.count({ where: this.where({}), transaction });
  }

  /** Stores events that were admitted, in their order, under the next numbers of the log. */
  async storeEvents(
    household: Pick<HouseholdRow, 'id' | 'logNumber'>,
    events: readonly LogEvent[],
    receivedAt: Date,
    transaction: Transaction,
  ): Promise<void> {
    const before = Number(household.logNumber);
    // A number is given once, so that the newest is as many as there are at most: counted only where it matters.
    if (before + events.length > QUOTAS.events)
      checkQuota('events', await this.countEvents(transaction), events.length);
    if (events.length === 0) return;
    household.logNumber = before + events.length;
    // One after the other: after a deadlock, which ends the transaction, the second would be carried out by itself.
    await insertEvents(transaction, household.id, events, before, receivedAt);
    await within(transaction, 'UPDATE households SET logNumber = ? WHERE id = ?', [household.logNumber, household.id]);
  }
}
