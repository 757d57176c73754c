import { DataTypes, type QueryInterface } from 'sequelize';
import { steps } from './steps';

const id = () => ({ type: DataTypes.UUID, allowNull: false }) as const;
const time = () => ({ type: DataTypes.DATE(3), allowNull: false }) as const;

/** Households, accounts, instruments, the event log and sign-in sessions. */
export const name = '001-household-log';

export async function up(queryInterface: QueryInterface): Promise<void> {
  const { index, foreignKey } = steps(queryInterface);
  // Sequelize writes into what it is given, so that every column gets an object of its own.
  const household = () =>
    ({
      ...id(),
      references: { model: 'households', key: 'id' },
      onDelete: 'CASCADE',
    }) as const;

  await queryInterface.createTable('households', {
    id: { ...id(), primaryKey: true },
    name: { type: DataTypes.STRING(80), allowNull: false },
    timeZone: { type: DataTypes.STRING(64), allowNull: false },
    schools: { type: DataTypes.TEXT, allowNull: false },
    demo: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
    openedAt: { type: DataTypes.DATE(3), allowNull: true },
    createdAt: time(),
    version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
  });

  await queryInterface.createTable('accounts', {
    id: { ...id(), primaryKey: true },
    householdId: household(),
    email: { type: DataTypes.STRING(254), allowNull: false, unique: true },
    passwordHash: { type: DataTypes.STRING(255), allowNull: false },
    createdAt: time(),
  });

  // The household is part of the key, so an event can only ever belong to an instrument of its own household.
  await queryInterface.createTable('instruments', {
    householdId: { ...household(), primaryKey: true },
    id: { ...id(), primaryKey: true },
    name: { type: DataTypes.STRING(60), allowNull: false },
    family: { type: DataTypes.STRING(16), allowNull: false },
    kind: { type: DataTypes.STRING(16), allowNull: true },
    size: { type: DataTypes.STRING(12), allowNull: true },
    stringCount: { type: DataTypes.INTEGER, allowNull: false },
    since: { type: DataTypes.DATEONLY, allowNull: true },
    setUp: { type: DataTypes.TEXT, allowNull: false },
    addedAt: time(),
    version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
  });

  await queryInterface.createTable('events', {
    seq: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
    householdId: id(),
    id: id(),
    instrumentId: id(),
    type: { type: DataTypes.STRING(40), allowNull: false },
    occurredAt: time(),
    recordedAt: time(),
    receivedAt: time(),
    payload: { type: DataTypes.TEXT, allowNull: false },
  });
  await index('events', 'events_once_per_household', ['householdId', 'id'], true);
  await foreignKey(
    'events',
    'events_of_instrument',
    '(householdId, instrumentId) REFERENCES instruments (householdId, id) ON DELETE CASCADE',
  );
  await index('events', 'events_by_instrument', ['householdId', 'instrumentId', 'seq']);

  await queryInterface.createTable('sessions', {
    sid: { type: DataTypes.STRING(64), primaryKey: true },
    expires: { type: DataTypes.DATE(3), allowNull: true },
    data: { type: DataTypes.TEXT, allowNull: true },
    createdAt: time(),
    updatedAt: time(),
  });
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  for (const table of ['sessions', 'events', 'instruments', 'accounts', 'households']) {
    await queryInterface.dropTable(table);
  }
}
