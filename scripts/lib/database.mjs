import { spawn, spawnSync } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import { closeSync, existsSync, mkdirSync, openSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { createConnection, createServer } from 'node:net';
import { tmpdir, userInfo } from 'node:os';
import { join } from 'node:path';
import { exit, findProgram, runTypeScript } from './project.mjs';
import { give, ownUser } from './user.mjs';

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
export function secretsOf(folder) {
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

function answers(port, host = '127.0.0.1') {
  return new Promise((resolve) => {
    const socket = createConnection({ host, port }, () => undefined);
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
function ensureData(data, username) {
  if (existsSync(data)) return;
  console.log('Making a new database …');
  const making = `${data}.new`;
  rmSync(making, { recursive: true, force: true });
  mkdirSync(making, { mode: 0o700 });
  const { status, stderr, stdout } = spawnSync(
    findProgram('mariadb-install-db'),
    [
      '--no-defaults',
      `--datadir=${making}`,
      `--user=${username}`,
      '--auth-root-authentication-method=socket',
      '--skip-test-db',
    ],
    { encoding: 'utf8' },
  );
  if (status !== 0) throw new Error(`The database could not be made:\n${stdout}\n${stderr}`);
  renameSync(making, data);
}

/** A path the system takes for a socket has at most so many bytes. */
const LONGEST_SOCKET = 100;

/** Where the database listens for who is on this machine. */
function socketOf(folder) {
  const own = join(folder, 'mariadb.sock');
  if (own.length <= LONGEST_SOCKET) return own;
  return join(tmpdir(), `tembrin-${createHash('sha256').update(folder).digest('hex').slice(0, 12)}.sock`);
}

/**
 * Starts MariaDB on loopback with its data in a folder of the project's own. What a crash left running on that
 * folder is stopped first; InnoDB then recovers what was committed. Started by root it runs as a user of its own.
 * @param folder kept between runs; made when missing
 * @param port 0 for a free one
 * @param name of the folder in it that the database's files are in
 * @param more settings of the database
 * @returns environment for the server, and `stop`
 */
export async function startDatabase(folder, port = 0, name = 'mariadb', more = []) {
  const data = join(folder, name);
  const pidFile = join(folder, 'mariadb.pid');
  const scratch = join(folder, 'tmp');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const user = ownUser(folder);
  const secrets = secretsOf(folder);
  const username = user?.name ?? userInfo().username;
  await stopLeftover(data, pidFile);
  ensureData(data, username);
  mkdirSync(scratch, { recursive: true, mode: 0o700 });
  const initFile = join(folder, 'init.sql');
  writeFileSync(initFile, initialSql(secrets), { mode: 0o600 });
  const chosen = port || (await freePort());
  const socket = socketOf(folder);
  const logFile = join(folder, 'mariadb.log');
  const log = openSync(logFile, 'a');
  for (const path of [folder, scratch, initFile]) give(path, user);
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
      // Of its own: what others sweep out of the machine's would break what is being sorted.
      `--tmpdir=${scratch}`,
      '--local-infile=0',
      '--skip-name-resolve',
      '--innodb-buffer-pool-size=128M',
      '--max-allowed-packet=64M',
      '--character-set-server=utf8mb4',
      ...more,
    ],
    // A group of its own: Ctrl-C reaches the launcher, which stops the server first and the database last.
    { stdio: ['ignore', log, log], detached: true },
  );
  closeSync(log);
  let ended = false;
  child.once('exit', () => (ended = true));
  await waitFor(() => ended || answers(chosen), 'Starting the database').catch((error) => {
    child.kill('SIGKILL');
    throw error;
  });
  if (ended) throw new Error(`The database did not start. Its last words are in ${logFile}.`);
  const env = {
    DATABASE_HOST: '127.0.0.1',
    DATABASE_PORT: String(chosen),
    DATABASE_NAME: NAME,
    DATABASE_USER: 'tembrin_app',
    DATABASE_PASSWORD: secrets.appPassword,
    DATABASE_OWNER: 'tembrin_owner',
    DATABASE_OWNER_PASSWORD: secrets.ownerPassword,
    SESSION_SECRET: secrets.sessionSecret,
  };
  writeFileSync(join(folder, PLACE), JSON.stringify({ pid: child.pid, env }), { mode: 0o600 });
  return {
    env,
    exited: exit(child),
    /** Carries out SQL as who started it, over the socket. */
    asOwnerOfTheMachine(sql) {
      const { status, stderr } = spawnSync(
        findProgram('mariadb'),
        ['--no-defaults', `--socket=${socket}`, `--user=${userInfo().username}`, '-e', sql],
        { encoding: 'utf8' },
      );
      if (status !== 0) throw new Error(stderr);
    },
    async stop() {
      if (!ended) child.kill('SIGTERM');
      await exit(child);
      rmSync(join(folder, PLACE), { force: true });
    },
  };
}

/** Where a database that runs on a folder can be reached stands here. */
const PLACE = 'running.json';

/** Environment for reaching the database that runs on a folder; null where none does. */
export function runningDatabase(folder) {
  const file = join(folder, PLACE);
  if (!existsSync(file)) return null;
  const { pid, env } = JSON.parse(readFileSync(file, 'utf8'));
  return worksOn(pid, join(folder, 'mariadb')) ? env : null;
}

/** Whether the database of a server's environment answers just now. */
export const isReached = ({ DATABASE_HOST, DATABASE_PORT }) => answers(Number(DATABASE_PORT), DATABASE_HOST);

/** Whether the database is another's: its address is set, and none is started here. */
export const isExternal = () => process.env.DATABASE_HOST !== undefined;

const NEEDED = ['DATABASE_PORT', 'DATABASE_USER', 'DATABASE_PASSWORD', 'DATABASE_OWNER', 'DATABASE_OWNER_PASSWORD'];

/** The database that the settings name. @throws Error with what is missing */
export function externalDatabase(folder) {
  const missing = NEEDED.filter((name) => !process.env[name]);
  if (missing.length > 0)
    throw new Error(
      `DATABASE_HOST is set, so set ${missing.join(', ')} too; or none of them, to have one started here.`,
    );
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const { DATABASE_HOST, DATABASE_NAME = NAME, DATABASE_USER_HOST = '%', SESSION_SECRET } = process.env;
  return {
    env: {
      DATABASE_HOST,
      DATABASE_NAME,
      DATABASE_USER_HOST,
      ...Object.fromEntries(NEEDED.map((name) => [name, process.env[name]])),
      // Of several servers on one database each is told the same.
      SESSION_SECRET: SESSION_SECRET ?? secretsOf(folder).sessionSecret,
    },
    stop: () => Promise.resolve(),
  };
}

/** Brings a started database to the newest shape. */
export async function migrateDatabase(env, user = null) {
  // A group of its own: what was begun is finished, whoever presses Ctrl-C.
  if ((await exit(runTypeScript('server/src/migrate.ts', env, { detached: true, user }))) !== 0)
    throw new Error('The database could not be brought up to date.');
}
