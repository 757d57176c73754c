import { demoLibrary } from '@tembrin/simulators';
import { USUAL_SCHOOLS } from '@tembrin/core';
import { Op } from 'sequelize';
import { v7 as uuid } from 'uuid';
import type { Database } from '../database/connect';
import type { Identity } from '../store/accounts';
import { eventColumns, instrumentColumns } from '../store/rows';

const DAY_MS = 24 * 3_600_000;
/** Most visitors sit where the server does. */
const HERE = Intl.DateTimeFormat().resolvedOptions().timeZone;
/** A visitor's copy is kept for two days after it was opened. */
const KEPT_MS = 2 * DAY_MS;
/** An unopened copy is given out only while its "today" is still today, near enough. */
const FRESH_MS = DAY_MS / 2;
const ROWS_AT_ONCE = 2000;

/**
 * Demo libraries ready to be opened. Every visitor gets a copy of their own, so that nobody finds another's changes;
 * the next copy is made while the last one is being looked at.
 */
export class DemoShelf {
  private filling: Promise<void> | null = null;
  private spare: Promise<unknown> = Promise.resolve();

  constructor(private readonly database: Database) {}

  /** Makes a copy ready, and clears away those that are past their time. */
  async restock(now = new Date()): Promise<void> {
    this.filling ??= this.fill(now).finally(() => (this.filling = null));
    return this.filling;
  }

  private async fill(now: Date): Promise<void> {
    const { Household } = this.database.models;
    await Household.destroy({
      where: {
        demo: true,
        [Op.or]: [
          { openedAt: { [Op.lt]: new Date(now.getTime() - KEPT_MS) } },
          { openedAt: null, createdAt: { [Op.lt]: new Date(now.getTime() - FRESH_MS) } },
        ],
      },
    });
    if ((await Household.count({ where: { demo: true, openedAt: null } })) === 0) await this.make(now, HERE);
  }

  /** Opens a copy for a visitor. */
  async take(timeZone: string, now = new Date()): Promise<Identity> {
    await this.restock(now);
    const { Household } = this.database.models;
    const ready = await Household.findOne({ where: { demo: true, openedAt: null, timeZone } });
    if (ready) {
      const [claimed] = await Household.update({ openedAt: now }, { where: { id: ready.id, openedAt: null } });
      if (claimed === 1) {
        this.spare = this.make(now, timeZone).catch(() => undefined);
        return { householdId: ready.id, accountId: null };
      }
    }
    const householdId = await this.make(now, timeZone);
    await Household.update({ openedAt: now }, { where: { id: householdId } });
    return { householdId, accountId: null };
  }

  /** Resolves once no copy is being made in the background. */
  async settled(): Promise<void> {
    await Promise.all([this.filling, this.spare]);
  }

  private async make(now: Date, timeZone: string): Promise<string> {
    const { sequelize, models } = this.database;
    const library = demoLibrary(now.getTime(), timeZone);
    const householdId = uuid();
    await sequelize.transaction(async (transaction) => {
      await models.Household.create(
        {
          id: householdId,
          name: library.name,
          timeZone,
          schools: JSON.stringify(USUAL_SCHOOLS),
          demo: true,
          openedAt: null,
          createdAt: now,
          version: 1,
        },
        { transaction },
      );
      await models.Instrument.bulkCreate(
        library.instruments.map(({ id, addedAt, ...facts }) => ({
          id,
          householdId,
          ...instrumentColumns(facts),
          addedAt: new Date(addedAt),
          version: 1,
        })),
        { transaction },
      );
      for (let at = 0; at < library.events.length; at += ROWS_AT_ONCE) {
        const rows = library.events.slice(at, at + ROWS_AT_ONCE).map((event) => eventColumns(event, householdId, now));
        // Straight to the table: building a model for each of so many rows takes longer than storing them.
        await sequelize.getQueryInterface().bulkInsert('events', rows, { transaction });
      }
    });
    return householdId;
  }
}
