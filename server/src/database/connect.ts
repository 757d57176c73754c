import { Sequelize } from 'sequelize';
import { Reads } from './reads';
import { defineModels, type Models } from './models';

export interface DatabaseAddress {
  host: string;
  port: number;
  name: string;
  user: string;
  password: string;
}

export interface Database {
  sequelize: Sequelize;
  /** Connections of their own for work that takes long: whoever only asks something waits for none of it. */
  long: Sequelize;
  models: Models;
  /** What is read at every request. */
  reads: Reads;
  close(): Promise<void>;
}

const CONNECT_MS = 10_000;
const ACQUIRE_MS = 15_000;

/** What a kind of work may have of the database. */
const POOLS = {
  short: { max: 6, statementS: 30, lockS: 3 },
  reads: { max: 5, statementS: 30, lockS: 3 },
  long: { max: 3, statementS: 600, lockS: 20 },
} as const;

/**
 * Opens pools of connections to MariaDB. Times go in and out as UTC.
 * @param told hears each statement before it is carried out
 */
export function connect(address: DatabaseAddress, told: ((sql: string) => void) | false = false): Database {
  const sequelize = pool(address, 'short', told);
  const long = pool(address, 'long', told);
  const { name: database, ...server } = address;
  const reads = new Reads(
    { ...server, database, ...sessionOf('reads'), connectionLimit: POOLS.reads.max, acquireTimeout: ACQUIRE_MS },
    told,
  );
  return {
    sequelize,
    long,
    models: defineModels(sequelize),
    reads,
    close: async () => void (await Promise.all([sequelize.close(), long.close(), reads.close()])),
  };
}

/** How a connection is made, and what holds on it. */
function sessionOf(kind: keyof typeof POOLS) {
  const { statementS, lockS } = POOLS[kind];
  return {
    // A machine that is busy may take longer than the second the driver waits by itself.
    connectTimeout: CONNECT_MS,
    initSql: 'SET SESSION TRANSACTION ISOLATION LEVEL READ COMMITTED',
    sessionVariables: {
      max_statement_time: statementS,
      innodb_lock_wait_timeout: lockS,
      // On a cluster: what another node has stored is there before something is read. Elsewhere it means nothing.
      wsrep_sync_wait: 1,
    },
  };
}

function pool(
  { host, port, name, user, password }: DatabaseAddress,
  kind: 'short' | 'long',
  told: ((sql: string) => void) | false,
): Sequelize {
  return new Sequelize(name, user, password, {
    dialect: 'mariadb',
    host,
    port,
    logging: told,
    timezone: '+00:00',
    dialectOptions: sessionOf(kind),
    pool: { max: POOLS[kind].max, acquire: ACQUIRE_MS },
    define: { timestamps: false, underscored: false },
  });
}
