import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startServer } from './fixtures';

/** A throw-away database and one server on it for all tests; the app is built first if it is not. */
export default async function setUp(): Promise<() => Promise<void>> {
  const { build } = await import('../scripts/build.mjs');
  const { freePort, migrateDatabase, startDatabase } = await import('../scripts/lib/database.mjs');
  const folder = mkdtempSync(join(tmpdir(), 'tembrin-e2e-'));
  process.env.STATIC_DIR = await build();
  const { startSimulators } = await import('../scripts/lib/simulators.mjs');
  const database = await startDatabase(folder);
  await migrateDatabase(database.env);
  const simulators = await startSimulators({ TZ: 'Europe/Lisbon', HYGROMETER_EVERY_MS: '700' });
  const port = await freePort();
  Object.assign(process.env, database.env, simulators.env, {
    PHOTOS_DIR: join(folder, 'photos'),
    PUBLIC_URL: `http://localhost:${port}`,
    TEMBRIN_MAIL: simulators.mail!,
    TEMBRIN_PUSH: simulators.push,
    // What is new is looked at at once.
    LOOK_DELAY_S: '1',
    LOOK_SPACING_S: '0',
  });
  const server = await startServer(port);
  process.env.TEMBRIN_URL = server.url;
  simulators.tell(server.url);
  return async () => {
    await server.stop();
    await simulators.stop();
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  };
}
