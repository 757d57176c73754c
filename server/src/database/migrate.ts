import { setTimeout as sleep } from 'node:timers/promises';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { connect, type DatabaseAddress } from './connect';
import { withLease } from './lease';
import * as householdLog from './migrations/001-household-log';
import * as setUp from './migrations/002-set-up';
import * as air from './migrations/003-air';
import * as year from './migrations/004-year';
import * as askedOften from './migrations/005-asked-often';
import * as manyServers from './migrations/006-many-servers';
import * as photos from './migrations/007-photos';
import * as visits from './migrations/008-visits';
import * as accounts from './migrations/009-accounts';
import * as people from './migrations/010-people';
import * as notices from './migrations/011-notices';
import * as ownWays from './migrations/012-own-ways';
import * as calendarKept from './migrations/013-calendar-kept';

const MIGRATIONS = [
  householdLog,
  setUp,
  air,
  year,
  askedOften,
  manyServers,
  photos,
  visits,
  accounts,
  people,
  notices,
  ownWays,
  calendarKept,
];

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
  leases: 'SELECT, INSERT, UPDATE, DELETE',
  limits: 'SELECT, INSERT, UPDATE, DELETE',
  imports: 'SELECT, INSERT, UPDATE, DELETE',
  answers: 'SELECT, INSERT, UPDATE, DELETE',
  photos: 'SELECT, INSERT, DELETE',
  blobs: 'SELECT, INSERT, UPDATE, DELETE',
  shares: 'SELECT, INSERT, UPDATE, DELETE',
  share_answers: 'SELECT, INSERT, UPDATE, DELETE',
  handovers: 'SELECT, INSERT, UPDATE, DELETE',
  passkeys: 'SELECT, INSERT, UPDATE, DELETE',
  account_links: 'SELECT, INSERT, UPDATE, DELETE',
  account_records: 'SELECT, INSERT, DELETE',
  persons: 'SELECT, INSERT, UPDATE, DELETE',
  invitations: 'SELECT, INSERT, UPDATE, DELETE',
  jobs: 'SELECT, INSERT, UPDATE, DELETE',
  notice_settings: 'SELECT, INSERT, UPDATE, DELETE',
  notices: 'SELECT, INSERT, UPDATE, DELETE',
  push_devices: 'SELECT, INSERT, UPDATE, DELETE',
  notice_rounds: 'SELECT, INSERT, UPDATE, DELETE',
};

/**
 * Brings the database to the newest shape and gives the server's user its rights.
 * @param owner address with the user that may change tables
 * @param serverUser name of the user the server runs as
 * @param serverHost where that user comes from: the host it was made for in the database, `%` for any
 * @param told hears each statement before it is carried out
 * @returns names of the migrations carried out
 */
export async function migrate(
  owner: DatabaseAddress,
  serverUser: string,
  serverHost = '127.0.0.1',
  told: ((sql: string) => void) | false = false,
): Promise<string[]> {
  const { long, close } = connect(owner, told);
  try {
    return await long.transaction((held) => alone(long, held, () => bringUp(long, owner.name, serverUser, serverHost)));
  } finally {
    await close();
  }
}

/** How long one waits for another that brings the same database up to date, s. */
const PATIENCE_S = 60;

/** Whether the database is a node of a cluster: there a lock is one node's own, so that a lease is needed beside it. */
async function isCluster(sequelize: Sequelize): Promise<boolean> {
  const [row] = await sequelize.query<{ Value: string }>("SHOW STATUS LIKE 'wsrep_cluster_size'", {
    type: QueryTypes.SELECT,
  });
  return Number(row?.Value ?? 0) > 0;
}

/** Does work under a lease of the whole cluster, once it is free. */
async function onCluster<T>(sequelize: Sequelize, work: () => Promise<T>): Promise<T> {
  await sequelize.query(
    'CREATE TABLE IF NOT EXISTS leases (name VARCHAR(120) PRIMARY KEY, holder CHAR(36) NOT NULL, until DATETIME(3) NOT NULL)',
  );
  for (const deadline = Date.now() + PATIENCE_S * 1000; Date.now() < deadline; await sleep(500)) {
    const done = await withLease(sequelize, 'migrations', async () => ({ outcome: await work() }));
    if (done) return done.outcome;
  }
  throw new Error(BUSY);
}

const BUSY =
  'Another start is bringing the database up to date and does not come to an end. Stop it, then start again.';

/** Has one at a time bring the database up to date; the lock goes with the connection of the transaction, however that ends. */
async function alone<T>(sequelize: Sequelize, held: Transaction, work: () => Promise<T>): Promise<T> {
  const lock = 'tembrin-migrations';
  const options = { type: QueryTypes.SELECT, transaction: held, replacements: { lock, patience: PATIENCE_S } } as const;
  const [got] = await sequelize.query<{ taken: number | null }>('SELECT GET_LOCK(:lock, :patience) AS taken', options);
  if (Number(got?.taken) !== 1) throw new Error(BUSY);
  try {
    return (await isCluster(sequelize)) ? await onCluster(sequelize, work) : await work();
  } finally {
    await sequelize.query('SELECT RELEASE_LOCK(:lock)', options);
  }
}

async function bringUp(
  sequelize: Sequelize,
  database: string,
  serverUser: string,
  serverHost: string,
): Promise<string[]> {
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
  const user = `${sequelize.escape(serverUser)}@${sequelize.escape(serverHost)}`;
  for (const [table, rights] of Object.entries(GRANTS))
    await sequelize.query(`GRANT ${rights} ON \`${database}\`.\`${table}\` TO ${user}`);
  return done.map(({ name }) => name);
}
