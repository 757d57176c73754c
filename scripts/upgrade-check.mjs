import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { migrateDatabase, startDatabase } from './lib/database.mjs';
import { ask, entry, logOf, newHousehold } from './lib/household.mjs';
import { DEBIAN, ensureDebian, ensurePackages, exit, findProgram, ROOT, startServer } from './lib/project.mjs';
import { ownUser } from './lib/user.mjs';

/**
 * A database as the release before left it (`scripts/release-before`) is brought up to date and served: whoever had an account signs in,
 * and finds everything. `--write` takes a household of today in its place, when a release is made.
 */
const FOLDER = join(ROOT, 'scripts/release-before');
const DUMP = join(FOLDER, 'database.sql.gz');
const EXPECTED = join(FOLDER, 'household.json');
const LARGEST_DUMP = 64e6;
const DAY_MS = 86_400_000;

/** What a household reads of itself. */
const READ = ['/household', '/cards', '/air'];

/** A household with something of each kind. */
async function furnish(url) {
  const household = await newHousehold(url);
  const { cookie, instrumentId } = household;
  const send = async (path, body) => {
    const answer = await ask(url, 'POST', path, { body, cookie });
    if (answer.status >= 300) throw new Error(`${path}: ${answer.status} ${JSON.stringify(answer.body)}`);
    return answer.body;
  };
  const days = (count) => Date.now() - count * DAY_MS;
  const began = entry(instrumentId, 'session-began', {}, days(3));
  await send('/events', {
    events: [
      entry(instrumentId, 'strings-fitted', { strings: null, reason: 'worn', known: true }, days(200)),
      entry(instrumentId, 'rehaired', { reason: 'worn', known: true }, days(300)),
      began,
      entry(instrumentId, 'session-ended', { sessionId: began.id }, days(3) + 3_600_000),
      ...Array.from({ length: 40 }, (_, at) => entry(instrumentId, 'rosined', {}, days(at + 4))),
    ],
  });
  const placeId = randomUUID();
  const heating = { from: 10, to: 4 };
  const room = { kind: 'room', name: 'Front room', roomId: null, volumeM3: 40, draught: 'ordinary', heating };
  await send('/places', { id: placeId, ...room, tankG: 3000, dryerG: null });
  const { sensor } = await send('/sensors', { id: randomUUID(), kind: 'hand', name: 'On the shelf', placeId });
  const readings = [41, 43, 46].map((percent, at) => ({
    at: new Date(days(at + 1)).toISOString(),
    percent,
    tempC: 20.5,
    lowPercent: null,
    highPercent: null,
  }));
  await send(`/sensors/${sensor.id}/readings`, { readings });
  const spans = [{ from: '2031-05-03', to: '2031-05-03' }];
  const facts = { title: 'Harbour concert', kind: 'performance', instrumentId: null, spans, source: null };
  await send('/cards', { cards: [{ id: randomUUID(), kind: 'occasion', facts }] });
  await send('/people', { id: randomUUID(), name: 'Pip', role: 'player', plays: [instrumentId], looksAfter: [] });
  return household;
}

async function whatIsThere(url, cookie) {
  const read = {};
  for (const path of READ) read[path] = (await ask(url, 'GET', path, { cookie })).body;
  return { read, log: await logOf(url, cookie) };
}

/** Where something that was there is another now, by its path; what is new besides is no matter. */
function lacks(before, now, path = '') {
  if (before === null || typeof before !== 'object') return Object.is(before, now) ? [] : [path];
  return Object.entries(before).flatMap(([key, each]) => lacks(each, now?.[key], `${path}.${key}`));
}

async function withServer(load, work) {
  const folder = mkdtempSync(join(tmpdir(), 'tembrin-upgrade-'));
  const database = await startDatabase(folder);
  try {
    if (load) await load(database.env);
    await migrateDatabase(database.env, ownUser(folder));
    const { child, url } = await startServer(database.env);
    try {
      return await work(url, database.env);
    } finally {
      child.kill('SIGTERM');
      await exit(child);
    }
  } finally {
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Runs a client program of the database on it. @returns what it printed */
function client(program, env, args, input) {
  const { DATABASE_PORT: port, DATABASE_OWNER: user, DATABASE_OWNER_PASSWORD: MYSQL_PWD, DATABASE_NAME: name } = env;
  const where = ['--no-defaults', '--protocol=tcp', '--host=127.0.0.1', `--port=${port}`, `--user=${user}`];
  const options = { env: { ...process.env, MYSQL_PWD }, input, maxBuffer: LARGEST_DUMP };
  const { status, stdout, stderr } = spawnSync(findProgram(program), [...where, ...args, name], options);
  if (status !== 0) throw new Error(String(stderr));
  return stdout;
}

async function write() {
  await withServer(null, async (url, env) => {
    const { account, cookie } = await furnish(url);
    mkdirSync(FOLDER, { recursive: true });
    writeFileSync(EXPECTED, `${JSON.stringify({ account, ...(await whatIsThere(url, cookie)) }, null, 2)}\n`);
    writeFileSync(DUMP, gzipSync(client('mariadb-dump', env, ['--single-transaction', '--hex-blob']), { level: 9 }));
  });
  return 0;
}

async function check() {
  const { account, ...before } = JSON.parse(readFileSync(EXPECTED, 'utf8'));
  const load = async (env) => client('mariadb', env, [], gunzipSync(readFileSync(DUMP)));
  return withServer(load, async (url) => {
    const { email, password } = account;
    const signedIn = await ask(url, 'POST', '/sign-in', { body: { email, password } });
    if (signedIn.status !== 200) throw new Error(`Nobody signs in: ${JSON.stringify(signedIn.body)}`);
    const now = await whatIsThere(url, signedIn.cookie);
    const missing = lacks(before, now);
    for (const path of missing) console.log(`Other than in the release before: ${path}`);
    const [{ id }] = now.read['/household'].instruments;
    const recorded = await ask(url, 'POST', '/events', { body: { events: [entry(id)] }, cookie: signedIn.cookie });
    const stored = recorded.body.outcomes?.[0]?.outcome;
    console.log(`Upgrade: ${before.log.length} entries there before, ${now.log.length} now; a new one is ${stored}`);
    return missing.length === 0 && stored === 'stored' ? 0 : 1;
  });
}

ensureDebian({ ...DEBIAN, 'mariadb-dump': ['mariadb-client'] });
ensurePackages();
process.exit(await (process.argv.includes('--write') ? write() : check()));
