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
  models: Models;
  close(): Promise<void>;
}

const CONNECT_MS = 10_000;

/** Opens a pool of connections to MariaDB. Times go in and out as UTC. @param told hears each statement before it is carried out */
export function connect(
  { host, port, name, user, password }: DatabaseAddress,
  told: ((sql: string) => void) | false = false,
): Database {
  const sequelize = new Sequelize(name, user, password, {
    dialect: 'mariadb',
    host,
    port,
    logging: told,
    timezone: '+00:00',
    // A machine that is busy may take longer than the second the driver waits by itself.
    dialectOptions: { connectTimeout: CONNECT_MS },
    pool: { max: 8, acquire: 15_000 },
    define: { timestamps: false, underscored: false },
  });
  return { sequelize, models: defineModels(sequelize), close: () => sequelize.close() };
}
