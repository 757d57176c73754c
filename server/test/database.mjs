import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { migrateDatabase, startDatabase } from '../../scripts/lib/database.mjs';
import { ownUser } from '../../scripts/lib/user.mjs';
import { DEBIAN, ensureDebian } from '../../scripts/lib/project.mjs';

/** A throw-away MariaDB for the server's tests, brought to the newest shape. */
export default async function setUp() {
  ensureDebian({ ...DEBIAN, 'mariadb-dump': ['mariadb-client'] });
  const folder = mkdtempSync(join(tmpdir(), 'tembrin-server-test-'));
  const database = await startDatabase(folder);
  await migrateDatabase(database.env, ownUser(folder));
  // Another, empty one, for what is done to databases that are not up to date.
  const other = 'tembrin_migrations';
  database.asOwnerOfTheMachine(
    `CREATE DATABASE ${other} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci; GRANT ALL ON ${other}.* TO 'tembrin_owner'@'127.0.0.1' WITH GRANT OPTION`,
  );
  // What zone a server's own machine stands in may change nothing.
  process.env.TZ = 'America/New_York';
  process.env.MIGRATIONS_DATABASE = other;
  process.env.DATA_FOLDER = folder;
  Object.assign(process.env, database.env);
  globalThis.tembrinTestDatabase = { database, folder };
}
