import { createServer } from 'node:net';
import { existsSync, mkdirSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { build, DIST_BEFORE } from './build.mjs';
import { isExternal, isReached, externalDatabase, migrateDatabase, startDatabase } from './lib/database.mjs';
import { keepUp, watch } from './lib/keep-up.mjs';
import { takeLatch } from './lib/latch.mjs';
import { startSimulators } from './lib/simulators.mjs';
import { DATA, DEBIAN, ensureDebian, ensurePackages, exit, runTypeScript } from './lib/project.mjs';
import { give, ownUser } from './lib/user.mjs';

const PORT = Number(process.env.PORT ?? 4317);
const HOST = process.env.HOST ?? '127.0.0.1';
/** Addresses that are called by the machine's name for itself: passkeys hold for a name, not for numbers. */
const NUMBERS = new Set(['0.0.0.0', '127.0.0.1']);
/** A server that answers nobody for so long is started anew. */
const SILENCE_MS = Number(process.env.SILENCE_MS ?? 30_000);

/** Measurements are read here, on loopback. */
const METRICS_PORT = process.env.METRICS_PORT ?? (PORT + 10_000 < 65_536 ? String(PORT + 10_000) : undefined);

/** Takes the latch, or tells where the running Tembrin is and ends. */
async function begin() {
  const { held, by } = await takeLatch();
  if (held) return held;
  console.error(by ? `Tembrin is running already: ${by}` : 'Tembrin is being started already, by another npm start.');
  console.error(`Stop it there with Ctrl-C first, or set PORT and TEMBRIN_DATA to run a second one beside it.`);
  process.exit(1);
}

/** Room a start and a while of recording take. */
const LEAST_ROOM = 200_000_000;

/** Looks whether there is what a start needs, before anything is built. @throws Error with what to do */
async function checkGround() {
  if (!Number.isInteger(PORT) || PORT < 1 || PORT > 65_535)
    throw new Error(
      `PORT is "${process.env.PORT}", which is no port. Set a whole number from 1 to 65535: PORT=4317 npm start`,
    );
  const taken = await new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', (error) => (error.code === 'EADDRINUSE' ? resolve(true) : reject(error)));
    probe.listen(PORT, HOST, () => probe.close(() => resolve(false)));
  });
  if (taken) throw new Error(`Port ${PORT} is taken by another program. PORT sets another: PORT=${PORT + 1} npm start`);
  const probe = join(DATA, '.probe');
  try {
    mkdirSync(DATA, { recursive: true, mode: 0o700 });
    writeFileSync(probe, 'x');
    rmSync(probe);
  } catch (error) {
    if (error.code === 'ENOSPC')
      throw new Error(`The disk is full: nothing can be written to ${DATA}. Make room, then start again.`);
    throw new Error(
      `Nothing can be written to ${DATA} (${error.code}). Make it writable, or set TEMBRIN_DATA to another folder.`,
    );
  }
  const { bavail, bsize } = statfsSync(DATA);
  if (bavail * bsize < LEAST_ROOM)
    throw new Error(
      `There are ${Math.round((bavail * bsize) / 1e6)} MB left for ${DATA}; a start needs ${LEAST_ROOM / 1e6}. Make room, then start again.`,
    );
}

/** Less than this is left: the database ends at the next entry, and starts only once there is more. */
const FULL = 50_000_000;

/** What keeps the database from running that passes by itself. */
async function noRoom() {
  const { bavail, bsize } = statfsSync(DATA);
  return bavail * bsize < FULL
    ? `the disk is full, ${Math.round((bavail * bsize) / 1e6)} MB are left for ${DATA}`
    : null;
}

/** What keeps the server from running that passes by itself. */
const noDatabase = async (env) => ((await isReached(env)) ? null : 'its database is not reached');

/** The folder photographs are kept in, where no store is named for them. */
function photosFolder(user) {
  const folder = process.env.PHOTOS_DIR ?? join(DATA, 'photos');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  give(folder, user);
  return folder;
}

async function main() {
  const announce = await begin();
  await checkGround();
  if (!isExternal()) ensureDebian(DEBIAN);
  ensurePackages();
  const dist = await build();

  const user = ownUser(DATA);
  let database = isExternal() ? externalDatabase(DATA) : await startDatabase(DATA);
  let server;
  let simulators;
  let migrating;
  let stopping = false;
  const stop = async (code) => {
    if (stopping) return;
    stopping = true;
    if (server && server.exitCode === null && server.signalCode === null) {
      server.kill('SIGTERM');
      await exit(server);
    }
    await simulators?.stop();
    // What is being changed in the database is finished first.
    await migrating?.catch(() => undefined);
    await database.stop();
    process.exit(code);
  };
  process.on('SIGINT', () => void stop(0));
  process.on('SIGTERM', () => void stop(0));
  process.on('SIGHUP', () => void stop(0));

  try {
    migrating = migrateDatabase(database.env, user);
    await migrating;
    simulators = await startSimulators({}, user);
  } catch (error) {
    console.error(error.message);
    return stop(1);
  }
  const env = {
    ...database.env,
    ...simulators.env,
    HOST,
    PORT: String(PORT),
    STATIC_DIR: dist,
    ...(existsSync(DIST_BEFORE) && { STATIC_BEFORE_DIR: DIST_BEFORE }),
    LOG_LEVEL: process.env.LOG_LEVEL ?? 'info',
    ...(isExternal() ? {} : { STORAGE_DIR: DATA }),
    ...(process.env.PHOTO_STORE_URL ? {} : { PHOTOS_DIR: photosFolder(user) }),
    ...(METRICS_PORT && { METRICS_PORT }),
  };
  // The server may not change the shape of tables, so it is not told how.
  for (const owners of ['DATABASE_OWNER', 'DATABASE_OWNER_PASSWORD']) env[owners] = undefined;

  const startServer = () => {
    // A group of its own, so that Ctrl-C is passed on once, by `stop`.
    server = runTypeScript('server/src/main.ts', env, {
      stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
      detached: true,
      user,
    });
    const child = server;
    child.once('message', ({ listening }) => {
      const url = `http://${NUMBERS.has(HOST) ? 'localhost' : HOST}:${listening}`;
      announce(url);
      simulators.tell(`http://127.0.0.1:${listening}`);
      watch(child, `http://127.0.0.1:${listening}`, SILENCE_MS);
      console.log(`\nTembrin is ready: ${url}`);
      for (const line of simulators.told) console.log(line);
      console.log('Press Ctrl-C to stop it.');
    });
    return { exited: exit(child) };
  };
  const startDatabaseAgain = async () => (database = await startDatabase(DATA, Number(env.DATABASE_PORT)));
  const isStopping = () => stopping;
  await Promise.race([
    keepUp('The server', startServer, isStopping, undefined, () => noDatabase(env)),
    ...(isExternal() ? [] : [keepUp('The database', startDatabaseAgain, isStopping, database, noRoom)]),
  ]);
  await stop(1);
}

main().catch((error) => {
  console.error(error.message);
  process.exit(1);
});
