import { readingOf, type Reading } from '@tembrin/core';
import { readingFaultSentence, type Intake, type ReadingPost } from '@tembrin/contract';
import { QueryTypes } from 'sequelize';
import type { Database } from '../../database/connect';
import { fail } from '../../problems/problems';
import type { HouseholdScope } from '../scope';
import { rollUp } from './hours';
import { countReadings, READING_COLUMNS, takeIn } from './readings';
import { SensorScope } from './sensors';

/** Newest readings that are listed to be taken back. */
const READINGS_SHOWN = 20;

/** Readings somebody took, and took back. */
export class ReadingScope {
  private readonly sensors: SensorScope;

  constructor(
    private readonly database: Database,
    private readonly scope: HouseholdScope,
  ) {
    this.sensors = new SensorScope(database, scope);
  }

  async post(id: string, { readings }: ReadingPost): Promise<Intake> {
    const nowMs = Date.now();
    const checked = readings.map(({ at, ...taken }, index) => {
      const made = readingOf({ ...taken, at: Date.parse(at) }, nowMs);
      if (typeof made === 'string') {
        const detail = readingFaultSentence(made);
        fail(422, made, detail, { [`readings.${index}`]: detail });
      }
      return made;
    });
    return this.scope.alone(async (transaction) => {
      const row = await this.sensors.row(id, transaction);
      return takeIn(this.database.sequelize, row.no!, checked, transaction);
    });
  }

  async newest(id: string): Promise<{ readings: Reading[] }> {
    const { no } = await this.sensors.row(id);
    const readings = await this.database.sequelize.query<Reading>(
      `SELECT ${READING_COLUMNS} FROM readings WHERE sensor = :no ORDER BY at DESC LIMIT ${READINGS_SHOWN}`,
      { replacements: { no }, type: QueryTypes.SELECT },
    );
    return { readings };
  }

  async remove(id: string, atS: number): Promise<void> {
    const { sequelize } = this.database;
    await this.scope.alone(async (transaction) => {
      const row = await this.sensors.row(id, transaction);
      const gone = await sequelize.query('DELETE FROM readings WHERE sensor = :no AND at = :atS', {
        replacements: { no: row.no, atS },
        type: QueryTypes.BULKDELETE,
        transaction,
      });
      await countReadings(sequelize, row.no!, -Number(gone), transaction);
      await rollUp(sequelize, row.no!, atS, atS, transaction);
    });
  }
}
