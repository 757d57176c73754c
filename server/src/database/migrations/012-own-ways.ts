import { DataTypes, type QueryInterface } from 'sequelize';
import { steps } from './steps';

/** How each person goes about it, and the private address of a calendar of their own. */
export const name = '012-own-ways';

export async function up(queryInterface: QueryInterface): Promise<void> {
  const { index, column } = steps(queryInterface);
  // JSON: the sides they take in the schools, and what their hands do to strings.
  await column('persons', 'ways', { type: DataTypes.STRING(1000), allowNull: false, defaultValue: '{}' });
  await column('persons', 'calendarId', { type: DataTypes.UUID, allowNull: true });
  await index('persons', 'persons_by_calendar', ['calendarId']);
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  await steps(queryInterface).noIndex('persons', 'persons_by_calendar');
  for (const column of ['ways', 'calendarId']) await queryInterface.removeColumn('persons', column);
}
