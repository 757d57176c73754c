import { spawn } from 'node:child_process';
import {
  copyFileSync,
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { open } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import {
  externalDatabase,
  isExternal,
  migrateDatabase,
  runningDatabase,
  secretsOf,
  startDatabase,
} from './database.mjs';
import { takeLatch } from './latch.mjs';
import { exit, findProgram, run } from './project.mjs';
import { ownUser } from './user.mjs';

const FORMAT = 'tembrin-backup-1';
const DUMP = 'database.sql';
const ABOUT = 'about.json';
/** Photographs of a server that keeps them in its data folder. */
const PHOTOS = 'photos';
const isPhoto = (name) => name.endsWith('.jpg');
/** What the database's dump ends with where it is whole. */
const WHOLE = '-- Dump completed';

/** How a program of the database is told where it is; passwords stand in no command line. */
function clientEnv({ DATABASE_OWNER_PASSWORD }) {
  return { ...process.env, MYSQL_PWD: DATABASE_OWNER_PASSWORD };
}
const clientArgs = ({ DATABASE_HOST, DATABASE_PORT, DATABASE_OWNER }) => [
  '--no-defaults',
  `--host=${DATABASE_HOST}`,
  `--port=${DATABASE_PORT}`,
  `--user=${DATABASE_OWNER}`,
  '--protocol=tcp',
  '--default-character-set=utf8mb4',
];

/** Runs work on the database of a data folder, whether it is running or not. */
async function withDatabase(folder, work) {
  if (isExternal()) return work(externalDatabase(folder).env);
  const running = runningDatabase(folder);
  if (running) return work(running);
  if (!existsSync(join(folder, 'mariadb')))
    throw new Error(`There is no database in ${folder}. TEMBRIN_DATA names another folder.`);
  const { held } = await takeLatch();
  if (!held) throw new Error('Tembrin is just being started. Wait until it is ready, then try again.');
  const database = await startDatabase(folder);
  try {
    return await work(database.env);
  } finally {
    await database.stop();
  }
}

async function dump(env, file) {
  const child = spawn(
    findProgram('mariadb-dump'),
    [...clientArgs(env), '--single-transaction', '--quick', '--skip-lock-tables', '--hex-blob', env.DATABASE_NAME],
    { env: clientEnv(env), stdio: ['ignore', 'pipe', 'inherit'] },
  );
  const [, code] = await Promise.all([pipeline(child.stdout, createWriteStream(file, { mode: 0o600 })), exit(child)]);
  if (code !== 0 || !(await endsWhole(file)))
    throw new Error('The database could not be read to its end. Nothing was kept.');
}

/** Whether a dump was written to its end. */
async function endsWhole(file) {
  const { size } = statSync(file);
  const handle = await open(file);
  try {
    const { buffer, bytesRead } = await handle.read({ buffer: Buffer.alloc(200), position: Math.max(0, size - 200) });
    return buffer.subarray(0, bytesRead).toString().includes(WHOLE);
  } finally {
    await handle.close();
  }
}

/** Copies the photographs that are there: each is written once, and may be removed meanwhile. @returns whether there are any */
function copyPhotos(folder, work) {
  const from = join(folder, PHOTOS);
  if (!existsSync(from)) return false;
  for (const name of readdirSync(from, { recursive: true }).filter(isPhoto)) {
    mkdirSync(dirname(join(work, PHOTOS, name)), { recursive: true, mode: 0o700 });
    try {
      copyFileSync(join(from, name), join(work, PHOTOS, name));
    } catch (error) {
      if (error.code !== 'ENOENT') throw error;
    }
  }
  return existsSync(join(work, PHOTOS));
}

/**
 * Makes a backup as of one moment, while everything goes on. It holds all that is private, so only its owner may read it.
 * @param folder of the data
 * @param target the file that is made
 */
export async function backUp(folder, target) {
  if (existsSync(target)) throw new Error(`${target} is there already. Name another file.`);
  mkdirSync(dirname(target), { recursive: true });
  const work = mkdtempSync(`${target}.making-`);
  try {
    await withDatabase(folder, async (env) => {
      await dump(env, join(work, DUMP));
      const about = { format: FORMAT, madeAt: new Date().toISOString(), sessionSecret: env.SESSION_SECRET };
      writeFileSync(join(work, ABOUT), JSON.stringify(about), { mode: 0o600 });
    });
    const packed = join(work, 'packed');
    writeFileSync(packed, '', { mode: 0o600 });
    // After the database: whatever that names was there then.
    const photos = copyPhotos(folder, work) ? [PHOTOS] : [];
    run('tar', ['-czf', packed, '-C', work, ABOUT, DUMP, ...photos]);
    renameSync(packed, target);
  } finally {
    rmSync(work, { recursive: true, force: true });
  }
}

async function load(env, file) {
  const child = spawn(findProgram('mariadb'), [...clientArgs(env), env.DATABASE_NAME], {
    env: clientEnv(env),
    stdio: ['pipe', 'inherit', 'inherit'],
  });
  const [, code] = await Promise.all([
    pipeline(createReadStream(file), child.stdin).catch(() => undefined),
    exit(child),
  ]);
  if (code !== 0)
    throw new Error('The backup could not be read into the database. What was there before is as it was.');
}

async function query(env, sql) {
  const child = spawn(
    findProgram('mariadb'),
    [...clientArgs(env), '--batch', '--skip-column-names', env.DATABASE_NAME, '-e', sql],
    {
      env: clientEnv(env),
      stdio: ['ignore', 'pipe', 'inherit'],
    },
  );
  let text = '';
  child.stdout.on('data', (chunk) => (text += chunk));
  if ((await exit(child)) !== 0) throw new Error('The database does not answer.');
  return text.trim();
}

/**
 * What is no longer so after a backup was put back: sign-ins, limits and what was under way. Every log gets another epoch, so that
 * devices read it from its beginning and send again what the backup lacks.
 */
const AFTERWARDS = `UPDATE households SET logEpoch = UUID(); DELETE FROM sessions; DELETE FROM leases; DELETE FROM limits; DELETE FROM imports;`;

/** Unpacks a backup. @throws Error where it is none, or not whole */
async function unpack(file, work) {
  if (!existsSync(file)) throw new Error(`There is no ${file}.`);
  const damaged = `${file} is no backup of Tembrin, or it is damaged. Nothing was changed.`;
  try {
    run('tar', ['-xzf', file, '-C', work, '--no-same-owner'], { stdio: 'ignore' });
    const about = JSON.parse(readFileSync(join(work, ABOUT), 'utf8'));
    if (about.format !== FORMAT || !(await endsWhole(join(work, DUMP)))) throw new Error(damaged);
    return about;
  } catch {
    throw new Error(damaged);
  }
}

/**
 * Puts a backup in place of what a data folder holds; what was there stays beside it. Nothing is changed before the backup was
 * read in whole.
 * @param folder of the data; empty, or one that is not in use
 * @param file the backup
 * @returns where the former database is, or null where there was none
 */
export async function restore(folder, file) {
  const { held } = await takeLatch();
  if (!held) throw new Error('Tembrin is running on this data folder. Stop it first.');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const work = mkdtempSync(join(folder, 'restoring-'));
  try {
    const about = await unpack(file, work);
    const aside = await (isExternal() ? restoreElsewhere(folder, work) : restoreHere(folder, work, about));
    restorePhotos(folder, work);
    return aside;
  } finally {
    rmSync(work, { recursive: true, force: true });
  }
}

async function readIn(env, work, user) {
  await load(env, join(work, DUMP));
  await migrateDatabase(env, user);
  await query(env, AFTERWARDS);
}

/** Has the backup's photographs take the place of those that are there, which stay beside them. */
function restorePhotos(folder, work) {
  const there = join(folder, PHOTOS);
  if (existsSync(there)) renameSync(there, `${there}.${asideMark()}`);
  if (existsSync(join(work, PHOTOS))) renameSync(join(work, PHOTOS), there);
}

const asideMark = () => `before-${new Date().toISOString().replaceAll(/[:.]/g, '-')}`;

/** Into a database that is another's: only where it is empty, as nothing there can be put aside. */
async function restoreElsewhere(folder, work) {
  const { env } = externalDatabase(folder);
  if ((await query(env, 'SHOW TABLES')) !== '')
    throw new Error(
      `The database ${env.DATABASE_NAME} at ${env.DATABASE_HOST} is not empty. Make an empty one and name it with DATABASE_NAME.`,
    );
  await readIn(env, work, null);
  return null;
}

async function restoreHere(folder, work, { sessionSecret }) {
  rmSync(join(folder, 'mariadb.restored'), { recursive: true, force: true });
  const database = await startDatabase(folder, 0, 'mariadb.restored');
  try {
    await readIn(database.env, work, ownUser(folder));
  } finally {
    await database.stop();
  }
  const there = join(folder, 'mariadb');
  const aside = existsSync(there) ? join(folder, `mariadb.${asideMark()}`) : null;
  if (aside) renameSync(there, aside);
  renameSync(join(folder, 'mariadb.restored'), there);
  // Private addresses of calendars are signed with it.
  writeFileSync(join(folder, 'secrets.json'), JSON.stringify({ ...secretsOf(folder), sessionSecret }), { mode: 0o600 });
  return aside;
}
