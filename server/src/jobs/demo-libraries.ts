import { setTimeout as sleep } from 'node:timers/promises';
import { DAY_MS, MINUTE_MS, offsetMs } from '@tembrin/core';
import { Op, QueryTypes, type WhereOptions } from 'sequelize';
import { v7 as uuid } from 'uuid';
import type { Database } from '../database/connect';
import { withLease } from '../database/lease';
import type { HouseholdRow } from '../database/models';
import { inTransaction } from '../database/transaction';
import { fail } from '../problems/problems';
import { outcomeApart } from '../reading/apart';
import type { Identity } from '../store/accounts';
import { removeHousehold } from '../store/removal';
import { storeMaster } from './demo-master';

/** Most visitors sit where the server does. */
const HERE = Intl.DateTimeFormat().resolvedOptions().timeZone;
/** A visitor's copy is kept for two days after its last change. */
const KEPT_MS = 2 * DAY_MS;
/** A master is copied only while its "today" is still today, near enough. */
const FRESH_MS = DAY_MS / 8;
/** So many copies and masters at most; beyond, the oldest go. A copy takes some 2 MB, a master 12. */
const MOST = { copies: 150, masters: 16 } as const;
/** How long a visitor waits for a library that another is just having made. */
const PATIENCE_MS = MINUTE_MS;

/**
 * The demo library. One master for each time zone is made by the generator and never opened. Every visitor gets a copy of it, so
 * that nobody finds another's changes; the master's log, which is most of it, is shared, as a log is only added to.
 */
export class DemoLibraries {
  /**
   * @param most other bounds than usual, for tests
   * @param hasRoom whether the disk has room for more
   */
  constructor(
    private readonly database: Database,
    private readonly most: { copies: number; masters: number } = MOST,
    private readonly hasRoom: () => Promise<boolean> = () => Promise.resolve(true),
  ) {}

  /** Clears away what is past its time, and has a fresh master ready. */
  async restock(now = new Date()): Promise<void> {
    await this.clear(now);
    await this.master(HERE, now);
  }

  /**
   * Clears away what is past its time: found without a lock, removed one library at a time and part by part, so that whoever
   * writes meanwhile waits for none of it. One process does so at a time; another leaves it to that one.
   * @param coming copies there is to be room for
   */
  async clear(now = new Date(), coming = 0): Promise<void> {
    await withLease(this.database.sequelize, CLEARING, async () => {
      const past = { openedAt: { [Op.lt]: new Date(now.getTime() - KEPT_MS) } };
      const overdue = await this.ids({ base: { [Op.ne]: null }, ...past });
      const all = await this.ids({ base: { [Op.ne]: null } });
      const surplus = all
        .filter((id) => !overdue.includes(id))
        .slice(0, Math.max(0, all.length + coming - this.most.copies));
      for (const id of [...overdue, ...surplus]) await removeHousehold(this.database, id);
      const stale = await this.ids({
        base: null,
        createdAt: { [Op.lt]: new Date(now.getTime() - FRESH_MS) },
        // One that was opened is a copy from before copies shared anything.
        [Op.or]: [{ openedAt: null }, past],
      });
      for (const id of stale) if (await this.retire(id)) await removeHousehold(this.database, id);
    });
  }

  /** Ids of demo households, the longest unchanged first. */
  private async ids(where: WhereOptions<HouseholdRow>): Promise<string[]> {
    const rows = await this.database.models.Household.findAll({
      where: { [Op.and]: [{ demo: true }, where] },
      attributes: ['id'],
      order: ['openedAt', 'createdAt'],
      raw: true,
    });
    return rows.map(({ id }) => id);
  }

  /** Has a master be copied no more, where no copy hangs on it. @returns whether it may go */
  private async retire(id: string): Promise<boolean> {
    const { sequelize } = this.database;
    const changed = await sequelize.query(
      `UPDATE households SET openedAt = createdAt
       WHERE id = :id AND NOT EXISTS (SELECT 1 FROM (SELECT base FROM households WHERE base = :id LIMIT 1) AS copies)`,
      { replacements: { id }, type: QueryTypes.BULKUPDATE },
    );
    const row = await this.database.models.Household.findOne({ where: { id }, raw: true });
    return Number(changed) > 0 || (row !== null && row.openedAt !== null);
  }

  /** Opens a copy for a visitor. */
  async take(timeZone: string, now = new Date()): Promise<Identity> {
    if (!(await this.hasRoom()))
      fail(503, 'no-room', 'The server’s disk is nearly full, so no demo library is opened just now. Try again later.');
    const copies = await this.database.models.Household.count({ where: { demo: true, base: { [Op.ne]: null } } });
    if (copies >= this.most.copies) await this.clear(now, 1);
    for (;;) {
      const householdId = await this.copied(await this.master(timeZone, now), now);
      if (householdId) return { householdId, accountId: null };
    }
  }

  /** Makes a copy of a master. @returns its id; null where the master has just gone */
  private copied(master: string, now: Date): Promise<string | null> {
    const { sequelize, models } = this.database;
    return inTransaction(
      this.database,
      async (transaction) => {
        const [there] = await sequelize.query(
          'SELECT id FROM households WHERE id = :master AND openedAt IS NULL FOR UPDATE',
          { replacements: { master }, type: QueryTypes.SELECT, transaction },
        );
        if (!there) return null;
        const householdId = uuid();
        for (const [table, columns] of COPIED) {
          const key = table === 'households' ? 'id' : 'householdId';
          await sequelize.query(
            `INSERT INTO ${table} (${key}, ${columns}) SELECT :householdId, ${columns} FROM ${table} WHERE ${key} = :master`,
            { replacements: { householdId, master }, transaction },
          );
        }
        for (const [table, columns] of READINGS_COPIED) {
          await sequelize.query(
            `INSERT INTO ${table} (sensor, ${columns}) SELECT mine.no, ${columns} FROM ${table} AS theirs
             JOIN sensors AS made ON made.no = theirs.sensor
             JOIN sensors AS mine ON mine.id = made.id AND mine.householdId = :householdId
             WHERE made.householdId = :master`,
            { replacements: { householdId, master }, transaction },
          );
        }
        const own = { openedAt: now, base: master, baseNumber: sequelize.col('logNumber') as never };
        await models.Household.update(own, { where: { id: householdId }, transaction });
        return householdId;
      },
      'long',
    );
  }

  /**
   * The fresh master for a time zone; one is made when there is none, once however many ask, at whichever process. Where there are
   * as many as there may be, the one whose clocks are nearest serves.
   */
  private async master(timeZone: string, now: Date): Promise<string> {
    const { models, sequelize } = this.database;
    const createdAt = { [Op.gte]: new Date(now.getTime() - FRESH_MS) };
    for (const deadline = Date.now() + PATIENCE_MS; Date.now() < deadline; await sleep(200)) {
      const ready = await models.Household.findOne({ where: { demo: true, openedAt: null, timeZone, createdAt } });
      if (ready) return ready.id;
      const all = await models.Household.findAll({ where: { demo: true, openedAt: null }, raw: true });
      if (all.length >= this.most.masters) return nearest(all, timeZone, now);
      const made = await withLease(sequelize, `demo-master ${timeZone}`, () => this.made(timeZone, now));
      if (made) return made;
    }
    return fail(503, 'busy', 'The demo library is being made at the moment. Try again in a minute.');
  }

  private async made(timeZone: string, now: Date): Promise<string> {
    const library = await outcomeApart('demoLibrary', { nowMs: now.getTime(), timeZone });
    return inTransaction(
      this.database,
      (transaction) => storeMaster(this.database, library, timeZone, now, transaction),
      'long',
    );
  }
}

/** The master whose clocks differ least from a time zone's, the newest of those. */
function nearest(masters: readonly HouseholdRow[], timeZone: string, now: Date): string {
  const offset = (zone: string) => offsetMs(now.getTime(), zone);
  const apart = (row: HouseholdRow) => Math.abs(offset(row.timeZone) - offset(timeZone));
  return [...masters].sort((a, b) => apart(a) - apart(b) || b.createdAt.getTime() - a.createdAt.getTime())[0]!.id;
}

const CLEARING = 'clearing-demos';

/** Tables a copy is made of, with the columns that are the same in it. */
const COPIED = [
  ['households', 'name, timeZone, schools, currency, demo, openedAt, createdAt, version, logNumber, logEpoch'],
  ['instruments', 'id, name, family, kind, size, stringCount, since, setUp, stringing, schools, addedAt, version'],
  ['places', 'id, name, kind, roomId, facts, addedAt, version'],
  ['sensors', 'id, name, kind, placeId, stays, battery, readings, addedAt, version'],
  ['cards', 'id, kind, facts, addedAt, version'],
  ['persons', 'id, name, role, plays, looksAfter, ways, addedAt, version'],
  ['salt_checks', 'id, sensorId, at, salt, tempC, shownRh'],
] as const;
/** Tables of readings, which name their sensor by its number. */
const READINGS_COPIED = [
  ['readings', 'at, rh, tempC, low, high'],
  ['reading_days', 'day, n, hours'],
] as const;
