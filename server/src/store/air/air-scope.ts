import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import {
  checkFault,
  compareHygrometers,
  HOUR_MS,
  readingOf,
  sensorFaults,
  startOfLocalDay,
  type Comparison,
  type Reading,
} from '@tembrin/core';
import type {
  Air,
  HourRow,
  Intake,
  NewPlace,
  NewSensor,
  Place,
  PlaceChange,
  ReadingPost,
  SaltCheckRecord,
  Sensor,
  Weather,
  Year,
} from '@tembrin/contract';
import { CHECK_FAULT_SENTENCES, readingFaultSentence } from '@tembrin/contract';
import { QueryTypes, type Transaction } from 'sequelize';
import type { Database } from '../../database/connect';
import type { PlaceRow, SaltCheckRow, SensorRow } from '../../database/models';
import { fail } from '../../http/problems';
import type { HouseholdScope } from '../scope';
import { emptyColumns, readColumns, rollUp } from './hours';
import { takeIn } from './readings';
import {
  airHours,
  correctedHours,
  dayRows,
  hourRows,
  levelOfDays,
  recordOf,
  saltCheckOf,
  steadyOf,
  together,
  type TrueHours,
} from './records';

const MOST_PLACES = 100;
const MOST_SENSORS = 100;
const MOST_CHECKS = 200;
const CHANGED = 'Somebody changed this meanwhile. Look at it again, then make your change once more.';
/** Hours of a sensor in which faults are looked for. */
const FAULT_HOURS = 10 * 24;
/** How far back a device is told of: two years. */
const TOLD_HOURS = 730 * 24;
/** Newest readings that are listed to be taken back. */
const READINGS_SHOWN = 20;
/** Steps of a day's detail. */
const SLOT_S = 600;
/** Half a window of the seasonal level, needed to either side of a chart. */
const MARGIN_DAYS = 16;

interface SensorStay {
  from: number;
  placeId: string;
}

const staysOf = (row: Pick<SensorRow, 'stays'>) => JSON.parse(row.stays) as SensorStay[];
const hash = (key: string) => createHash('sha256').update(key).digest('hex');

/** A household's places, hygrometers and readings. Like everything of a household it is reached through its scope. */
export class AirScope {
  constructor(
    private readonly database: Database,
    private readonly scope: HouseholdScope,
  ) {}

  // — places

  async addPlace({ id, ...place }: NewPlace): Promise<Place> {
    return this.scope.alone(async (transaction) => {
      const rows = await this.database.models.Place.findAll({ where: this.scope.where({}), transaction });
      const there = rows.find((row) => row.id === id);
      if (there) return placeOf(there);
      if (rows.length >= MOST_PLACES) fail(422, 'too-many', `A household holds at most ${MOST_PLACES} places.`);
      checkRoom(rows, id, place);
      const row = await this.database.models.Place.create(
        this.scope.where({ id, ...placeColumns(place), addedAt: new Date(), version: 1 }),
        { transaction },
      );
      return placeOf(row);
    });
  }

  async changePlace(id: string, version: number, change: PlaceChange): Promise<Place> {
    return this.scope.alone(async (transaction) => {
      const row = await this.placeAt(id, version, transaction);
      if (row.kind !== change.kind) fail(422, 'invalid', 'A room stays a room, a case a case. Add another instead.');
      checkRoom(await this.database.models.Place.findAll({ where: this.scope.where({}), transaction }), id, change);
      await row.update({ ...placeColumns(change), version: version + 1 }, { transaction });
      return placeOf(row);
    });
  }

  async removePlace(id: string, version: number): Promise<void> {
    await this.scope.alone(async (transaction) => {
      const row = await this.placeAt(id, version, transaction);
      const sensors = await this.database.models.Sensor.count({
        where: this.scope.where({ placeId: id }),
        transaction,
      });
      if (sensors > 0) fail(409, 'place-in-use', 'A hygrometer still hangs here. Move or remove it first.');
      const cases = await this.database.models.Place.count({ where: this.scope.where({ roomId: id }), transaction });
      if (cases > 0) fail(409, 'place-in-use', 'A case still stands here. Move it to another room first.');
      await row.destroy({ transaction });
    });
  }

  private async placeAt(id: string, version: number, transaction: Transaction): Promise<PlaceRow> {
    const row = await this.database.models.Place.findOne({ where: this.scope.where({ id }), transaction });
    if (!row) fail(404, 'no-such-place', 'There is no such room or case here. It may have been removed.');
    if (row.version !== version) fail(412, 'changed-meanwhile', CHANGED);
    return row;
  }

  // — hygrometers

  async addSensor({ id, kind, name, placeId }: NewSensor): Promise<{ sensor: Sensor; key: string | null }> {
    const key = kind === 'post' ? newKey() : null;
    const made = await this.scope.alone(async (transaction) => {
      const { Sensor: Sensors } = this.database.models;
      const there = await Sensors.findOne({ where: this.scope.where({ id }), transaction });
      if (there) return false;
      if ((await Sensors.count({ where: this.scope.where({}), transaction })) >= MOST_SENSORS)
        fail(422, 'too-many', `A household holds at most ${MOST_SENSORS} hygrometers.`);
      await this.placeFor(placeId, transaction);
      await Sensors.create(
        this.scope.where({
          no: null,
          id,
          name,
          kind,
          placeId,
          stays: JSON.stringify([{ from: 0, placeId }] satisfies SensorStay[]),
          keyHash: key && hash(key),
          battery: null,
          addedAt: new Date(),
          version: 1,
        }),
        { transaction },
      );
      return true;
    });
    return { sensor: await this.sensor(id), key: made ? key : null };
  }

  async changeSensor(
    id: string,
    version: number,
    { name, placeId }: { name: string; placeId: string },
  ): Promise<Sensor> {
    await this.scope.alone(async (transaction) => {
      const row = await this.sensorRow(id, transaction);
      if (row.version !== version) fail(412, 'changed-meanwhile', CHANGED);
      await this.placeFor(placeId, transaction);
      const stays = staysOf(row);
      // From the next hour on, so that no hour lies in two places.
      const from = Math.ceil(Date.now() / HOUR_MS);
      if (placeId !== row.placeId) stays.push({ from, placeId });
      await row.update({ name, placeId, stays: JSON.stringify(stays), version: version + 1 }, { transaction });
    });
    return this.sensor(id);
  }

  async removeSensor(id: string, version: number): Promise<void> {
    await this.scope.alone(async (transaction) => {
      const row = await this.sensorRow(id, transaction);
      if (row.version !== version) fail(412, 'changed-meanwhile', CHANGED);
      await row.destroy({ transaction });
    });
  }

  async renewKey(id: string): Promise<{ sensor: Sensor; key: string }> {
    const key = newKey();
    await this.setKey(id, hash(key));
    return { sensor: await this.sensor(id), key };
  }

  async revokeKey(id: string): Promise<void> {
    await this.setKey(id, null);
  }

  private setKey(id: string, keyHash: string | null): Promise<void> {
    return this.scope.alone(async (transaction) => {
      const row = await this.sensorRow(id, transaction);
      if (row.kind !== 'post') fail(422, 'no-key', 'Only a hygrometer that sends by itself has a key.');
      await row.update({ keyHash, version: row.version + 1 }, { transaction });
    });
  }

  private async placeFor(placeId: string, transaction: Transaction): Promise<void> {
    const place = await this.database.models.Place.findOne({ where: this.scope.where({ id: placeId }), transaction });
    if (!place) {
      const detail = 'There is no such room or case. Choose another.';
      fail(422, 'no-such-place', detail, { placeId: detail });
    }
  }

  /** A hygrometer's row. @throws ProblemError 404 */
  async sensorRow(id: string, transaction?: Transaction): Promise<SensorRow> {
    const row = await this.database.models.Sensor.findOne({ where: this.scope.where({ id }), transaction });
    return row ?? fail(404, 'no-such-sensor', 'There is no such hygrometer here. It may have been removed.');
  }

  private async sensor(id: string): Promise<Sensor> {
    const row = await this.sensorRow(id);
    const checks = await this.database.models.SaltCheck.findAll({ where: this.scope.where({ sensorId: id }) });
    return this.sensorOf(row, checks);
  }

  private async sensorOf(row: SensorRow, checks: readonly SaltCheckRow[]): Promise<Sensor> {
    const { sequelize } = this.database;
    const [latest] = await sequelize.query<Reading>(
      'SELECT at, rh, tempC, low, high FROM readings WHERE sensor = :no ORDER BY at DESC LIMIT 1',
      { replacements: { no: row.no }, type: QueryTypes.SELECT },
    );
    const [count] = await sequelize.query<{ n: string | null }>(
      'SELECT SUM(n) AS n FROM reading_days WHERE sensor = :no',
      { replacements: { no: row.no }, type: QueryTypes.SELECT },
    );
    const last = latest ? Math.floor(latest.at / 3600) : 0;
    const recent = await readColumns(sequelize, row.no!, last - FAULT_HOURS, last);
    return {
      id: row.id,
      name: row.name,
      placeId: row.placeId,
      kind: row.kind as Sensor['kind'],
      keyed: row.keyHash !== null,
      battery: row.battery,
      lastAt: latest?.at ?? null,
      last: latest ? { rh: latest.rh, tempC: latest.tempC } : null,
      readings: Number(count?.n ?? 0),
      checks: checks
        .map(({ id, at, salt, tempC, shownRh }) => ({ id, at: at.toISOString(), salt, tempC, shownRh }))
        .sort((a, b) => (a.at < b.at ? -1 : 1)) as SaltCheckRecord[],
      faults: sensorFaults(airHours(hourRows(correctedHours(recent, []))), Date.now(), {
        watched: row.kind === 'post',
        battery: row.battery,
      }),
      version: row.version,
    };
  }

  async addCheck(sensorId: string, check: SaltCheckRecord): Promise<Sensor> {
    await this.scope.alone(async (transaction) => {
      await this.sensorRow(sensorId, transaction);
      const { SaltCheck } = this.database.models;
      const rows = await SaltCheck.findAll({ where: this.scope.where({ sensorId }), transaction });
      if (rows.some(({ id }) => id === check.id)) return;
      if (rows.length >= MOST_CHECKS) fail(422, 'too-many', `At most ${MOST_CHECKS} checks are kept. Remove old ones.`);
      const at = Date.parse(check.at);
      if (at > Date.now() + 5 * 60_000) fail(422, 'in-the-future', 'That is in the future. Check the date and time.');
      const fault = checkFault({ ...check, at }, rows.map(saltCheckOf));
      if (fault) fail(422, `check-${fault}`, CHECK_FAULT_SENTENCES[fault]);
      await SaltCheck.create(this.scope.where({ ...check, sensorId, at: new Date(at) }), { transaction });
    });
    return this.sensor(sensorId);
  }

  async removeCheck(sensorId: string, id: string): Promise<Sensor> {
    await this.sensorRow(sensorId);
    await this.database.models.SaltCheck.destroy({ where: this.scope.where({ sensorId, id }) });
    return this.sensor(sensorId);
  }

  async compare(id: string, otherId: string): Promise<Comparison | null> {
    const now = Math.floor(Date.now() / HOUR_MS);
    const [one, other] = await Promise.all(
      [id, otherId].map(async (each) => {
        const row = await this.sensorRow(each);
        return airHours(hourRows(await this.correctedOf(row, now - 30 * 24, now)));
      }),
    );
    return compareHygrometers(one!, other!);
  }

  // — readings

  async postReadings(id: string, { readings }: ReadingPost): Promise<Intake> {
    const nowMs = Date.now();
    const checked = readings.map(({ at, ...reading }, index) => {
      const made = readingOf({ ...reading, atMs: Date.parse(at) }, nowMs);
      if (typeof made === 'string') {
        const detail = readingFaultSentence(made);
        fail(422, made, detail, { [`readings.${index}`]: detail });
      }
      return made;
    });
    return this.scope.alone(async (transaction) => {
      const row = await this.sensorRow(id, transaction);
      return takeIn(this.database.sequelize, row.no!, checked, transaction);
    });
  }

  async readings(id: string): Promise<{ readings: Reading[] }> {
    const { no } = await this.sensorRow(id);
    const readings = await this.database.sequelize.query<Reading>(
      `SELECT at, rh, tempC, low, high FROM readings WHERE sensor = :no ORDER BY at DESC LIMIT ${READINGS_SHOWN}`,
      { replacements: { no }, type: QueryTypes.SELECT },
    );
    return { readings };
  }

  async removeReading(id: string, at: number): Promise<void> {
    const { sequelize } = this.database;
    await this.scope.alone(async (transaction) => {
      const row = await this.sensorRow(id, transaction);
      await sequelize.query('DELETE FROM readings WHERE sensor = :no AND at = :at', {
        replacements: { no: row.no, at },
        transaction,
      });
      await rollUp(sequelize, row.no!, at, at, transaction);
    });
  }

  // — what it all comes to

  private async correctedOf(row: SensorRow, fromHour: number, toHour: number, checks?: readonly SaltCheckRow[]) {
    const own =
      checks?.filter(({ sensorId }) => sensorId === row.id) ??
      (await this.database.models.SaltCheck.findAll({ where: this.scope.where({ sensorId: row.id }) }));
    return correctedHours(await readColumns(this.database.sequelize, row.no!, fromHour, toHour), own.map(saltCheckOf));
  }

  /** The hours of a place, from all the hygrometers that hung there at the time. */
  private async placeHours(
    placeId: string,
    sensors: readonly SensorRow[],
    checks: readonly SaltCheckRow[],
    fromHour: number,
    toHour: number,
  ): Promise<TrueHours> {
    const asked: Promise<TrueHours>[] = [];
    for (const row of sensors) {
      const stays = staysOf(row);
      const here = stays.map((stay, index) => ({ ...stay, to: (stays[index + 1]?.from ?? Infinity) - 1 }));
      for (const { from, to } of here.filter((stay) => stay.placeId === placeId)) {
        const [low, high] = [Math.max(from, fromHour), Math.min(to, toHour)];
        if (low <= high) asked.push(this.correctedOf(row, low, high, checks));
      }
    }
    return together(await Promise.all(asked), fromHour, Math.max(0, toHour - fromHour + 1));
  }

  private async rows() {
    const { Place: Places, Sensor: Sensors, SaltCheck } = this.database.models;
    const where = this.scope.where({});
    const order: [string, string][] = [
      ['addedAt', 'ASC'],
      ['id', 'ASC'],
    ];
    const [places, sensors, checks] = await Promise.all([
      Places.findAll({ where, order }),
      Sensors.findAll({ where, order }),
      SaltCheck.findAll({ where }),
    ]);
    return { places, sensors, checks };
  }

  /** Rooms and cases, without their readings. */
  async places(): Promise<Place[]> {
    return (await this.rows()).places.map(placeOf);
  }

  async air(sinceHour: number, weather: Weather | null): Promise<Air> {
    const [{ places, sensors, checks }, household] = await Promise.all([this.rows(), this.scope.row()]);
    const now = Math.floor(Date.now() / HOUR_MS) + 1;
    const records: Air['records'] = [];
    // Two days more than asked for, so that the first day told is whole.
    const from = sinceHour === 0 ? now - TOLD_HOURS : Math.max(now - TOLD_HOURS, sinceHour - 48);
    for (const { id } of places) {
      const hours = await this.placeHours(id, sensors, checks, from, now);
      const record = recordOf(id, hours, household.timeZone, sinceHour);
      if (record) records.push(record);
    }
    return {
      places: places.map(placeOf),
      sensors: await Promise.all(
        sensors.map((row) =>
          this.sensorOf(
            row,
            checks.filter(({ sensorId }) => sensorId === row.id),
          ),
        ),
      ),
      records,
      weather,
    };
  }

  async year(placeId: string, from: number, to: number): Promise<Year> {
    const { household, sensors, checks } = await this.placeQuestion(placeId);
    const { timeZone } = household;
    const hour = (day: number) => Math.floor(startOfLocalDay(day, timeZone) / HOUR_MS);
    const hours = await this.placeHours(placeId, sensors, checks, hour(from - MARGIN_DAYS), hour(to + MARGIN_DAYS));
    const days = dayRows(hours, timeZone).filter(([day]) => day >= from && day < to);
    const steady = steadyOf(hours);
    return {
      days,
      level: steady ? levelOfDays(steady, days, timeZone) : [],
      steady: steady?.now ?? null,
      reach: await this.reach(sensors),
    };
  }

  async day(placeId: string, day: number): Promise<{ points: HourRow[] }> {
    const { household, sensors, checks } = await this.placeQuestion(placeId);
    const from = startOfLocalDay(day, household.timeZone) / 1000;
    const to = startOfLocalDay(day + 1, household.timeZone) / 1000;
    const first = Math.floor(from / SLOT_S);
    const lists = await Promise.all(
      sensors.map(async (row) => {
        const stay = staysOf(row).findLast((each) => each.from * 3600 <= from);
        const slots = emptyColumns(first, Math.ceil(to / SLOT_S) - first);
        if (stay?.placeId === placeId) {
          const sums = await this.database.sequelize.query<Record<keyof typeof slots | 'slot', number | string>>(
            `SELECT at DIV ${SLOT_S} AS slot, COUNT(*) AS n, SUM(rh) AS rhSum, MIN(COALESCE(low, rh)) AS low,
                    MAX(COALESCE(high, rh)) AS high, COUNT(tempC) AS tempN, COALESCE(SUM(tempC), 0) AS tempSum
             FROM readings WHERE sensor = :no AND at >= :from AND at < :to GROUP BY at DIV ${SLOT_S}`,
            { replacements: { no: row.no, from, to }, type: QueryTypes.SELECT },
          );
          for (const { slot, ...sum } of sums)
            for (const key of ['n', 'rhSum', 'low', 'high', 'tempN', 'tempSum'] as const)
              slots[key][Number(slot) - first] = Number(sum[key]);
        }
        // The correction of the day's beginning: a check in its course is told from the next day on.
        const own = checks.filter(({ sensorId, at }) => sensorId === row.id && at.getTime() <= from * 1000);
        const right = correctedHours({ ...slots, from: from / 3600 }, own.map(saltCheckOf));
        return { ...right, from: first };
      }),
    );
    const points = hourRows(together(lists, first, Math.ceil(to / SLOT_S) - first));
    return { points: points.map(([slot, ...values]): HourRow => [slot * SLOT_S, ...values]) };
  }

  private async placeQuestion(placeId: string) {
    const [{ places, sensors, checks }, household] = await Promise.all([this.rows(), this.scope.row()]);
    if (!places.some(({ id }) => id === placeId))
      fail(404, 'no-such-place', 'There is no such room or case here. It may have been removed.');
    return {
      household,
      sensors: sensors.filter((row) => staysOf(row).some((stay) => stay.placeId === placeId)),
      checks,
    };
  }

  private async reach(sensors: readonly SensorRow[]): Promise<Year['reach']> {
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

const newKey = () => `tmb_${randomBytes(24).toString('base64url')}`;

/** Whether a key is the one a hygrometer was given; takes as long for a wrong one. */
export function isKeyOf(keyHash: string | null, key: string): boolean {
  return keyHash !== null && timingSafeEqual(Buffer.from(keyHash, 'hex'), Buffer.from(hash(key), 'hex'));
}

function placeOf(row: PlaceRow): Place {
  const { id, name, kind, roomId, version } = row;
  return { id, name, kind: kind as Place['kind'], roomId, version, ...(JSON.parse(row.facts) as PlaceFacts) };
}
type PlaceFacts = Omit<Place, 'id' | 'name' | 'kind' | 'roomId' | 'version'>;

/** A place as columns. */
export function placeColumns({ name, kind, roomId, ...facts }: PlaceChange) {
  return { name, kind, roomId, facts: JSON.stringify(facts satisfies PlaceFacts) };
}

function checkRoom(rows: readonly PlaceRow[], id: string, { roomId }: PlaceChange): void {
  if (roomId === null || rows.some((row) => row.id === roomId && row.kind === 'room' && row.id !== id)) return;
  const detail = 'There is no such room. Choose one that is there.';
  fail(422, 'no-such-place', detail, { roomId: detail });
}
