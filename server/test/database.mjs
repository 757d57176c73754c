import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { migrateDatabase, startDatabase } from '../../scripts/lib/database.mjs';
import { DEBIAN, ensureDebian } from '../../scripts/lib/project.mjs';

/** A throw-away MariaDB for the server's tests, brought to the newest shape. */
export default async function setUp() {
  ensureDebian(DEBIAN);
  const folder = mkdtempSync(join(tmpdir(), 'tembrin-server-test-'));
  const database = await startDatabase(folder);
  await migrateDatabase(database.env);
  Object.assign(process.env, database.env);
  globalThis.tembrinTestDatabase = { database, folder };
}
