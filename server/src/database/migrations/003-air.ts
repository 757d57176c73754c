import { DataTypes, type QueryInterface } from 'sequelize';
import { steps } from './steps';

const id = () => ({ type: DataTypes.UUID, allowNull: false }) as const;
const time = () => ({ type: DataTypes.DATE(3), allowNull: false }) as const;
const version = () => ({ type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 }) as const;

/** Places, hygrometers, their readings with hourly roll-ups, and salt checks. */
export const name = '003-air';

export async function up(queryInterface: QueryInterface): Promise<void> {
  const household = () => ({ ...id(), references: { model: 'households', key: 'id' }, onDelete: 'CASCADE' }) as const;
  const { sequelize } = queryInterface;
  const { index, foreignKey } = steps(queryInterface);

  await queryInterface.createTable('places', {
    householdId: { ...household(), primaryKey: true },
    id: { ...id(), primaryKey: true },
    name: { type: DataTypes.STRING(60), allowNull: false },
    kind: { type: DataTypes.STRING(8), allowNull: false },
    roomId: { type: DataTypes.UUID, allowNull: true },
    facts: { type: DataTypes.TEXT, allowNull: false },
    addedAt: time(),
    version: version(),
  });

  await queryInterface.createTable('sensors', {
    // Readings carry this short number instead of two ids.
    no: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
    householdId: household(),
    id: id(),
    name: { type: DataTypes.STRING(60), allowNull: false },
    kind: { type: DataTypes.STRING(8), allowNull: false },
    placeId: id(),
    // Where it hung since when: [{ from: hours since 1970, placeId }].
    stays: { type: DataTypes.TEXT, allowNull: false },
    keyHash: { type: DataTypes.STRING(64), allowNull: true },
    battery: { type: DataTypes.FLOAT, allowNull: true },
    addedAt: time(),
    version: version(),
  });
  await index('sensors', 'sensors_once_per_household', ['householdId', 'id'], true);
  await foreignKey(
    'sensors',
    'sensors_in_place',
    '(householdId, placeId) REFERENCES places (householdId, id) ON DELETE CASCADE',
  );

  await queryInterface.createTable('salt_checks', {
    householdId: { ...id(), primaryKey: true },
    id: { ...id(), primaryKey: true },
    sensorId: id(),
    at: time(),
    salt: { type: DataTypes.STRING(20), allowNull: false },
    tempC: { type: DataTypes.FLOAT, allowNull: false },
    shownRh: { type: DataTypes.FLOAT, allowNull: false },
  });
  await foreignKey(
    'salt_checks',
    'checks_of_sensor',
    '(householdId, sensorId) REFERENCES sensors (householdId, id) ON DELETE CASCADE',
  );

  // Raw, as read: seconds since 1970, humidity and °C in hundredths. Corrections are reckoned when they are looked at.
  await sequelize.query(`
    CREATE TABLE IF NOT EXISTS readings (
      sensor INT NOT NULL,
      at INT UNSIGNED NOT NULL,
      rh SMALLINT NOT NULL,
      tempC SMALLINT NULL,
      low SMALLINT NULL,
      high SMALLINT NULL,
      PRIMARY KEY (sensor, at),
      CONSTRAINT readings_of_sensor FOREIGN KEY (sensor) REFERENCES sensors (no) ON DELETE CASCADE
    )`);
  // The hours of a UTC day, rolled up and packed.
  await sequelize.query(`
    CREATE TABLE IF NOT EXISTS reading_days (
      sensor INT NOT NULL,
      day INT UNSIGNED NOT NULL,
      n INT UNSIGNED NOT NULL,
      hours VARBINARY(576) NOT NULL,
      PRIMARY KEY (sensor, day),
      CONSTRAINT days_of_sensor FOREIGN KEY (sensor) REFERENCES sensors (no) ON DELETE CASCADE
    )`);
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  for (const table of ['reading_days', 'readings', 'salt_checks', 'sensors', 'places']) {
    await queryInterface.dropTable(table);
  }
}
