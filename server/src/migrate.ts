import { databaseAddress, readConfig } from './config';
import { migrate } from './database/migrate';

/** Run before the server: brings the database up to date with the owner's rights. */
const config = readConfig(process.env);
const owner = {
  ...databaseAddress(config),
  user: process.env.DATABASE_OWNER ?? '',
  password: process.env.DATABASE_OWNER_PASSWORD ?? '',
};
migrate(owner, config.DATABASE_USER, config.DATABASE_USER_HOST)
  .then((done) => {
    if (done.length > 0) console.log(`Database brought up to date: ${done.join(', ')}`);
  })
  .catch((error: unknown) => {
    console.error(error instanceof Error ? error.message : error);
    process.exit(1);
  });
