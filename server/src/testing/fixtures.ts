import { API_ROOT, REQUEST_HEADER, type Household, type Instrument } from '@tembrin/contract';
import { usualFacts, type EventOf, type EventType } from '@tembrin/core';
import { pino } from 'pino';
import request from 'supertest';
import { v7 as uuid } from 'uuid';
import { createApp, type AppParts } from '../app';
import { databaseAddress, readConfig } from '../config';
import { connect, type Database } from '../database/connect';
import { storageOf } from '../photos/object-store';
import { Metrics } from '../operating/metrics';
import { Telling } from '../operating/telling';
import { Watch } from '../operating/watch';
import { officeOf } from '../jobs/office';
import { Letters } from './letters';
import { Pushes } from './pushes';
import { Outside } from '../sensors/simulators';
import { DemoLibraries } from '../jobs/demo-libraries';

export const PASSWORD = 'quiet harbour tern';

/** One server on the test database, in this process. */
export function openServer(settings: Partial<Record<string, string>> = {}, parts: Partial<AppParts> = {}) {
  const config = readConfig({ SIGN_IN_LIMIT: '1000', OPENING_LIMIT: '10000', ...process.env, ...settings });
  const database: Database = connect(databaseAddress(config));
  const demos = new DemoLibraries(database);
  const storage = storageOf(config);
  const log = parts.log ?? pino({ level: 'silent' });
  const watch = new Watch(new Telling(log), new Metrics(database));
  const loop = { longestMs: () => 0 };
  const post = new Letters();
  const outside = new Outside(database, config.WEATHER_URL, config.HYGROMETER_URL);
  const push = new Pushes();
  const office = officeOf(config, database, new Telling(log), outside, { post, push });
  const app = createApp({
    config,
    database,
    demos,
    office,
    outside,
    storage,
    log,
    loop,
    watch,
    checkResponses: true,
    ...parts,
  });
  return {
    app,
    database,
    demos,
    watch,
    storage,
    office,
    post,
    push,
    async close() {
      await database.close();
    },
  };
}
export type TestServer = ReturnType<typeof openServer>;

/** A browser: keeps its cookie, and sends what the app's own page sends. */
export function visitor({ app }: Pick<TestServer, 'app'>) {
  const agent = request.agent(app);
  const send = (method: 'get' | 'post' | 'put' | 'delete', path: string) =>
    agent[method](API_ROOT + path).set(REQUEST_HEADER, '1');
  return {
    agent,
    get: (path: string) => send('get', path),
    post: (path: string, body?: object) => send('post', path).send(body),
    put: (path: string, version: number, body: object) => send('put', path).set('If-Match', `"${version}"`).send(body),
    remove: (path: string, version: number) => send('delete', path).set('If-Match', `"${version}"`),
    postEvents: (...events: unknown[]) => send('post', '/events').send({ events }),
  };
}
export type Visitor = ReturnType<typeof visitor>;

/** A household of its own with one violin in it. */
export async function household(server: TestServer) {
  const browser = visitor(server);
  const email = `${uuid()}@example.org`;
  const account = await browser.post('/accounts', { email, password: PASSWORD, timeZone: 'Europe/Lisbon' }).expect(201);
  const added = await browser.post('/instruments', { id: uuid(), name: 'Heron', ...usualFacts('violin') }).expect(201);
  return { browser, email, household: account.body as Household, instrument: added.body as Instrument };
}

/** An event a phone would make. */
export function madeEvent<T extends EventType>(
  instrumentId: string,
  type: T,
  payload: EventOf<T>['payload'],
  at = Date.now() - 3_600_000,
) {
  const time = new Date(at).toISOString();
  return { id: uuid(), instrumentId, type, occurredAt: time, recordedAt: time, payload };
}
