import { DataTypes, type QueryInterface } from 'sequelize';
import { steps } from './steps';

/**
 * What several servers share: a number for each of a household's events, in the order in which they were stored, leases, limits,
 * and how imports go.
 */
export const name = '006-many-servers';

const time = () => ({ type: DataTypes.DATE(3), allowNull: false }) as const;
const counter = () => ({ type: DataTypes.BIGINT, allowNull: false, defaultValue: 0 }) as const;

export async function up(queryInterface: QueryInterface): Promise<void> {
  const { sequelize } = queryInterface;
  const { index, noIndex, column, foreignKey } = steps(queryInterface);
  // Counted up by every change: two that change one household at once get in each other's way on a cluster too.
  await column('households', 'turn', counter());
  await column('households', 'logNumber', counter());
  await column('households', 'logEpoch', { type: DataTypes.STRING(36), allowNull: false, defaultValue: '' });
  await sequelize.query("UPDATE households SET logEpoch = UUID() WHERE logEpoch = ''");
  // A demo copy's log begins with so many events of its master's.
  await column('households', 'base', { type: DataTypes.UUID, allowNull: true });
  await column('households', 'baseNumber', counter());
  await foreignKey('households', 'copies_of_master', '(base) REFERENCES households (id)');
  await column('events', 'number', counter());
  // As they were counted so far: a device's place in the log stays its place.
  await sequelize.query('UPDATE events SET number = seq WHERE number = 0');
  await sequelize.query(
    `UPDATE households SET logNumber = COALESCE((SELECT MAX(number) FROM events WHERE householdId = households.id), 0)
     WHERE logNumber = 0`,
  );
  await index('events', 'events_by_number', ['householdId', 'number'], true);
  await noIndex('events', 'events_in_order');
  // Sessions beside one another in time.
  await index('events', 'events_by_type', ['householdId', 'instrumentId', 'type', 'occurredAt']);
  await column('sensors', 'readings', { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 });
  await sequelize.query(
    `UPDATE sensors SET readings = COALESCE((SELECT SUM(n) FROM reading_days WHERE sensor = sensors.no), 0)
     WHERE readings = 0`,
  );
  await index('sessions', 'sessions_by_end', ['expires']);
  // Only the hash of a session's id is kept; an id itself is shorter.
  await sequelize.query('UPDATE sessions SET sid = TO_BASE64(UNHEX(SHA2(sid, 256))) WHERE CHAR_LENGTH(sid) < 40');
  await queryInterface.createTable('leases', {
    name: { type: DataTypes.STRING(120), primaryKey: true },
    holder: { type: DataTypes.UUID, allowNull: false },
    until: time(),
  });
  await queryInterface.createTable('limits', {
    name: { type: DataTypes.STRING(80), primaryKey: true },
    hits: { type: DataTypes.INTEGER, allowNull: false },
    until: time(),
  });
  await index('limits', 'limits_by_end', ['until']);
  // What one server asked somebody outside, for all of them.
  await queryInterface.createTable('answers', {
    name: { type: DataTypes.STRING(40), primaryKey: true },
    at: time(),
    data: { type: DataTypes.TEXT('medium'), allowNull: false },
  });
  await queryInterface.createTable('imports', {
    householdId: {
      type: DataTypes.UUID,
      allowNull: false,
      primaryKey: true,
      references: { model: 'households', key: 'id' },
      onDelete: 'CASCADE',
    },
    id: { type: DataTypes.UUID, allowNull: false, primaryKey: true },
    progress: { type: DataTypes.TEXT, allowNull: false },
    cancelled: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
    /** Told anew while it runs. */
    seenAt: time(),
    endedAt: { type: DataTypes.DATE(3), allowNull: true },
  });
  await index('imports', 'imports_by_end', ['endedAt']);
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  for (const table of ['imports', 'answers', 'limits', 'leases']) await queryInterface.dropTable(table);
  await queryInterface.removeIndex('sessions', 'sessions_by_end');
  await queryInterface.removeColumn('sensors', 'readings');
  await queryInterface.addIndex('events', { name: 'events_in_order', fields: ['householdId', 'seq'] });
  await queryInterface.removeIndex('events', 'events_by_type');
  await queryInterface.removeIndex('events', 'events_by_number');
  await queryInterface.removeColumn('events', 'number');
  await queryInterface.removeConstraint('households', 'copies_of_master');
  for (const column of ['baseNumber', 'base', 'logEpoch', 'logNumber', 'turn'])
    await queryInterface.removeColumn('households', column);
}
