import type {
  Household,
  HouseholdChange,
  Instrument,
  InstrumentChange,
  LogPage,
  NewInstrument,
} from '@tembrin/contract';
import { EVENTS_PER_PAGE } from '@tembrin/contract';
import { Op, type Transaction, type WhereOptions } from 'sequelize';
import type { Database } from '../database/connect';
import type { HouseholdRow, InstrumentRow } from '../database/models';
import { CHANGED, fail } from '../problems/problems';
import type { Identity } from './accounts';
import { eventOf, householdOf, instrumentColumns, instrumentOf } from './rows';

/** More than any cupboard; keeps one household from filling the disk. */
export const MOST_INSTRUMENTS = 500;

/** Ids that one query asks for. */
const IDS_AT_ONCE = 1000;

/**
 * One household's view of the database: the only way to its rows. Every query made here carries the household's id,
 * so what belongs to another household is simply not there.
 */
export class HouseholdScope {
  constructor(
    private readonly database: Database,
    readonly identity: Identity,
  ) {}

  /** Adds this household to a condition. */
  where<T>(condition: T): T & { householdId: string } {
    return { ...condition, householdId: this.identity.householdId };
  }

  /** Runs work as one transaction that holds this household's row, so that its changes happen one after another. */
  alone<T>(work: (transaction: Transaction, household: HouseholdRow) => Promise<T>): Promise<T> {
    return this.database.sequelize.transaction(async (transaction) => {
      const row = await this.householdRow(transaction);
      return work(transaction, row);
    });
  }

  /** The household's own row, as it stands. */
  row(): Promise<HouseholdRow> {
    return this.householdRow();
  }

  private async householdRow(transaction?: Transaction): Promise<HouseholdRow> {
    const lock = transaction ? transaction.LOCK.UPDATE : undefined;
    const row = await this.database.models.Household.findOne({
      where: { id: this.identity.householdId },
      transaction,
      lock,
    });
    return (
      row ?? fail(401, 'signed-out', 'You are no longer signed in. Sign in again; what is on this device is kept.')
    );
  }

  async household(): Promise<Household> {
    const { Account, Instrument: Instruments } = this.database.models;
    const [row, instruments, account] = await Promise.all([
      this.householdRow(),
      Instruments.findAll({
        where: this.where({}),
        order: [
          ['addedAt', 'ASC'],
          ['id', 'ASC'],
        ],
      }),
      this.identity.accountId ? Account.findOne({ where: this.where({ id: this.identity.accountId }) }) : null,
    ]);
    return householdOf(row, instruments, account?.email ?? null);
  }

  async changeHousehold(version: number, { schools, ...change }: HouseholdChange): Promise<Household> {
    await this.alone(async (transaction, row) => {
      if (row.version !== version) fail(412, 'changed-meanwhile', CHANGED);
      await row.update({ ...change, schools: JSON.stringify(schools), version: version + 1 }, { transaction });
    });
    return this.household();
  }

  async instrumentRows(transaction: Transaction): Promise<Map<string, InstrumentRow>> {
    const rows = await this.database.models.Instrument.findAll({ where: this.where({}), transaction });
    return new Map(rows.map((row) => [row.id, row]));
  }

  /** Adds an instrument. The same id again is answered with what stands there, so a repeated request is harmless. */
  async addInstrument(wanted: NewInstrument): Promise<Instrument> {
    return this.alone(async (transaction) => {
      const rows = await this.instrumentRows(transaction);
      const there = rows.get(wanted.id);
      if (there) return instrumentOf(there);
      if (rows.size >= MOST_INSTRUMENTS) {
        fail(422, 'cupboard-full', `A household holds at most ${MOST_INSTRUMENTS} instruments. Remove one first.`);
      }
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

  /** Which of some ids are those of events on record. */
  async knownEvents(ids: readonly string[], transaction: Transaction): Promise<Set<string>> {
    const known = new Set<string>();
    for (let from = 0; from < ids.length; from += IDS_AT_ONCE) {
      const rows = await this.database.models.Event.findAll({
        where: this.where({ id: { [Op.in]: ids.slice(from, from + IDS_AT_ONCE) } }),
        attributes: ['id'],
        transaction,
        raw: true,
      });
      for (const { id } of rows) known.add(id);
    }
    return known;
  }

  /** A page of the log in the order in which it was stored. */
  async logPage(after: number, instrumentId?: string): Promise<LogPage> {
    const condition: WhereOptions = { seq: { [Op.gt]: after }, ...(instrumentId && { instrumentId }) };
    const rows = await this.database.models.Event.findAll({
      where: this.where(condition),
      order: [['seq', 'ASC']],
      limit: EVENTS_PER_PAGE + 1,
      raw: true,
    });
    const page = rows.slice(0, EVENTS_PER_PAGE);
    return {
      events: page.map(eventOf),
      reached: Number(page.at(-1)?.seq ?? after),
      more: rows.length > page.length,
    };
  }
}
