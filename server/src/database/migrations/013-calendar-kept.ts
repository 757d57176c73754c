import { DataTypes, type QueryInterface } from 'sequelize';
import { steps } from './steps';

/** How often the readings of a sensor changed, and what a household's calendar was last judged from. */
export const name = '013-calendar-kept';

export async function up(queryInterface: QueryInterface): Promise<void> {
  const { column } = steps(queryInterface);
  await column('sensors', 'turn', { type: DataTypes.BIGINT, allowNull: false, defaultValue: 0 });
  // Its turn, those of its sensors, and the day.
  await column('households', 'calendarFrom', { type: DataTypes.STRING(120), allowNull: true });
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  await queryInterface.removeColumn('households', 'calendarFrom');
  await queryInterface.removeColumn('sensors', 'turn');
}
