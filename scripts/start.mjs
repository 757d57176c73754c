import { createServer, createConnection } from 'node:net';
import { createHash } from 'node:crypto';
import { build } from './build.mjs';
import { migrateDatabase, startDatabase } from './lib/database.mjs';
import { startSimulators } from './lib/simulators.mjs';
import { DATA, DEBIAN, ensureDebian, ensurePackages, exit, runTypeScript } from './lib/project.mjs';

const PORT = Number(process.env.PORT ?? 4317);
const HOST = process.env.HOST ?? '127.0.0.1';

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

async function main() {
  const announce = await takeLatch();
  ensureDebian(DEBIAN);
  ensurePackages();
  const dist = await build();

  const database = await startDatabase(DATA);
  let server;
  let simulators;
  let stopping = false;
  const stop = async (code) => {
    if (stopping) return;
    stopping = true;
    if (server && server.exitCode === null) {
      server.kill('SIGTERM');
      await exit(server);
    }
    await simulators?.stop();
    await database.stop();
    process.exit(code);
  };
  process.on('SIGINT', () => void stop(0));
  process.on('SIGTERM', () => void stop(0));
  process.on('SIGHUP', () => void stop(0));

  try {
    await migrateDatabase(database.env);
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
  // A group of its own, so that Ctrl-C is passed on once, by `stop`.
  server = runTypeScript('server/src/main.ts', env, { stdio: ['ignore', 'inherit', 'inherit', 'ipc'], detached: true });
  server.once('message', ({ listening }) => {
    const url = `http://${HOST === '0.0.0.0' ? 'localhost' : HOST}:${listening}`;
    announce(url);
    simulators.tell(`http://127.0.0.1:${listening}`);
    console.log(`\nTembrin is ready: ${url}\nPress Ctrl-C to stop it.`);
  });
  server.once('exit', (code) => {
    if (!stopping) console.error(`The server ended${code ? `; is port ${PORT} taken? PORT sets another.` : '.'}`);
    void stop(code || 1);
  });
  void database.exited.then(() => {
    if (!stopping) console.error('The database ended. Its last words are in the data folder, in mariadb.log.');
    void stop(1);
  });
}

main().catch((error) => {
  console.error(error.message);
  process.exit(1);
});
