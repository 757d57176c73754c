import { DataTypes, type QueryInterface } from 'sequelize';
import { steps } from './steps';

/** What persons are reminded of, when and how; what they were told; and when each household is looked at next. */
export const name = '011-notices';

const id = () => ({ type: DataTypes.UUID, allowNull: false }) as const;
const time = () => ({ type: DataTypes.DATE(3), allowNull: false }) as const;
const maybe = () => ({ type: DataTypes.DATE(3), allowNull: true }) as const;
const text = () => ({ type: DataTypes.TEXT, allowNull: false }) as const;
const household = () => ({ ...id(), references: { model: 'households', key: 'id' }, onDelete: 'CASCADE' }) as const;

export async function up(queryInterface: QueryInterface): Promise<void> {
  const { index, foreignKey } = steps(queryInterface);
  await queryInterface.createTable('notice_settings', {
    householdId: { ...household(), primaryKey: true },
    personId: { ...id(), primaryKey: true },
    settings: text(),
    version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
  });
  await foreignKey(
    'notice_settings',
    'settings_of_persons',
    '(householdId, personId) REFERENCES persons (householdId, id) ON DELETE CASCADE',
  );
  await queryInterface.createTable('notices', {
    householdId: { ...household(), primaryKey: true },
    id: { ...id(), primaryKey: true },
    personId: id(),
    // Kind and what it is about.
    concern: { type: DataTypes.STRING(200), allowNull: false },
    instrumentId: id(),
    worse: { type: DataTypes.DOUBLE, allowNull: false },
    words: text(),
    digest: { type: DataTypes.BOOLEAN, allowNull: false },
    toldAt: time(),
    soAt: time(),
    againAt: maybe(),
    doneAt: maybe(),
  });
  await index('notices', 'notices_by_id', ['id'], true);
  await index('notices', 'notices_of_person', ['householdId', 'personId', 'toldAt']);
  await foreignKey(
    'notices',
    'notices_of_persons',
    '(householdId, personId) REFERENCES persons (householdId, id) ON DELETE CASCADE',
  );
  await queryInterface.createTable('push_devices', {
    accountId: {
      ...id(),
      primaryKey: true,
      references: { model: 'accounts', key: 'id' },
      onDelete: 'CASCADE',
    },
    id: { ...id(), primaryKey: true },
    name: { type: DataTypes.STRING(60), allowNull: false },
    endpoint: text(),
    p256dh: { type: DataTypes.STRING(88), allowNull: false },
    auth: { type: DataTypes.STRING(24), allowNull: false },
    // The sign-in on it.
    sid: { type: DataTypes.STRING(64), allowNull: false },
    addedAt: time(),
    toldAt: maybe(),
    deadSince: maybe(),
  });
  await queryInterface.createTable('notice_rounds', {
    householdId: { ...household(), primaryKey: true },
    // When it is looked at by itself, and since when something new waits to be looked at.
    dueAt: time(),
    askedAt: maybe(),
    judgedAt: maybe(),
    // Who looks at it, and until when that is believed.
    holder: { type: DataTypes.UUID, allowNull: true },
    heldUntil: maybe(),
  });
  await index('notice_rounds', 'rounds_by_due', ['dueAt']);
  await index('notice_rounds', 'rounds_by_asked', ['askedAt']);
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  for (const table of ['notice_rounds', 'push_devices', 'notices', 'notice_settings'])
    await queryInterface.dropTable(table);
}
