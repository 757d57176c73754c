import { DAY_MS } from '@tembrin/core';
import { demoLibrary, type DemoLibrary } from '@tembrin/simulators';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import { placeColumns } from '../store/air/places';
import { rollUp } from '../store/air/hours';
import { storeReadings } from '../store/air/readings';
import { v7 as uuid } from 'uuid';
import type { Database } from '../database/connect';
import type { Identity } from '../store/accounts';
import { eventColumns, instrumentColumns } from '../store/rows';

/** Most visitors sit where the server does. */
const HERE = Intl.DateTimeFormat().resolvedOptions().timeZone;
/** A visitor's copy is kept for two days after it was opened. */
const KEPT_MS = 2 * DAY_MS;
/** A master is copied only while its "today" is still today, near enough. */
const FRESH_MS = DAY_MS / 8;
const ROWS_AT_ONCE = 2000;

/**
 * The demo library. One master for each time zone is made by the generator and never opened; every visitor gets a copy of
 * it, so that nobody finds another's changes. Copying is done inside the database, which takes a fraction of the time.
 */
export class DemoLibraries {
  private readonly masters = new Map<string, Promise<string>>();

  constructor(private readonly database: Database) {}

  /** Clears away what is past its time, and has a fresh master ready. */
  async restock(now = new Date()): Promise<void> {
    await this.clear(now);
    await this.master(HERE, now);
  }

  /**
   * Clears away what is past its time: found without a lock, removed one library at a time and part by part, so that whoever
   * writes meanwhile waits for none of it. One process does so at a time; another leaves it to that one.
   */
  async clear(now = new Date()): Promise<void> {
    const { sequelize, models } = this.database;
    const past = await models.Household.findAll({
      where: {
        demo: true,
        [Op.or]: [
          { openedAt: { [Op.lt]: new Date(now.getTime() - KEPT_MS) } },
          { openedAt: null, createdAt: { [Op.lt]: new Date(now.getTime() - FRESH_MS) } },
        ],
      },
      attributes: ['id'],
      raw: true,
    });
    if (past.length === 0) return;
    await sequelize.transaction(async (held) => {
      const options = { type: QueryTypes.SELECT, transaction: held } as const;
      const [got] = await sequelize.query<{ taken: number | null }>(
        `SELECT GET_LOCK('${CLEARING}', 0) AS taken`,
        options,
      );
      if (Number(got?.taken) !== 1) return;
      try {
        for (const { id } of past) await this.remove(id);
      } finally {
        await sequelize.query(`SELECT RELEASE_LOCK('${CLEARING}')`, options);
      }
    });
  }

  private async remove(householdId: string): Promise<void> {
    const { sequelize, models } = this.database;
    for (const table of LARGE) {
      const sql = `DELETE FROM ${table.name} WHERE ${table.of} LIMIT ${ROWS_AT_ONCE}`;
      for (let gone = ROWS_AT_ONCE; gone === ROWS_AT_ONCE;) {
        const options = { type: QueryTypes.BULKDELETE, replacements: { householdId } } as const;
        gone = Number(await sequelize.query(sql, options));
      }
    }
    await models.Household.destroy({ where: { id: householdId } });
  }

  /** Opens a copy for a visitor. */
  async take(timeZone: string, now = new Date()): Promise<Identity> {
    const master = await this.master(timeZone, now);
    const householdId = uuid();
    await this.database.sequelize.transaction(async (transaction) => {
      const { sequelize } = this.database;
      for (const [table, columns] of COPIED) {
        const key = table === 'households' ? 'id' : 'householdId';
        const order = table === 'events' ? 'ORDER BY seq' : '';
        await sequelize.query(
          `INSERT INTO ${table} (${key}, ${columns}) SELECT :householdId, ${columns} FROM ${table} WHERE ${key} = :master ${order}`,
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
      await this.database.models.Household.update({ openedAt: now }, { where: { id: householdId }, transaction });
    });
    return { householdId, accountId: null };
  }

  /** The fresh master for a time zone; one is made when there is none, once however many ask. */
  private master(timeZone: string, now: Date): Promise<string> {
    let found = this.masters.get(timeZone);
    if (!found) {
      found = this.findOrMake(timeZone, now).finally(() => this.masters.delete(timeZone));
      this.masters.set(timeZone, found);
    }
    return found;
  }

  private async findOrMake(timeZone: string, now: Date): Promise<string> {
    const createdAt = { [Op.gte]: new Date(now.getTime() - FRESH_MS) };
    const ready = await this.database.models.Household.findOne({
      where: { demo: true, openedAt: null, timeZone, createdAt },
    });
    return ready?.id ?? this.database.sequelize.transaction((transaction) => this.make(timeZone, now, transaction));
  }

  private async make(timeZone: string, now: Date, transaction: Transaction): Promise<string> {
    const { sequelize, models } = this.database;
    const library = demoLibrary(now.getTime(), timeZone);
    const id = uuid();
    await models.Household.create(
      {
        id,
        name: library.name,
        timeZone,
        schools: JSON.stringify(library.schools),
        currency: library.currency,
        demo: true,
        openedAt: null,
        createdAt: now,
        version: 1,
      },
      { transaction },
    );
    await models.Instrument.bulkCreate(
      library.instruments.map(({ id: instrumentId, addedAt, ...facts }) => ({
        id: instrumentId,
        householdId: id,
        ...instrumentColumns(facts),
        addedAt: new Date(addedAt),
        version: 1,
      })),
      { transaction },
    );
    for (let at = 0; at < library.events.length; at += ROWS_AT_ONCE) {
      const rows = library.events.slice(at, at + ROWS_AT_ONCE).map((event) => eventColumns(event, id, now));
      // Straight to the table: building a model for each of so many rows takes longer than storing them.
      await sequelize.getQueryInterface().bulkInsert('events', rows, { transaction });
    }
    await models.Card.bulkCreate(
      library.cards.map(({ facts, ...card }, at) => ({
        householdId: id,
        ...card,
        facts: JSON.stringify(facts),
        addedAt: new Date(now.getTime() + at),
        version: 1,
      })),
      { transaction },
    );
    await this.makeAir(id, library.air, now, transaction);
    return id;
  }

  private async makeAir(
    householdId: string,
    { places, sensors }: DemoLibrary['air'],
    now: Date,
    transaction: Transaction,
  ): Promise<void> {
    const { sequelize, models } = this.database;
    await models.Place.bulkCreate(
      places.map(({ id, room: _room, ...place }, at) => ({
        householdId,
        id,
        ...placeColumns(place),
        addedAt: new Date(now.getTime() + at),
        version: 1,
      })),
      { transaction },
    );
    for (const [at, { id, placeId, kind, name, checks, readings }] of sensors.entries()) {
      const { no } = await models.Sensor.create(
        {
          no: null,
          householdId,
          id,
          name,
          kind,
          placeId,
          stays: JSON.stringify([{ from: 0, placeId }]),
          keyHash: null,
          battery: null,
          addedAt: new Date(now.getTime() + at),
          version: 1,
        },
        { transaction },
      );
      await models.SaltCheck.bulkCreate(
        checks.map((check) => ({ ...check, householdId, sensorId: id, at: new Date(check.at) })),
        { transaction },
      );
      for (let from = 0; from < readings.length; from += ROWS_AT_ONCE)
        await storeReadings(sequelize, no!, readings.slice(from, from + ROWS_AT_ONCE), transaction);
      await rollUp(sequelize, no!, readings[0]!.atS, readings.at(-1)!.atS, transaction);
    }
  }
}

const CLEARING = 'tembrin-clearing-demos';

/** What a library has most of: it goes part by part, before the rest goes with its household. */
const LARGE = [
  { name: 'readings', of: 'sensor IN (SELECT no FROM sensors WHERE householdId = :householdId)' },
  { name: 'reading_days', of: 'sensor IN (SELECT no FROM sensors WHERE householdId = :householdId)' },
  { name: 'events', of: 'householdId = :householdId' },
] as const;

/** Tables a copy is made of, with the columns that are the same in it. */
const COPIED = [
  ['households', 'name, timeZone, schools, currency, demo, openedAt, createdAt, version'],
  ['instruments', 'id, name, family, kind, size, stringCount, since, setUp, stringing, schools, addedAt, version'],
  ['events', 'id, instrumentId, type, occurredAt, recordedAt, receivedAt, payload'],
  ['places', 'id, name, kind, roomId, facts, addedAt, version'],
  ['sensors', 'id, name, kind, placeId, stays, battery, addedAt, version'],
  ['cards', 'id, kind, facts, addedAt, version'],
  ['salt_checks', 'id, sensorId, at, salt, tempC, shownRh'],
] as const;

/** Tables of readings, which name their sensor by its number. */
const READINGS_COPIED = [
  ['readings', 'at, rh, tempC, low, high'],
  ['reading_days', 'day, n, hours'],
] as const;
