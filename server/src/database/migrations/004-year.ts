import { USUAL_STRINGING } from '@tembrin/core';
import { DataTypes, type QueryInterface } from 'sequelize';
import { steps } from './steps';

const id = () => ({ type: DataTypes.UUID, allowNull: false }) as const;
const time = () => ({ type: DataTypes.DATE(3), allowNull: false }) as const;
const household = () => ({ ...id(), references: { model: 'households', key: 'id' }, onDelete: 'CASCADE' }) as const;

/** How instruments are strung, a household's currency and calendar, its cards, and what its calendar last said. */
export const name = '004-year';

export async function up(queryInterface: QueryInterface): Promise<void> {
  const { sequelize } = queryInterface;
  const { index, column } = steps(queryInterface);
  await column('instruments', 'stringing', { type: DataTypes.TEXT, allowNull: false, defaultValue: '{}' });
  await sequelize.query("UPDATE instruments SET stringing = :usual WHERE stringing = '{}'", {
    replacements: { usual: JSON.stringify(USUAL_STRINGING) },
  });
  await column('households', 'currency', { type: DataTypes.STRING(3), allowNull: true });
  // Random, and part of the private address; null while there is none.
  await column('households', 'calendarId', { type: DataTypes.UUID, allowNull: true });
  await index('households', 'households_by_calendar', ['calendarId']);

  await queryInterface.createTable('cards', {
    householdId: { ...household(), primaryKey: true },
    id: { ...id(), primaryKey: true },
    kind: { type: DataTypes.STRING(16), allowNull: false },
    facts: { type: DataTypes.TEXT, allowNull: false },
    addedAt: time(),
    version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
  });

  await queryInterface.createTable('calendar_items', {
    householdId: { ...household(), primaryKey: true },
    uid: { type: DataTypes.STRING(120), primaryKey: true },
    sequence: { type: DataTypes.INTEGER, allowNull: false },
    stampedAt: time(),
    facts: { type: DataTypes.TEXT, allowNull: false },
    cancelledAt: { type: DataTypes.DATE(3), allowNull: true },
  });
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  await queryInterface.dropTable('calendar_items');
  await queryInterface.dropTable('cards');
  await queryInterface.removeIndex('households', 'households_by_calendar');
  await queryInterface.removeColumn('households', 'calendarId');
  await queryInterface.removeColumn('households', 'currency');
  await queryInterface.removeColumn('instruments', 'stringing');
}
