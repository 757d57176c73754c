import { spawn, spawnSync } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import { closeSync, existsSync, mkdirSync, openSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { createConnection, createServer } from 'node:net';
import { tmpdir, userInfo } from 'node:os';
import { join } from 'node:path';
import { exit, findProgram, runTypeScript } from './project.mjs';

const NAME = 'tembrin';
const PATIENCE_MS = 60_000;

/** A free TCP port on the loopback interface. */
export function freePort() {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
}

/** Secrets made once for a data folder and kept in it, readable by its owner only. */
function secretsOf(folder) {
  const file = join(folder, 'secrets.json');
  if (!existsSync(file)) {
    const make = () => randomBytes(24).toString('hex');
    const secrets = { appPassword: make(), ownerPassword: make(), sessionSecret: make() };
    writeFileSync(`${file}.new`, JSON.stringify(secrets), { mode: 0o600 });
    renameSync(`${file}.new`, file);
  }
  return JSON.parse(readFileSync(file, 'utf8'));
}

/** Run by the database at every start: two users on loopback, and no root over TCP. */
function initialSql({ appPassword, ownerPassword }) {
  return [
    `CREATE DATABASE IF NOT EXISTS ${NAME} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;`,
    `CREATE USER IF NOT EXISTS 'tembrin_app'@'127.0.0.1';`,
    `ALTER USER 'tembrin_app'@'127.0.0.1' IDENTIFIED BY '${appPassword}';`,
    `CREATE USER IF NOT EXISTS 'tembrin_owner'@'127.0.0.1';`,
    `ALTER USER 'tembrin_owner'@'127.0.0.1' IDENTIFIED BY '${ownerPassword}';`,
    `GRANT ALL ON ${NAME}.* TO 'tembrin_owner'@'127.0.0.1' WITH GRANT OPTION;`,
    `DELETE FROM mysql.global_priv WHERE User = '' OR (User IN ('root', 'mysql', 'mariadb.sys') AND Host <> 'localhost');`,
    'FLUSH PRIVILEGES;',
  ].join('\n');
}

/** Whether a process is a database server working on this folder. */
function worksOn(pid, data) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(`--datadir=${data}`);
  } catch {
    return false;
  }
}

async function waitFor(condition, what) {
  const deadline = Date.now() + PATIENCE_MS;
  while (!(await condition())) {
    if (Date.now() > deadline) throw new Error(`${what} took longer than ${PATIENCE_MS / 1000} s.`);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}

function answers(port) {
  return new Promise((resolve) => {
    const socket = createConnection({ host: '127.0.0.1', port }, () => undefined);
    socket.once('data', () => {
      socket.destroy();
      resolve(true);
    });
    socket.once('error', () => resolve(false));
    socket.setTimeout(1000, () => {
      socket.destroy();
      resolve(false);
    });
  });
}

/** Stops the database that a run before left behind in this folder, if there is one. */
async function stopLeftover(data, pidFile) {
  if (!existsSync(pidFile)) return;
  const pid = Number(readFileSync(pidFile, 'utf8'));
  if (worksOn(pid, data)) {
    console.log('Stopping the database that the last run left behind …');
    process.kill(pid, 'SIGTERM');
    await waitFor(() => !worksOn(pid, data), 'Stopping the database');
  }
  rmSync(pidFile, { force: true });
}

/** Makes an empty database where there is none yet; one that was broken off is begun anew. */
function ensureData(data) {
  if (existsSync(data)) return;
  console.log('Making a new database …');
  const making = `${data}.new`;
  rmSync(making, { recursive: true, force: true });
  const { status, stderr, stdout } = spawnSync(
    findProgram('mariadb-install-db'),
    [
      '--no-defaults',
      `--datadir=${making}`,
      `--user=${userInfo().username}`,
      '--auth-root-authentication-method=socket',
      '--skip-test-db',
    ],
    { encoding: 'utf8' },
  );
  if (status !== 0) throw new Error(`The database could not be made:\n${stdout}\n${stderr}`);
  renameSync(making, data);
}

/**
 * Starts MariaDB on loopback with its data in a folder of the project's own. What a crash left running on that
 * folder is stopped first; InnoDB then recovers what was committed.
 * @param folder kept between runs; made when missing
 * @param port 0 for a free one
 * @returns environment for the server, and `stop`
 */
export async function startDatabase(folder, port = 0) {
  const data = join(folder, 'mariadb');
  const pidFile = join(folder, 'mariadb.pid');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const secrets = secretsOf(folder);
  const { username } = userInfo();

  await stopLeftover(data, pidFile);
  ensureData(data);

  const initFile = join(folder, 'init.sql');
  writeFileSync(initFile, initialSql(secrets), { mode: 0o600 });
  const chosen = port || (await freePort());
  const socket = join(tmpdir(), `tembrin-${createHash('sha256').update(folder).digest('hex').slice(0, 12)}.sock`);
  const logFile = join(folder, 'mariadb.log');
  const log = openSync(logFile, 'a');
  const child = spawn(
    findProgram('mariadbd'),
    [
      '--no-defaults',
      `--datadir=${data}`,
      `--user=${username}`,
      '--bind-address=127.0.0.1',
      `--port=${chosen}`,
      `--socket=${socket}`,
      `--pid-file=${pidFile}`,
      `--init-file=${initFile}`,
      '--skip-name-resolve',
      '--innodb-buffer-pool-size=128M',
      '--max-allowed-packet=64M',
      '--character-set-server=utf8mb4',
    ],
    // A group of its own: Ctrl-C reaches the launcher, which stops the server first and the database last.
    { stdio: ['ignore', log, log], detached: true },
  );
  closeSync(log);

  let ended = false;
  child.once('exit', () => (ended = true));
  await waitFor(() => ended || answers(chosen), 'Starting the database');
  if (ended) throw new Error(`The database did not start. Its last words are in ${logFile}.`);

  return {
    env: {
      DATABASE_HOST: '127.0.0.1',
      DATABASE_PORT: String(chosen),
      DATABASE_NAME: NAME,
      DATABASE_USER: 'tembrin_app',
      DATABASE_PASSWORD: secrets.appPassword,
      DATABASE_OWNER: 'tembrin_owner',
      DATABASE_OWNER_PASSWORD: secrets.ownerPassword,
      SESSION_SECRET: secrets.sessionSecret,
    },
    exited: exit(child),
    /** Carries out SQL as who started it, over the socket. */
    asOwnerOfTheMachine(sql) {
      const { status, stderr } = spawnSync(
        findProgram('mariadb'),
        ['--no-defaults', `--socket=${socket}`, `--user=${username}`, '-e', sql],
        { encoding: 'utf8' },
      );
      if (status !== 0) throw new Error(stderr);
    },
    async stop() {
      if (!ended) child.kill('SIGTERM');
      await exit(child);
    },
  };
}

/** Brings a started database to the newest shape. */
export async function migrateDatabase(env) {
  // A group of its own: what was begun is finished, whoever presses Ctrl-C.
  if ((await exit(runTypeScript('server/src/migrate.ts', env, { detached: true }))) !== 0)
    throw new Error('The database could not be brought up to date.');
}
