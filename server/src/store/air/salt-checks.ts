import { checkFault, CLOCK_TOLERANCE_MS, type Salt, type SaltCheck } from '@tembrin/core';
import { CHECK_FAULT_SENTENCES, type SaltCheckRecord, type Sensor } from '@tembrin/contract';
import type { InferAttributes } from 'sequelize';
import type { Database } from '../../database/connect';
import type { SaltCheckRow } from '../../database/models';
import { fail } from '../../problems/problems';
import { checkQuota } from '../../problems/quota';
import type { HouseholdScope } from '../scope';
import { SensorScope } from './sensors';

/** A check's row as it is read, and those of a household: numbers as they were written, not as the nearest of half the digits. */
export type SaltCheckKept = Omit<InferAttributes<SaltCheckRow>, 'householdId'>;
export const CHECKS = `SELECT id, sensorId, at, salt, ROUND(tempC, 5) AS tempC, ROUND(shownRh, 5) AS shownRh FROM salt_checks
  WHERE householdId = ?`;

export function saltCheckOf({ at, salt, tempC, shownRh }: SaltCheckKept): SaltCheck {
  return { at: at.getTime(), salt: salt as Salt, tempC, shownRh };
}

/** What a household's hygrometers showed over salts. */
export class SaltCheckScope {
  private readonly sensors: SensorScope;

  constructor(
    private readonly database: Database,
    private readonly scope: HouseholdScope,
  ) {
    this.sensors = new SensorScope(database, scope);
  }

  async add(sensorId: string, check: SaltCheckRecord): Promise<Sensor> {
    await this.scope.alone(async (transaction) => {
      await this.sensors.row(sensorId, transaction);
      const { SaltCheck: SaltChecks } = this.database.models;
      const rows = await SaltChecks.findAll({ where: this.scope.where({ sensorId }), transaction });
      if (rows.some(({ id }) => id === check.id)) return;
      checkQuota('checks', rows.length);
      const at = Date.parse(check.at);
      if (at > Date.now() + CLOCK_TOLERANCE_MS)
        fail(422, 'in-the-future', 'That is in the future. Check the date and time.');
      const fault = checkFault({ ...check, at }, rows.map(saltCheckOf));
      if (fault) fail(422, `check-${fault}`, CHECK_FAULT_SENTENCES[fault]);
      await SaltChecks.create(this.scope.where({ ...check, sensorId, at: new Date(at) }), { transaction });
    });
    return this.sensors.sensor(sensorId);
  }

  async remove(sensorId: string, id: string): Promise<Sensor> {
    await this.sensors.row(sensorId);
    await this.database.models.SaltCheck.destroy({ where: this.scope.where({ sensorId, id }) });
    return this.sensors.sensor(sensorId);
  }
}
