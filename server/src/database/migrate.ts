import { SequelizeStorage, Umzug } from 'umzug';
import { connect, type DatabaseAddress } from './connect';
import * as householdLog from './migrations/001-household-log';
import * as setUp from './migrations/002-set-up';
import * as air from './migrations/003-air';
import * as year from './migrations/004-year';

const MIGRATIONS = [householdLog, setUp, air, year];

/** What the server's own database user may do with each table. The log can be added to, never changed. */
const GRANTS: Readonly<Record<string, string>> = {
  households: 'SELECT, INSERT, UPDATE, DELETE',
  accounts: 'SELECT, INSERT, UPDATE, DELETE',
  instruments: 'SELECT, INSERT, UPDATE, DELETE',
  events: 'SELECT, INSERT, DELETE',
  places: 'SELECT, INSERT, UPDATE, DELETE',
  sensors: 'SELECT, INSERT, UPDATE, DELETE',
  salt_checks: 'SELECT, INSERT, DELETE',
  readings: 'SELECT, INSERT, UPDATE, DELETE',
  reading_days: 'SELECT, INSERT, UPDATE, DELETE',
  cards: 'SELECT, INSERT, UPDATE, DELETE',
  calendar_items: 'SELECT, INSERT, UPDATE, DELETE',
  sessions: 'SELECT, INSERT, UPDATE, DELETE',
};

/**
 * Brings the database to the newest shape and gives the server's user its rights.
 * @param owner address with the user that may change tables
 * @param serverUser name of the user the server runs as, on 127.0.0.1
 * @returns names of the migrations carried out
 */
export async function migrate(owner: DatabaseAddress, serverUser: string): Promise<string[]> {
  const { sequelize, close } = connect(owner);
  try {
    const umzug = new Umzug({
      migrations: MIGRATIONS.map(({ name, up, down }) => ({
        name,
        up: () => up(sequelize.getQueryInterface()),
        down: () => down(sequelize.getQueryInterface()),
      })),
      storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
      logger: undefined,
    });
    const done = await umzug.up();
    for (const [table, rights] of Object.entries(GRANTS)) {
      await sequelize.query(`GRANT ${rights} ON \`${owner.name}\`.\`${table}\` TO '${serverUser}'@'127.0.0.1'`);
    }
    return done.map(({ name }) => name);
  } finally {
    await close();
  }
}
