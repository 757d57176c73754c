import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { API_ROOT, REQUEST_HEADER, type LogPage } from '@tembrin/contract';
import { reading, room, sensor } from './testing/air';
import { household, madeEvent, openServer, PASSWORD, visitor } from './testing/fixtures';
import { madePhoto } from './testing/photos';
import { judged } from './testing/judged';

const ROOT = join(__dirname, '../..');
const scratch = mkdtempSync(join(tmpdir(), 'tembrin-backup-test-'));
/** Ends the databases that a test which failed half way left running. */
const stops: (() => Promise<void>)[] = [];
afterAll(async () => {
  await Promise.all(stops.map((stop) => stop()));
  rmSync(scratch, { recursive: true, force: true });
});

/** Surroundings in which nothing is told of the tests' own database. */
function outside(dataFolder: string): NodeJS.ProcessEnv {
  const own = Object.entries(process.env).filter(([name]) => !/^(DATABASE_|SESSION_SECRET)/.test(name));
  return { ...Object.fromEntries(own), TEMBRIN_DATA: dataFolder };
}

function runScript(name: 'backup' | 'restore', dataFolder: string, file: string) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [`scripts/${name}.mjs`, file], {
    cwd: ROOT,
    env: outside(dataFolder),
    encoding: 'utf8',
  });
  return { status, said: stdout + stderr };
}

/** Starts the database of a data folder. @returns settings for a server on it, and how to stop it */
async function started(dataFolder: string) {
  const program = `
    const { startDatabase } = await import('./scripts/lib/database.mjs');
    const database = await startDatabase(${JSON.stringify(dataFolder)});
    process.send(database.env);
    process.once('message', () => database.stop().then(() => process.exit(0)));`;
  const child = spawn(process.execPath, ['--input-type=module', '-e', program], {
    cwd: ROOT,
    env: outside(dataFolder),
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  const [settings] = (await once(child, 'message')) as [Record<string, string>];
  const stop = async () => {
    if (child.exitCode !== null) return;
    const exited = once(child, 'exit');
    if (child.connected) child.send('stop');
    await exited;
  };
  stops.push(stop);
  return { settings, stop };
}

test('a backup made while it runs, put back into an empty folder, is judged alike', async () => {
  // Where `npm start` keeps them.
  const server = openServer({ PHOTOS_DIR: join(process.env.DATA_FOLDER!, 'photos') });
  const party = await household(server);
  const photo = madePhoto('kept along');
  const address = `${API_ROOT}/instruments/${party.instrument.id}/photos/${photo.hash}`;
  const send = party.browser.agent.post(address).set(REQUEST_HEADER, '1');
  await send.type('image/jpeg').send(photo.file).expect(201);
  const placeId = await room(party);
  const { sensor: made } = await sensor(party, placeId);
  const readings = [40, 41, 44, 39].map((percent, at) => reading(percent, 30 * (at + 1)));
  await party.browser.post(`/sensors/${made.id}/readings`, { readings }).expect(200);
  const { id } = party.instrument;
  const day = 86_400_000;
  const sessions = Array.from({ length: 40 }, (_, at) => {
    const began = Date.now() - (at + 1) * day;
    return madeEvent(id, 'session-entered', { endedAt: new Date(began + 3_600_000).toISOString() }, began);
  });
  await party.browser.postEvents(...sessions, madeEvent(id, 'moved', { placeId, cased: false })).expect(200);
  const nowMs = Date.now();
  const before = await judged(party.browser, nowMs);
  const { epoch } = (await party.browser.get('/events').expect(200)).body as LogPage;

  // Somebody writes all the while; what was there before the backup is in it whole.
  let writing = true;
  const writes = (async () => {
    for (
      const givenUp = Date.now() + 120_000;
      writing && Date.now() < givenUp;
      await new Promise((resolve) => setTimeout(resolve, 20))
    )
      await (await household(server)).browser.get('/household').expect(200);
  })();
  const file = join(scratch, 'backup.tar.gz');
  const backup = await new Promise<{ status: number | null; said: string }>((resolve) => {
    const child = spawn(process.execPath, ['scripts/backup.mjs', file], {
      cwd: ROOT,
      env: outside(process.env.DATA_FOLDER!),
    });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (part: Buffer) => (said += part.toString()));
    child.once('exit', (status) => resolve({ status, said }));
  });
  writing = false;
  await writes;
  expect(backup).toMatchObject({ status: 0, said: expect.stringContaining('keep it safe') });
  expect(statSync(file).mode & 0o077).toBe(0);
  expect(runScript('backup', process.env.DATA_FOLDER!, file).said).toMatch(/is there already/);

  const folder = join(scratch, 'restored');
  expect(runScript('restore', folder, file)).toMatchObject({ status: 0, said: expect.stringContaining('in place') });
  const { settings, stop } = await started(folder);
  const restored = openServer({ ...settings, PHOTOS_DIR: join(folder, 'photos') });
  const browser = visitor(restored);
  // Nobody is signed in by a session of the backup.
  await browser.get('/household').expect(401);
  await browser.post('/sign-in', { email: party.email, password: PASSWORD }).expect(200);
  expect(await judged(browser, nowMs)).toEqual(before);
  expect((await browser.agent.get(address).expect(200)).body).toEqual(photo.file);
  // Devices are told that it is another log.
  expect(((await browser.get('/events').expect(200)).body as LogPage).epoch).not.toBe(epoch);
  await restored.close();
  await stop();

  // Put back once more: what was there stays beside it.
  const again = runScript('restore', folder, file);
  expect(again).toMatchObject({ status: 0, said: expect.stringContaining('mariadb.before-') });
  expect(readdirSync(folder).filter((name) => name.startsWith('mariadb.before-'))).toHaveLength(1);
  await server.close();
}, 180_000);

test('what is no backup, and what is cut off, changes nothing', () => {
  const folder = join(scratch, 'untouched');
  const file = join(scratch, 'odd.tar.gz');
  expect(runScript('restore', folder, file).said).toMatch(/There is no/);
  writeFileSync(file, 'no backup at all');
  expect(runScript('restore', folder, file)).toMatchObject({ status: 1, said: expect.stringMatching(/damaged/) });
  expect(existsSync(join(folder, 'mariadb'))).toBe(false);
  expect(runScript('backup', folder, join(scratch, 'none.tar.gz')).said).toMatch(/There is no database/);
}, 60_000);

test('a device whose place in the log is past its end is told so', async () => {
  const server = openServer();
  const party = await household(server);
  await party.browser.postEvents(madeEvent(party.instrument.id, 'rosined', {})).expect(200);
  const page = await party.browser.agent.get(`${API_ROOT}/events?after=50`).expect(200);
  expect(page.body).toMatchObject({ events: [], reached: 1, more: false });
  expect(page.body.epoch).not.toBe('');
  await server.close();
});
