import { QueryTypes } from 'sequelize';
import type { Database } from '../database/connect';

/** Rows that go with one statement. */
const ROWS_AT_ONCE = 2000;

/** What a household has most of: it goes part by part, so that whoever writes meanwhile waits for none of it. */
const LARGE = [
  { name: 'readings', of: 'sensor IN (:numbers)' },
  { name: 'reading_days', of: 'sensor IN (:numbers)' },
  { name: 'events', of: 'householdId = :householdId' },
] as const;

/**
 * Removes a household with all that is its own; photographs' pictures go with the next sweep of their store. Cut off in the middle,
 * it goes on when it is called again.
 */
export async function removeHousehold(
  { sequelize, models }: Pick<Database, 'sequelize' | 'models'>,
  householdId: string,
): Promise<void> {
  const sensors = await models.Sensor.findAll({ where: { householdId }, attributes: ['no'], raw: true });
  // No sensor has the number 0: a list is never empty.
  const numbers = [0, ...sensors.map(({ no }) => no)];
  for (const table of LARGE) {
    const sql = `DELETE FROM ${table.name} WHERE ${table.of} LIMIT ${ROWS_AT_ONCE}`;
    for (let gone = ROWS_AT_ONCE; gone === ROWS_AT_ONCE;) {
      const options = { type: QueryTypes.BULKDELETE, replacements: { householdId, numbers } } as const;
      gone = Number(await sequelize.query(sql, options));
    }
  }
  await models.Household.destroy({ where: { id: householdId } });
}
