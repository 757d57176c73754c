import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { API_ROOT, REQUEST_HEADER } from '@tembrin/contract';
import { pino } from 'pino';
import { v7 as uuid } from 'uuid';
import { createApp } from './app';
import { readConfig } from './config';
import { connect } from './database/connect';
import { DemoShelf } from './jobs/demo-shelf';
import { household, openStage, PASSWORD, visitor } from './testing/stage';

interface Running {
  child: ChildProcess;
  url: string;
}

async function start(): Promise<Running> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'src/main.ts'], {
    cwd: `${__dirname}/..`,
    env: { ...process.env, PORT: '0', LOG_LEVEL: 'silent', NODE_ENV: 'production' },
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  });
  const [{ listening }] = (await once(child, 'message')) as [{ listening: number }];
  return { child, url: `http://127.0.0.1:${listening}${API_ROOT}` };
}

const post = (url: string, path: string, body: object) =>
  fetch(url + path, {
    method: 'POST',
    headers: { 'content-type': 'application/json', [REQUEST_HEADER]: '1' },
    body: JSON.stringify(body),
  });

test('asked to stop, a server finishes what it is doing and then ends', async () => {
  const { child, url } = await start();
  // Making a demo library for a new time zone takes seconds; the request is under way when the signal comes.
  const slow = post(url, '/demo', { timeZone: 'Pacific/Chatham' });
  await new Promise((resolve) => setTimeout(resolve, 250));
  child.kill('SIGTERM');
  const answer = await slow;
  expect(answer.status).toBe(201);
  expect(((await answer.json()) as { demo: boolean }).demo).toBe(true);
  if (child.exitCode === null) await once(child, 'exit');
  expect(child.exitCode).toBe(0);
}, 60_000);

test('two server processes share one database: an account made at one signs in at the other', async () => {
  const [one, two] = await Promise.all([start(), start()]);
  const account = { email: `${uuid()}@example.org`, password: PASSWORD, timeZone: 'Europe/Lisbon' };
  const made = await post(one.url, '/accounts', account);
  const cookie = made.headers.get('set-cookie')!.split(';')[0]!;
  const seen = await fetch(`${two.url}/household`, { headers: { cookie } });
  expect(((await seen.json()) as { email: string }).email).toBe(account.email);
  for (const { child } of [one, two]) {
    child.kill('SIGTERM');
    if (child.exitCode === null) await once(child, 'exit');
    expect(child.exitCode).toBe(0);
  }
}, 60_000);

test('the server’s log names neither people, addresses, cookies nor ids', async () => {
  const stage = openStage();
  const lines: string[] = [];
  const log = pino({ level: 'debug' }, { write: (line: string) => void lines.push(line) });
  const config = readConfig(process.env);
  const { app, stop } = createApp({ config, database: stage.database, demos: new DemoShelf(stage.database), log });
  const party = await household({ ...stage, app });
  await party.browser.get(`/events?instrumentId=${party.instrument.id}`).expect(200);
  await party.browser.remove(`/instruments/${party.instrument.id}`, 1).expect(204);
  await visitor({ app }).post('/sign-in', { email: party.email, password: 'not this one' }).expect(401);
  const text = lines.join('');
  expect(lines.length).toBeGreaterThan(4);
  expect(text).toContain('/api/v1/instruments/:id');
  for (const secret of [
    party.email,
    party.household.id,
    party.instrument.id,
    PASSWORD,
    '127.0.0.1',
    'tembrin=',
    'not this one',
  ]) {
    expect(text).not.toContain(secret);
  }
  stop();
  await stage.close();
});

test('nobody is root over TCP', async () => {
  const { DATABASE_HOST, DATABASE_PORT } = readConfig(process.env);
  for (const password of ['', 'root']) {
    const asRoot = connect({ host: DATABASE_HOST, port: DATABASE_PORT, name: 'mysql', user: 'root', password });
    await expect(asRoot.sequelize.authenticate()).rejects.toThrow(/denied/i);
    await asRoot.close();
  }
});

test('settings that are missing are named', () => {
  expect(() => readConfig({})).toThrow(/DATABASE_PORT[\s\S]*DATABASE_PASSWORD[\s\S]*SESSION_SECRET/);
  expect(() => readConfig({ ...process.env, PORT: 'eleven' })).toThrow(/PORT/);
});
