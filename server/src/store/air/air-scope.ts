import {
  compareHygrometers,
  correctedSeries,
  emptySums,
  HOUR_MS,
  levelOfDays,
  packDays,
  packRecord,
  packSeries,
  seasonalLevel,
  startOfLocalDay,
  together,
  unpackHour,
  type Comparison,
  type PackedSlot,
  type SummedSeries,
  type TrueSeries,
} from '@tembrin/core';
import type { Air, Weather, Year } from '@tembrin/contract';
import { QueryTypes } from 'sequelize';
import type { Database } from '../../database/connect';
import { fail } from '../../problems/problems';
import type { HouseholdScope } from '../scope';
import { HOUR_S, readColumns } from './hours';
import { NO_SUCH_PLACE, PlaceScope } from './places';
import { CHECKS, saltCheckOf, type SaltCheckKept } from './salt-checks';
import { sensorStays, stretchesIn } from './sensor-stays';
import { SENSORS, SensorScope, type SensorKept } from './sensors';

/** How far back a device is told of: two years. */
const TOLD_HOURS = 730 * 24;
/** Steps of a day's detail. */
const SLOT_S = 600;
/** Half a window of the seasonal level, needed to either side of a chart. */
const MARGIN_DAYS = 16;
/** How far back two hygrometers are compared. */
const COMPARED_HOURS = 30 * 24;

/** What a household's readings come to: each place's air, its year, a day of it. */
export class AirScope {
  private readonly places: PlaceScope;
  private readonly sensors: SensorScope;

  constructor(
    private readonly database: Database,
    private readonly scope: HouseholdScope,
  ) {
    this.places = new PlaceScope(database, scope);
    this.sensors = new SensorScope(database, scope);
  }

  /** How far two hygrometers differ in the hours both read; null with too few of them. */
  async compare(id: string, otherId: string): Promise<Comparison | null> {
    const now = Math.floor(Date.now() / HOUR_MS);
    const [one, other] = await Promise.all(
      [id, otherId].map(async (each) => {
        const row = await this.sensors.row(each);
        const checks = await this.database.models.SaltCheck.findAll({ where: this.scope.where({ sensorId: each }) });
        return packSeries(await this.corrected(row, now - COMPARED_HOURS, now, checks)).map(unpackHour);
      }),
    );
    return compareHygrometers(one!, other!);
  }

  private async corrected(row: SensorKept, fromHour: number, toHour: number, checks: readonly SaltCheckKept[]) {
    const own = checks.filter(({ sensorId }) => sensorId === row.id);
    return correctedSeries(await readColumns(this.database.sequelize, row.no!, fromHour, toHour), own.map(saltCheckOf));
  }

  /** The hours of a place, from all the hygrometers that hung there at the time. */
  private async placeHours(
    placeId: string,
    { sensors, checks }: Pick<Rows, 'sensors' | 'checks'>,
    fromHour: number,
    toHour: number,
  ): Promise<TrueSeries> {
    const asked = sensors.flatMap((row) =>
      stretchesIn(row, placeId).flatMap(({ from, to }) => {
        const [low, high] = [Math.max(from, fromHour), Math.min(to, toHour)];
        return low <= high ? [this.corrected(row, low, high, checks)] : [];
      }),
    );
    return together(await Promise.all(asked), fromHour, Math.max(0, toHour - fromHour + 1));
  }

  private async rows(): Promise<Rows> {
    const { reads } = this.database;
    const whose = [this.scope.identity.householdId];
    const [sensors, checks] = await Promise.all([
      reads.rows<SensorKept>(SENSORS, whose),
      reads.rows<SaltCheckKept>(CHECKS, whose),
    ]);
    return { sensors, checks };
  }

  /** Everything about a household's air that a device keeps. @param sinceHour only what reaches past it; 0 is all of it */
  async air(sinceHour: number, weather: Weather | null): Promise<Air> {
    const [{ places, timeZone }, rows] = await Promise.all([this.places.placesAndZone(), this.rows()]);
    const now = Math.floor(Date.now() / HOUR_MS) + 1;
    const records: Air['records'] = [];
    // Two days more than asked for, so that the first day told is whole.
    const from = sinceHour === 0 ? now - TOLD_HOURS : Math.max(now - TOLD_HOURS, sinceHour - 48);
    for (const { id } of places) {
      const record = packRecord(await this.placeHours(id, rows, from, now), timeZone, sinceHour);
      if (record) records.push({ placeId: id, ...record });
    }
    const sensors = await Promise.all(
      rows.sensors.map((row) =>
        this.sensors.described(
          row,
          rows.checks.filter(({ sensorId }) => sensorId === row.id),
        ),
      ),
    );
    return { places, sensors, records, weather };
  }

  async year(placeId: string, from: number, to: number): Promise<Year> {
    const { timeZone, rows } = await this.placeQuestion(placeId);
    const hour = (day: number) => Math.floor(startOfLocalDay(day, timeZone) / HOUR_MS);
    const hours = await this.placeHours(placeId, rows, hour(from - MARGIN_DAYS), hour(to + MARGIN_DAYS));
    const days = packDays(hours, timeZone).filter(([day]) => day >= from && day < to);
    const season = seasonalLevel(hours);
    return {
      days,
      level: season ? levelOfDays(season, days, timeZone) : [],
      steady: season?.now ?? null,
      reach: await this.reach(rows.sensors),
    };
  }

  /** One calendar day of a place, ten minutes at a time. */
  async day(placeId: string, day: number): Promise<{ slots: PackedSlot[] }> {
    const { timeZone, rows } = await this.placeQuestion(placeId);
    const fromS = startOfLocalDay(day, timeZone) / 1000;
    const toS = startOfLocalDay(day + 1, timeZone) / 1000;
    const first = Math.floor(fromS / SLOT_S);
    const length = Math.ceil(toS / SLOT_S) - first;
    const here = rows.sensors.filter(
      (row) => sensorStays(row).findLast((stay) => stay.from * HOUR_S <= fromS)?.placeId === placeId,
    );
    const lists = await Promise.all(
      here.map(async (row) => {
        // The correction of the day's beginning: a check in its course is told from the next day on.
        const own = rows.checks.filter(({ sensorId, at }) => sensorId === row.id && at.getTime() <= fromS * 1000);
        return correctedSeries(await this.slots(row.no!, fromS, toS, first, length), own.map(saltCheckOf));
      }),
    );
    const slots = packSeries(together(lists, first, length, SLOT_S * 1000));
    return { slots: slots.map(([slot, ...air]): PackedSlot => [slot * SLOT_S, ...air]) };
  }

  /** A sensor's readings summed up by slots. */
  private async slots(no: number, fromS: number, toS: number, first: number, length: number): Promise<SummedSeries> {
    const series = emptySums(first, length, SLOT_S * 1000);
    const keys = ['n', 'rhSum', 'low', 'high', 'tempN', 'tempSum'] as const;
    const sums = await this.database.sequelize.query<Record<(typeof keys)[number] | 'slot', number | string>>(
      `SELECT at DIV ${SLOT_S} AS slot, COUNT(*) AS n, SUM(rh) AS rhSum, MIN(COALESCE(low, rh)) AS low,
              MAX(COALESCE(high, rh)) AS high, COUNT(tempC) AS tempN, COALESCE(SUM(tempC), 0) AS tempSum
       FROM readings WHERE sensor = :no AND at >= :fromS AND at < :toS GROUP BY at DIV ${SLOT_S}`,
      { replacements: { no, fromS, toS }, type: QueryTypes.SELECT },
    );
    for (const { slot, ...sum } of sums) for (const key of keys) series[key][Number(slot) - first] = Number(sum[key]);
    return series;
  }

  private async placeQuestion(placeId: string): Promise<{ timeZone: string; rows: Rows }> {
    const [{ places, timeZone }, rows] = await Promise.all([this.places.placesAndZone(), this.rows()]);
    if (!places.some(({ id }) => id === placeId)) fail(404, 'no-such-place', NO_SUCH_PLACE);
    const sensors = rows.sensors.filter((row) => stretchesIn(row, placeId).length > 0);
    return { timeZone, rows: { ...rows, sensors } };
  }

  private async reach(sensors: readonly SensorKept[]): Promise<Year['reach']> {
    if (sensors.length === 0) return null;
    const [found] = await this.database.sequelize.query<{ first: number | null; last: number | null }>(
      'SELECT MIN(day) AS first, MAX(day) AS last FROM reading_days WHERE sensor IN (:sensors)',
      { replacements: { sensors: sensors.map(({ no }) => no) }, type: QueryTypes.SELECT },
    );
    if (found?.first == null || found.last == null) return null;
    // UTC days; near enough to know whether there is an earlier year.
    return [found.first, found.last];
  }
}

interface Rows {
  sensors: SensorKept[];
  checks: SaltCheckKept[];
}
