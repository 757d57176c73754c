import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync, mkdirSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The project's folder, and the folder its data is kept in (git-ignored; `TEMBRIN_DATA` sets another). */
export const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '../..');
export const DATA = resolve(process.env.TEMBRIN_DATA ?? join(ROOT, 'data'));

const [major, minor] = process.versions.node.split('.').map(Number);
if (major < 20 || (major === 20 && minor < 12)) {
  console.error(`Tembrin needs Node 20.12 or newer; this is ${process.versions.node}.`);
  process.exit(1);
}

/** Runs a command to its end with its output shown. Throws with the command's name when it fails. */
export function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  if (error || status !== 0)
    throw new Error(`${[command, ...args].join(' ')} failed${error ? `: ${error.message}` : ''}`);
}

/** Resolves with the exit code of a child process. */
export function exit(child) {
  return new Promise((done) => {
    if (child.exitCode !== null || child.signalCode !== null) done(child.exitCode ?? 1);
    else child.once('exit', (code) => done(code ?? 1));
  });
}

/** Starts a TypeScript file of the project with Node. @param options.user who it runs as; who starts it where left out */
export function runTypeScript(file, env, { user = null, ...options } = {}) {
  const whole = { ...process.env, ...env };
  return spawn(process.execPath, ['--import', 'tsx', file], {
    cwd: ROOT,
    env: user ? { ...whole, HOME: '/tmp', USER: user.name, LOGNAME: user.name } : whole,
    stdio: ['ignore', 'inherit', 'inherit'],
    ...(user && { uid: user.uid, gid: user.gid }),
    ...options,
  });
}

/**
 * Starts a server for a check, without limits that a check would reach, on a free port.
 * @throws Error where it ends before it listens
 */
export async function startServer(env) {
  const settings = { PORT: '0', LOG_LEVEL: 'error', OPENING_LIMIT: '100000', HOUSEHOLD_LIMIT: '1000000' };
  const stdio = ['ignore', 'inherit', 'inherit', 'ipc'];
  const child = runTypeScript('server/src/main.ts', { ...env, ...settings }, { stdio });
  const { listening } = await new Promise((resolve, reject) => {
    child.once('message', resolve);
    child.once('exit', (code) => reject(new Error(`The server ended before it listened, with ${code}.`)));
  });
  return { child, url: `http://127.0.0.1:${listening}` };
}

const MADE = /^(node_modules|dist|made|\.expo|fonts|\.build|.*\.tsbuildinfo)$/;

/** Hash of files and folders, by path and content; what is made from them, and dependencies, are passed over. */
export function fingerprint(paths) {
  const hash = createHash('sha256');
  const visit = (path) => {
    const full = join(ROOT, path);
    if (!existsSync(full)) return;
    const names = readdirSyncOrNull(full);
    if (!names) return hash.update(path).update('\0').update(readFileSync(full));
    for (const name of names.sort()) {
      if (!MADE.test(name)) visit(join(path, name));
    }
  };
  paths.forEach(visit);
  return hash.digest('hex');
}

function readdirSyncOrNull(path) {
  try {
    return readdirSync(path);
  } catch {
    return null;
  }
}

/** Does work unless its mark says that it was done for just these inputs. */
export function onceFor(mark, inputs, work) {
  if (existsSync(mark) && readFileSync(mark, 'utf8') === inputs) return false;
  work();
  mkdirSync(dirname(mark), { recursive: true });
  writeFileSync(mark, inputs);
  return true;
}

/** Installs the project's npm packages when they are missing or out of date. */
export function ensurePackages() {
  onceFor(join(ROOT, 'node_modules/.tembrin'), fingerprint(['package.json', 'package-lock.json']), () => {
    console.log('Installing packages …');
    run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  });
}

/** Installs Debian packages when a program is missing. */
export function ensureDebian(programs) {
  const missing = Object.entries(programs).filter(([program]) => !findProgram(program));
  if (missing.length === 0) return;
  const names = [...new Set(missing.flatMap(([, packages]) => packages))];
  console.log(`Installing ${names.join(', ')} from Debian …`);
  if (!findProgram('apt-get')) throw new Error(`Install ${names.join(', ')} first: apt-get is not there to do it.`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const log = ['ignore', 'ignore', 'inherit'];
  run('apt-get', ['update', '-q'], { env, stdio: log });
  run('apt-get', ['install', '-y', '-q', '--no-install-recommends', ...names], { env, stdio: log });
}

export function findProgram(name) {
  const places = [...(process.env.PATH ?? '').split(':'), '/usr/sbin', '/usr/local/sbin', '/usr/bin'];
  return places.map((place) => join(place, name)).find((path) => existsSync(path)) ?? null;
}

export const DEBIAN = {
  mariadbd: ['mariadb-server-core', 'mariadb-client-core'],
  'mariadb-install-db': ['mariadb-server-core', 'mariadb-client-core'],
};
