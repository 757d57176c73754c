import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { connect, type DatabaseAddress } from './connect';
import * as householdLog from './migrations/001-household-log';
import * as setUp from './migrations/002-set-up';
import * as air from './migrations/003-air';
import * as year from './migrations/004-year';
import * as askedOften from './migrations/005-asked-often';

const MIGRATIONS = [householdLog, setUp, air, year, askedOften];

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
 * @param told hears each statement before it is carried out
 * @returns names of the migrations carried out
 */
export async function migrate(
  owner: DatabaseAddress,
  serverUser: string,
  told: ((sql: string) => void) | false = false,
): Promise<string[]> {
  const { sequelize, close } = connect(owner, told);
  try {
    return await sequelize.transaction((held) =>
      alone(sequelize, held, () => bringUp(sequelize, owner.name, serverUser)),
    );
  } finally {
    await close();
  }
}

/** How long one waits for another that brings the same database up to date, s. */
const PATIENCE_S = 60;

/** Has one at a time bring the database up to date; the lock goes with the connection of the transaction, however that ends. */
async function alone<T>(sequelize: Sequelize, held: Transaction, work: () => Promise<T>): Promise<T> {
  const lock = 'tembrin-migrations';
  const options = { type: QueryTypes.SELECT, transaction: held, replacements: { lock, patience: PATIENCE_S } } as const;
  const [got] = await sequelize.query<{ taken: number | null }>('SELECT GET_LOCK(:lock, :patience) AS taken', options);
  if (Number(got?.taken) !== 1)
    throw new Error(
      'Another start is bringing the database up to date and does not come to an end. Stop it, then start again.',
    );
  try {
    return await work();
  } finally {
    await sequelize.query('SELECT RELEASE_LOCK(:lock)', options);
  }
}

async function bringUp(sequelize: Sequelize, database: string, serverUser: string): Promise<string[]> {
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
    await sequelize.query(`GRANT ${rights} ON \`${database}\`.\`${table}\` TO '${serverUser}'@'127.0.0.1'`);
  }
  return done.map(({ name }) => name);
}
