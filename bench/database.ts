import { connect, type Database } from '../server/src/database/connect';

const env = (name: string) => process.env[name]!;

/** The throwaway's database, as the server has it. */
export const benchDatabase = (): Database =>
  connect({
    host: env('DATABASE_HOST'),
    port: Number(env('DATABASE_PORT')),
    name: env('DATABASE_NAME'),
    user: env('DATABASE_USER'),
    password: env('DATABASE_PASSWORD'),
  });
