import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import { correctedSeries, HOUR_MS, packSeries, sensorFaults, unpackHour, type Reading } from '@tembrin/core';
import type { NewSensor, SaltCheckRecord, Sensor } from '@tembrin/contract';
import { QueryTypes, type InferAttributes, type Transaction } from 'sequelize';
import type { Database } from '../../database/connect';
import type { SensorRow } from '../../database/models';
import { CHANGED, fail } from '../../problems/problems';
import { checkQuota } from '../../problems/quota';
import type { HouseholdScope } from '../scope';
import { HOUR_S, readColumns } from './hours';
import { READING_COLUMNS } from './readings';
import type { SaltCheckKept } from './salt-checks';
import { sensorStays, type SensorStay } from './sensor-stays';

/** Hours of a sensor in which faults are looked for. */
const FAULT_HOURS = 10 * 24;

const hash = (key: string) => createHash('sha256').update(key).digest('hex');
const newKey = () => `tmb_${randomBytes(24).toString('base64url')}`;

/** Whether a key is the one a hygrometer was given; takes as long for a wrong one. */
export function isKeyOf(keyHash: string | null, key: string): boolean {
  return keyHash !== null && timingSafeEqual(Buffer.from(keyHash, 'hex'), Buffer.from(hash(key), 'hex'));
}

/** A hygrometer's row as it is read, and those of a household in the order in which they were added. */
export type SensorKept = Omit<InferAttributes<SensorRow>, 'householdId' | 'addedAt'>;
export const SENSORS = `SELECT no, id, name, kind, placeId, stays, keyHash, ROUND(battery, 5) AS battery, readings, version FROM sensors
  WHERE householdId = ? ORDER BY addedAt, id`;

/** A household's hygrometers and their keys. */
export class SensorScope {
  constructor(
    private readonly database: Database,
    private readonly scope: HouseholdScope,
  ) {}

  async add({ id, kind, name, placeId }: NewSensor): Promise<{ sensor: Sensor; key: string | null }> {
    const key = kind === 'post' ? newKey() : null;
    const made = await this.scope.alone(async (transaction) => {
      const { Sensor: Sensors } = this.database.models;
      const there = await Sensors.findOne({ where: this.scope.where({ id }), transaction });
      if (there) return false;
      checkQuota('sensors', await Sensors.count({ where: this.scope.where({}), transaction }));
      await this.checkPlace(placeId, transaction);
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

  async change(id: string, version: number, { name, placeId }: { name: string; placeId: string }): Promise<Sensor> {
    await this.scope.alone(async (transaction) => {
      const row = await this.rowAt(id, version, transaction);
      await this.checkPlace(placeId, transaction);
      const stays = sensorStays(row);
      // From the next hour on, so that no hour lies in two places.
      if (placeId !== row.placeId) stays.push({ from: Math.ceil(Date.now() / HOUR_MS), placeId });
      await row.update({ name, placeId, stays: JSON.stringify(stays), version: version + 1 }, { transaction });
    });
    return this.sensor(id);
  }

  async remove(id: string, version: number): Promise<void> {
    await this.scope.alone(async (transaction) => {
      const row = await this.rowAt(id, version, transaction);
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
      const row = await this.row(id, transaction);
      if (row.kind !== 'post') fail(422, 'no-key', 'Only a hygrometer that sends by itself has a key.');
      await row.update({ keyHash, version: row.version + 1 }, { transaction });
    });
  }

  private async checkPlace(placeId: string, transaction: Transaction): Promise<void> {
    const place = await this.database.models.Place.findOne({ where: this.scope.where({ id: placeId }), transaction });
    if (place) return;
    const detail = 'There is no such room or case. Choose another.';
    fail(422, 'no-such-place', detail, { placeId: detail });
  }

  /** A hygrometer's row. @throws ProblemError 404 */
  async row(id: string, transaction?: Transaction): Promise<SensorRow> {
    const row = await this.database.models.Sensor.findOne({ where: this.scope.where({ id }), transaction });
    return row ?? fail(404, 'no-such-sensor', 'There is no such hygrometer here. It may have been removed.');
  }

  private async rowAt(id: string, version: number, transaction: Transaction): Promise<SensorRow> {
    const row = await this.row(id, transaction);
    if (row.version !== version) fail(412, 'changed-meanwhile', CHANGED);
    return row;
  }

  /** A hygrometer as it stands. @throws ProblemError 404 */
  async sensor(id: string): Promise<Sensor> {
    const row = await this.row(id);
    const checks = await this.database.models.SaltCheck.findAll({ where: this.scope.where({ sensorId: id }) });
    return this.described(row, checks);
  }

  /** A row as it is told: with its newest reading, its checks, and what its own data says against it. */
  async described(row: SensorKept, checks: readonly SaltCheckKept[]): Promise<Sensor> {
    const { sequelize } = this.database;
    const { no } = row;
    const [latest] = await sequelize.query<Reading>(
      `SELECT ${READING_COLUMNS} FROM readings WHERE sensor = :no ORDER BY at DESC LIMIT 1`,
      { replacements: { no }, type: QueryTypes.SELECT },
    );
    const last = latest ? Math.floor(latest.atS / HOUR_S) : 0;
    const recent = packSeries(correctedSeries(await readColumns(sequelize, no!, last - FAULT_HOURS, last), []));
    const watched = row.kind === 'post';
    return {
      id: row.id,
      name: row.name,
      placeId: row.placeId,
      kind: row.kind as Sensor['kind'],
      keyed: row.keyHash !== null,
      battery: row.battery,
      last: latest
        ? { atS: latest.atS, rhHundredths: latest.rhHundredths, tempHundredths: latest.tempHundredths }
        : null,
      readings: row.readings,
      checks: checks
        .map(({ id, at, salt, tempC, shownRh }) => ({ id, at: at.toISOString(), salt, tempC, shownRh }))
        .sort((a, b) => (a.at < b.at ? -1 : 1)) as SaltCheckRecord[],
      faults: sensorFaults(recent.map(unpackHour), Date.now(), { watched, battery: row.battery }),
      version: row.version,
    };
  }
}
