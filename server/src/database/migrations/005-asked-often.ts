import type { QueryInterface } from 'sequelize';
import { steps } from './steps';

/** Ways to what is asked for often: a device's news of the log, a hygrometer by its id, demo copies by their age. */
export const name = '005-asked-often';

const INDICES = [
  ['events', 'events_in_order', ['householdId', 'seq']],
  ['sensors', 'sensors_by_id', ['id']],
  ['households', 'households_by_age', ['demo', 'openedAt', 'createdAt']],
] as const;

export async function up(queryInterface: QueryInterface): Promise<void> {
  const { index } = steps(queryInterface);
  for (const [table, named, fields] of INDICES) await index(table, named, fields);
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  for (const [table, named] of INDICES) await queryInterface.removeIndex(table, named);
}
