import { HOUR_MS, TEMP_RANGE_C, type Reading } from '@tembrin/core';
import { saltCheckSchema, SENSOR_KINDS } from '@tembrin/contract';
import { QueryTypes, type Transaction } from 'sequelize';
import { z } from 'zod';
import type { Database } from '../database/connect';
import { fail } from '../problems/problems';
import { rollUp } from './air/hours';
import { READING_COLUMNS, storeReadings } from './air/readings';
import { sensorStays } from './air/sensor-stays';
import { MOST_SENSORS } from './air/sensors';
import { MOST_CHECKS } from './air/salt-checks';
import type { HouseholdScope } from './scope';

/** Hygrometers of a household in its file: where they hung, their checks, their readings. */

/** Most readings one file carries: four years of minutes of one hygrometer. Beyond, the oldest stay behind, and it is said. */
export const MOST_READINGS = 2_000_000;
const AT_ONCE = 5000;

const int = (least: number, most: number) => z.int().min(least).max(most);
const humidity = int(0, 10_000);
const column = <S extends z.ZodType>(cell: S) => z.array(cell).max(MOST_READINGS);

/** Readings column by column, as a million small lists would fill the memory. */
const readingsSchema = z
  .strictObject({
    /** Seconds since 1970 of the first, then from each to the next. */
    at: column(int(0, 4_294_967_295)),
    rh: column(humidity),
    temp: column(int(TEMP_RANGE_C.least * 100, TEMP_RANGE_C.most * 100).nullable()),
    low: column(humidity.nullable()).optional(),
    high: column(humidity.nullable()).optional(),
  })
  .refine(
    ({ at, rh, temp, low = at, high = at }) => [rh, temp, low, high].every(({ length }) => length === at.length),
    'Its columns are not of one length.',
  );

const id = z.uuid().toLowerCase();
export const archivedSensorSchema = z.strictObject({
  id,
  name: z.string().trim().min(1).max(60),
  kind: z.enum(SENSOR_KINDS),
  placeId: id,
  stays: z
    .array(z.strictObject({ from: int(0, 4_294_967_295 / 3600), placeId: id }))
    .min(1)
    .max(1000),
  battery: z.number().min(0).max(100).nullable(),
  addedAt: z.iso.datetime(),
  checks: z.array(saltCheckSchema).max(MOST_CHECKS),
  readings: readingsSchema,
});
export type ArchivedSensor = z.infer<typeof archivedSensorSchema>;

function packed(readings: readonly Reading[]): ArchivedSensor['readings'] {
  const all = <K extends keyof Reading>(key: K) => readings.map((reading) => reading[key]);
  const some = (values: readonly (number | null)[]) => values.some((value) => value !== null);
  const [low, high] = [all('lowHundredths'), all('highHundredths')];
  return {
    at: readings.map(({ atS }, at) => atS - (readings[at - 1]?.atS ?? 0)),
    rh: all('rhHundredths'),
    temp: all('tempHundredths'),
    ...(some(low) && { low }),
    ...(some(high) && { high }),
  };
}

function unpacked({ at, rh, temp, low, high }: ArchivedSensor['readings']): Reading[] {
  let atS = 0;
  return at.map((step, place) => ({
    atS: (atS += step),
    rhHundredths: rh[place]!,
    tempHundredths: temp[place]!,
    lowHundredths: low?.[place] ?? null,
    highHundredths: high?.[place] ?? null,
  }));
}

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
    let [room, left] = [MOST_READINGS, 0];
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
        readings: packed(readings),
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

  /** Brings hygrometers in that are not there yet, with all they read. @returns how many, with how many readings */
  async bring(
    wanted: readonly ArchivedSensor[],
    transaction: Transaction,
  ): Promise<{ sensors: number; readings: number; keyless: number }> {
    const { Sensor: Sensors, SaltCheck, Place } = this.database.models;
    const where = this.scope.where({});
    const [there, places] = await Promise.all([
      Sensors.findAll({ where, attributes: ['id'], transaction, raw: true }),
      Place.findAll({ where, attributes: ['id'], transaction, raw: true }),
    ]);
    const known = new Set(there.map((row) => row.id));
    const rooms = new Set(places.map((row) => row.id));
    const fresh = wanted.filter((sensor) => !known.has(sensor.id));
    if (known.size + fresh.length > MOST_SENSORS)
      fail(422, 'too-many', `A household holds at most ${MOST_SENSORS} hygrometers. Nothing was brought in.`);
    let readings = 0;
    for (const { checks, readings: columns, addedAt, stays, ...sensor } of fresh) {
      if (!rooms.has(sensor.placeId))
        fail(
          422,
          'no-such-place',
          `“${sensor.name}” hangs in a place that is not in the file. Nothing was brought in.`,
        );
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
      await SaltCheck.bulkCreate(
        checks.map((check) => this.scope.where({ ...check, sensorId: sensor.id, at: new Date(check.at) })),
        { transaction },
      );
      readings += await this.store(row.no!, unpacked(columns), transaction);
    }
    return { sensors: fresh.length, readings, keyless: fresh.filter(({ kind }) => kind === 'post').length };
  }

  private async store(no: number, readings: readonly Reading[], transaction: Transaction): Promise<number> {
    const { sequelize } = this.database;
    const latest = (Date.now() + HOUR_MS) / 1000;
    if (readings.some(({ atS }, at) => atS > latest || atS <= (readings[at - 1]?.atS ?? -1)))
      fail(422, 'invalid', 'Readings in the file are in the future, or not in order of time. Nothing was brought in.');
    for (let at = 0; at < readings.length; at += AT_ONCE)
      await storeReadings(sequelize, no, readings.slice(at, at + AT_ONCE), transaction, true);
    if (readings.length > 0) await rollUp(sequelize, no, readings[0]!.atS, readings.at(-1)!.atS, transaction);
    return readings.length;
  }
}
