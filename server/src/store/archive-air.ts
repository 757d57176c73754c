import { CLOCK_TOLERANCE_MS, type Reading } from '@tembrin/core';
import { QueryTypes, type Transaction } from 'sequelize';
import type { Database } from '../database/connect';
import { fail } from '../problems/problems';
import { checkQuota } from '../problems/quota';
import { readingColumns, READINGS_PER_FILE, type ArchivedSensor } from '../reading/archived-air';
import { rollUp } from './air/hours';
import { READING_COLUMNS, storeReadings } from './air/readings';
import { sensorStays } from './air/sensor-stays';
import type { HouseholdScope } from './scope';

const AT_ONCE = 5000;

type SensorThings = Omit<ArchivedSensor, 'readings'>;

/** Hygrometers of a household in its file: where they hung, their checks, their readings. */
export class ArchivedAir {
  constructor(
    private readonly database: Database,
    private readonly scope: HouseholdScope,
  ) {}

  /** All hygrometers with what they read, the newest readings first where there are too many, and how many stay behind. */
  async out(): Promise<{ sensors: ArchivedSensor[]; left: number }> {
    const { Sensor: Sensors, SaltCheck } = this.database.models;
    const where = this.scope.where({});
    const order: [string, 'ASC'][] = [
      ['addedAt', 'ASC'],
      ['id', 'ASC'],
    ];
    const [rows, checks] = await Promise.all([
      Sensors.findAll({ where, order }),
      SaltCheck.findAll({ where, order: [['at', 'ASC']] }),
    ]);
    const sensors: ArchivedSensor[] = [];
    let [room, left] = [READINGS_PER_FILE, 0];
    for (const row of rows) {
      const readings = await this.readings(row.no!, room);
      const [count] = await this.database.sequelize.query<{ n: number }>(
        'SELECT COUNT(*) AS n FROM readings WHERE sensor = :no',
        { replacements: { no: row.no }, type: QueryTypes.SELECT },
      );
      room -= readings.length;
      left += Number(count!.n) - readings.length;
      sensors.push({
        id: row.id,
        name: row.name,
        kind: row.kind as ArchivedSensor['kind'],
        placeId: row.placeId,
        stays: sensorStays(row),
        battery: row.battery,
        addedAt: row.addedAt.toISOString(),
        checks: checks
          .filter(({ sensorId }) => sensorId === row.id)
          .map((check) => ({
            id: check.id,
            at: check.at.toISOString(),
            salt: check.salt as ArchivedSensor['checks'][number]['salt'],
            tempC: check.tempC,
            shownRh: check.shownRh,
          })),
        readings: readingColumns(readings),
      });
    }
    return { sensors, left };
  }

  private async readings(no: number, most: number): Promise<Reading[]> {
    const rows = await this.database.sequelize.query<Reading>(
      `SELECT ${READING_COLUMNS} FROM readings WHERE sensor = :no ORDER BY at DESC LIMIT :most`,
      { replacements: { no, most }, type: QueryTypes.SELECT },
    );
    return rows.reverse();
  }

  /** Numbers under which the readings of those that came in are stored, and from when to when they reach. */
  private readonly fresh = new Map<string, { no: number; span: [from: number, to: number] | null }>();

  /** Brings hygrometers in that are not there yet. @returns how many, and how many of them need a new key */
  async bring(
    wanted: readonly SensorThings[],
    transaction: Transaction,
  ): Promise<{ sensors: number; keyless: number }> {
    const { Sensor: Sensors, SaltCheck, Place } = this.database.models;
    const where = this.scope.where({});
    const [there, places] = await Promise.all([
      Sensors.findAll({ where, attributes: ['id'], transaction, raw: true }),
      Place.findAll({ where, attributes: ['id'], transaction, raw: true }),
    ]);
    const known = new Set(there.map((row) => row.id));
    const rooms = new Set(places.map((row) => row.id));
    const fresh = wanted.filter((sensor) => !known.has(sensor.id));
    checkQuota('sensors', known.size, fresh.length);
    for (const { checks, addedAt, stays, ...sensor } of fresh) {
      if (!rooms.has(sensor.placeId))
        fail(
          422,
          'no-such-place',
          `“${sensor.name}” hangs in a place that is not in the file. Nothing was brought in.`,
        );
      if (checks.some(({ at }) => Date.parse(at) > Date.now() + CLOCK_TOLERANCE_MS))
        fail(422, 'in-the-future', `A check of “${sensor.name}” is in the future. Nothing was brought in.`);
      const row = await Sensors.create(
        this.scope.where({
          ...sensor,
          no: null,
          stays: JSON.stringify(stays),
          // A key is known to its hygrometer alone.
          keyHash: null,
          addedAt: new Date(addedAt),
          version: 1,
        }),
        { transaction },
      );
      this.fresh.set(sensor.id, { no: row.no!, span: null });
      await SaltCheck.bulkCreate(
        checks.map((check) => this.scope.where({ ...check, sensorId: sensor.id, at: new Date(check.at) })),
        { transaction },
      );
    }
    return { sensors: fresh.length, keyless: fresh.filter(({ kind }) => kind === 'post').length };
  }

  /** Stores readings of a hygrometer that came in, in order of time. @returns how many; none of one that was there before */
  async store(sensorId: string, readings: readonly Reading[], transaction: Transaction): Promise<number> {
    const own = this.fresh.get(sensorId);
    if (!own || readings.length === 0) return 0;
    for (let at = 0; at < readings.length; at += AT_ONCE)
      await storeReadings(this.database.sequelize, own.no, readings.slice(at, at + AT_ONCE), transaction, true);
    own.span = [own.span?.[0] ?? readings[0]!.atS, readings.at(-1)!.atS];
    return readings.length;
  }

  /** Sums up all that came in, by hours. */
  async rollUp(transaction: Transaction): Promise<void> {
    for (const { no, span } of this.fresh.values())
      if (span) await rollUp(this.database.sequelize, no, ...span, transaction);
  }
}
