import { createServer, createConnection } from 'node:net';
import { createHash } from 'node:crypto';
import { mkdirSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { build } from './build.mjs';
import { migrateDatabase, startDatabase } from './lib/database.mjs';
import { keepUp, watch } from './lib/keep-up.mjs';
import { startSimulators } from './lib/simulators.mjs';
import { DATA, DEBIAN, ensureDebian, ensurePackages, exit, runTypeScript } from './lib/project.mjs';

const PORT = Number(process.env.PORT ?? 4317);
const HOST = process.env.HOST ?? '127.0.0.1';
/** A server that answers nobody for so long is started anew. */
const SILENCE_MS = Number(process.env.SILENCE_MS ?? 30_000);

/** Held by the one launcher that works on this data folder; the system frees it however the launcher ends. */
const LATCH = `\0tembrin-${createHash('sha256').update(DATA).digest('hex')}`;

function askHolder() {
  return new Promise((resolve) => {
    const socket = createConnection(LATCH);
    let text = '';
    socket.on('data', (chunk) => (text += chunk));
    socket.once('end', () => resolve(text));
    socket.once('error', () => resolve(''));
  });
}

/** Takes the latch, or tells where the running Tembrin is and ends. */
async function takeLatch() {
  let url = '';
  const server = createServer((socket) => socket.end(url));
  const taken = await new Promise((resolve, reject) => {
    server.once('error', (error) => (error.code === 'EADDRINUSE' ? resolve(false) : reject(error)));
    server.listen(LATCH, () => resolve(true));
  });
  if (!taken) {
    const where = await askHolder();
    console.error(
      where ? `Tembrin is running already: ${where}` : 'Tembrin is being started already, by another npm start.',
    );
    console.error(`Stop it there with Ctrl-C first, or set PORT and TEMBRIN_DATA to run a second one beside it.`);
    process.exit(1);
  }
  server.unref();
  return (running) => (url = running);
}

/** Room a start and a while of recording take. */
const LEAST_ROOM = 200_000_000;

/** Looks whether there is what a start needs, before anything is built. @throws Error with what to do */
async function checkGround() {
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

async function main() {
  const announce = await takeLatch();
  await checkGround();
  ensureDebian(DEBIAN);
  ensurePackages();
  const dist = await build();

  let database = await startDatabase(DATA);
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
    migrating = migrateDatabase(database.env);
    await migrating;
    simulators = await startSimulators();
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
    LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
  };
  delete env.DATABASE_OWNER;
  delete env.DATABASE_OWNER_PASSWORD;

  const startServer = () => {
    // A group of its own, so that Ctrl-C is passed on once, by `stop`.
    server = runTypeScript('server/src/main.ts', env, {
      stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
      detached: true,
    });
    const child = server;
    child.once('message', ({ listening }) => {
      const url = `http://${HOST === '0.0.0.0' ? 'localhost' : HOST}:${listening}`;
      announce(url);
      simulators.tell(`http://127.0.0.1:${listening}`);
      watch(child, `http://127.0.0.1:${listening}`, SILENCE_MS);
      console.log(`\nTembrin is ready: ${url}\nPress Ctrl-C to stop it.`);
    });
    return { exited: exit(child) };
  };
  const startDatabaseAgain = async () => (database = await startDatabase(DATA, Number(env.DATABASE_PORT)));
  const isStopping = () => stopping;
  await Promise.race([
    keepUp('The server', startServer, isStopping),
    keepUp('The database', startDatabaseAgain, isStopping, database),
  ]);
  await stop(1);
}

main().catch((error) => {
  console.error(error.message);
  process.exit(1);
});
