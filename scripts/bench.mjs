import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from './build.mjs';
import { freePort, migrateDatabase, startDatabase } from './lib/database.mjs';
import { DEBIAN, ensureDebian, ensurePackages, exit, runTypeScript } from './lib/project.mjs';

/** Measures speed: everything as a ratio against a baseline taken in the same run. */
ensureDebian({ ...DEBIAN, chromium: ['chromium'] });
ensurePackages();
const STATIC_DIR = await build();
await exit(runTypeScript('bench/fold.ts'));

console.log('');
const folder = mkdtempSync(join(tmpdir(), 'tembrin-bench-'));
const database = await startDatabase(folder);
await migrateDatabase(database.env);
const port = await freePort();
const server = runTypeScript(
  'server/src/main.ts',
  { ...database.env, PORT: String(port), STATIC_DIR, LOG_LEVEL: 'error' },
  { stdio: ['ignore', 'inherit', 'inherit', 'ipc'] },
);
await new Promise((resolve) => server.once('message', resolve));
await exit(runTypeScript('bench/first-load.ts', { TEMBRIN_URL: `http://127.0.0.1:${port}`, STATIC_DIR }));
server.kill('SIGTERM');
await exit(server);
await database.stop();
rmSync(folder, { recursive: true, force: true });
