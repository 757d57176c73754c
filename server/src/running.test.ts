import { once } from 'node:events';
import { request, type IncomingMessage } from 'node:http';
import { REQUEST_HEADER } from '@tembrin/contract';
import { pino } from 'pino';
import { v7 as uuid } from 'uuid';
import { readConfig } from './config';
import { connect } from './database/connect';
import { send, startProcess } from './testing/processes';
import { household, openServer, PASSWORD, visitor } from './testing/fixtures';
import { until } from './testing/until';

const post = (url: string, path: string, body: object) => send(url, 'POST', path, body);

test('asked to stop, a server finishes what it is doing and then ends', async () => {
  const { child, url } = await startProcess();
  const account = { email: `${uuid()}@example.org`, password: PASSWORD, timeZone: 'Europe/Lisbon' };
  const body = JSON.stringify(account);
  const headers = { 'content-type': 'application/json', 'content-length': body.length, [REQUEST_HEADER]: '1' };
  const slow = request(`${url}/accounts`, { method: 'POST', headers });
  slow.write(body.slice(0, 20));
  // Requests are taken up in turn: once a later one is answered, the slow one is under way.
  await fetch(`${url}/health`);
  child.kill('SIGTERM');
  // Nobody new is taken in.
  const givenUp = Date.now() + 20_000;
  await expect(async () => {
    while (Date.now() < givenUp) await fetch(`${url}/health`);
  }).rejects.toThrow();
  const answered = once(slow, 'response') as Promise<[IncomingMessage]>;
  slow.end(body.slice(20));
  const [{ statusCode }] = await answered;
  expect(statusCode).toBe(201);
  if (child.exitCode === null) await once(child, 'exit');
  expect(child.exitCode).toBe(0);
}, 60_000);

test('killed in the middle of an import, a server leaves nothing half there, and importing again completes it', async () => {
  const server = openServer();
  const party = await household(server);
  const placeId = uuid();
  const place = {
    kind: 'room',
    name: 'Front room',
    roomId: null,
    volumeM3: null,
    heating: null,
    tankG: null,
    dryerG: null,
  };
  await party.browser.post('/places', { id: placeId, ...place, draught: 'ordinary' }).expect(201);
  const sensorId = uuid();
  await party.browser.post('/sensors', { id: sensorId, kind: 'logger', name: 'Logger', placeId }).expect(201);
  const readings = async () => {
    const air = (await party.browser.get('/air').expect(200)).body as { sensors: { readings: number }[] };
    return air.sensors[0]!.readings;
  };

  const { child, url } = await startProcess();
  const signedIn = await post(url, '/sign-in', { email: party.email, password: PASSWORD });
  const cookie = signedIn.headers.get('set-cookie')!.split(';')[0]!;
  const lines = Array.from({ length: 120_000 }, (_, minute) => {
    const time = new Date(Date.UTC(2025, 0, 6) + minute * 60_000).toISOString();
    return `${time},${(40 + (minute % 100) / 10).toFixed(1)}`;
  });
  const file = `time,rh\n${lines.join('\n')}\n`;
  const plan = {
    delimiter: ',',
    skip: 1,
    date: 0,
    clock: null,
    rh: 1,
    temp: null,
    order: 'iso',
    tempUnit: 'C',
    rhUnit: 'percent',
  };
  const send = (to: string, importId: string) =>
    fetch(`${to}/sensors/${sensorId}/imports/${importId}?plan=${encodeURIComponent(JSON.stringify(plan))}`, {
      method: 'POST',
      headers: { 'content-type': 'text/csv', [REQUEST_HEADER]: '1', cookie },
      body: file,
    });
  const importId = uuid();
  const broken = send(url, importId).catch(() => null);
  await until(
    async () => {
      const answer = await fetch(`${url}/imports/${importId}`, { headers: { cookie } });
      if (!answer.ok) return false;
      const { state, lines: count } = (await answer.json()) as { state: string; lines: number };
      expect(state).toBe('running');
      return count >= 15_000;
    },
    60_000,
    1,
  );
  child.kill('SIGKILL');
  await once(child, 'exit');
  await broken;
  expect(await readings()).toBe(0);

  const again = await startProcess();
  const answer = await send(again.url, uuid());
  expect(((await answer.json()) as { intake: object }).intake).toEqual({ stored: 120_000, known: 0, corrected: 0 });
  expect(await readings()).toBe(120_000);
  again.child.kill('SIGTERM');
  if (again.child.exitCode === null) await once(again.child, 'exit');
  await server.close();
}, 120_000);

test('two server processes share one database: an account made at one signs in at the other', async () => {
  const [one, two] = await Promise.all([startProcess(), startProcess()]);
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
  const lines: string[] = [];
  const log = pino({ level: 'debug' }, { write: (line: string) => void lines.push(line) });
  const server = openServer({}, { log });
  const { app } = server;
  const party = await household(server);
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
  await server.close();
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
