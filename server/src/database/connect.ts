import { Sequelize } from 'sequelize';
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
  close(): Promise<void>;
}

const CONNECT_MS = 10_000;

/** What a kind of work may have of the database. */
const POOLS = {
  short: { max: 8, statementS: 30, lockS: 3 },
  long: { max: 3, statementS: 600, lockS: 20 },
} as const;

/**
 * Opens pools of connections to MariaDB. Times go in and out as UTC.
 * @param told hears each statement before it is carried out
 */
export function connect(address: DatabaseAddress, told: ((sql: string) => void) | false = false): Database {
  const sequelize = pool(address, 'short', told);
  const long = pool(address, 'long', told);
  return {
    sequelize,
    long,
    models: defineModels(sequelize),
    close: async () => void (await Promise.all([sequelize.close(), long.close()])),
  };
}

function pool(
  { host, port, name, user, password }: DatabaseAddress,
  kind: keyof typeof POOLS,
  told: ((sql: string) => void) | false,
): Sequelize {
  const { max, statementS, lockS } = POOLS[kind];
  return new Sequelize(name, user, password, {
    dialect: 'mariadb',
    host,
    port,
    logging: told,
    timezone: '+00:00',
    dialectOptions: {
      // A machine that is busy may take longer than the second the driver waits by itself.
      connectTimeout: CONNECT_MS,
      initSql: 'SET SESSION TRANSACTION ISOLATION LEVEL READ COMMITTED',
      sessionVariables: {
        max_statement_time: statementS,
        innodb_lock_wait_timeout: lockS,
        // On a cluster: what another node has stored is there before something is read. Elsewhere it means nothing.
        wsrep_sync_wait: 1,
      },
    },
    pool: { max, acquire: 15_000 },
    define: { timestamps: false, underscored: false },
  });
}
