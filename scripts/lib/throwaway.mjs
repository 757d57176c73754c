import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from '../build.mjs';
import { freePort, migrateDatabase, startDatabase } from './database.mjs';
import { ownUser } from './user.mjs';
import { startSimulators } from './simulators.mjs';
import { DEBIAN, ensureDebian, ensurePackages, exit, runTypeScript } from './project.mjs';

/** Runs work against a built app on a server and database of its own, all of which is gone afterwards. */
export async function withThrowaway(work) {
  ensureDebian({ ...DEBIAN, chromium: ['chromium'] });
  ensurePackages();
  const STATIC_DIR = await build();
  const folder = mkdtempSync(join(tmpdir(), 'tembrin-throwaway-'));
  // Benches compare with the database's own loading of a file.
  const database = await startDatabase(folder, 0, 'mariadb', ['--local-infile=1']);
  const user = ownUser(folder);
  await migrateDatabase(database.env, user);
  const simulators = await startSimulators({ TZ: 'Europe/Lisbon' });
  const port = await freePort();
  const env = {
    ...simulators.env,
    ...database.env,
    PORT: String(port),
    PUBLIC_URL: `http://localhost:${port}`,
    STATIC_DIR,
    PHOTOS_DIR: join(folder, 'photos'),
    LOG_LEVEL: 'error',
    // What is new is looked at at once.
    LOOK_DELAY_S: '1',
    LOOK_SPACING_S: '0',
    TZ: 'Europe/Lisbon',
  };
  const server = runTypeScript('server/src/main.ts', env, { stdio: ['ignore', 'inherit', 'inherit', 'ipc'] });
  try {
    await new Promise((resolve) => server.once('message', resolve));
    simulators.tell(`http://127.0.0.1:${port}`);
    await work({
      ...database.env,
      TEMBRIN_URL: `http://localhost:${port}`,
      TEMBRIN_MAIL: simulators.mail,
      TEMBRIN_PUSH: simulators.push,
      SERVER_PID: String(server.pid),
      STATIC_DIR,
    });
  } finally {
    server.kill('SIGTERM');
    await exit(server);
    await simulators.stop();
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
