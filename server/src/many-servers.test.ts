import { readFileSync } from 'node:fs';
import type { LogPage } from '@tembrin/contract';
import { usualFacts, type LogEvent } from '@tembrin/core';
import { v7 as uuid } from 'uuid';
import { LOGGER_PLAN, ROOM } from './testing/air';
import { madeEvent, PASSWORD } from './testing/fixtures';
import { cookieOf, endProcess, roundRobin, send, startProcess, type Running } from './testing/processes';
import { until } from './testing/until';

/** Two processes on one database behind a balancer that sends every request to the other one. */
let servers: Running[];
let balancer: Awaited<ReturnType<typeof roundRobin>>;
beforeAll(async () => {
  servers = await Promise.all([startProcess(), startProcess()]);
  balancer = await roundRobin(servers);
}, 60_000);
afterAll(async () => {
  balancer.close();
  expect(await Promise.all(servers.map(endProcess))).toEqual([0, 0]);
}, 60_000);

async function newcomer() {
  const account = { email: `${uuid()}@example.org`, password: PASSWORD, timeZone: 'Europe/Lisbon' };
  const cookie = cookieOf(await send(balancer.url, 'POST', '/accounts', account));
  const id = uuid();
  await send(balancer.url, 'POST', '/instruments', { id, name: 'Heron', ...usualFacts('violin') }, cookie);
  return { account, cookie, id };
}
const json = async <T>(answer: Promise<Response>) => (await answer).json() as Promise<T>;

test('a device that polls misses nothing, and of sessions over each other one is taken', async () => {
  const { cookie, id } = await newcomer();
  const found = new Map<string, LogEvent>();
  let writing = true;
  const givenUp = Date.now() + 110_000;
  const polling = (async () => {
    for (let after = 0, last = false; Date.now() < givenUp; last = !writing) {
      const page = await json<LogPage>(send(balancer.url, 'GET', `/events?after=${after}`, undefined, cookie));
      for (const event of page.events) found.set(event.id, event);
      after = page.reached;
      if (last && page.events.length === 0) return;
    }
  })();
  const post = (events: object[]) => send(balancer.url, 'POST', '/events', { events }, cookie);
  const sent: string[] = [];
  const writers = Array.from({ length: 6 }, async () => {
    for (let batch = 0; batch < 12; batch++) {
      const events = Array.from({ length: 3 }, () => madeEvent(id, 'rosined', {}));
      sent.push(...events.map((event) => event.id));
      expect((await post(events)).status).toBe(200);
    }
  });
  const began = Date.now() - 7_200_000;
  const overlapping = Array.from({ length: 12 }, (_, at) =>
    json<{ outcomes: { outcome: string }[] }>(
      post([
        madeEvent(
          id,
          'session-entered',
          { endedAt: new Date(began + 3_600_000 + at).toISOString() },
          began + at * 1000,
        ),
      ]),
    ),
  );
  const outcomes = (await Promise.all(overlapping)).map(({ outcomes: [first] }) => first!.outcome);
  await Promise.all(writers);
  writing = false;
  await polling;
  expect(sent.filter((each) => !found.has(each))).toEqual([]);
  expect(outcomes.filter((outcome) => outcome === 'stored')).toHaveLength(1);
}, 120_000);

test('an import at one is told of, and stopped, at the other', async () => {
  const { cookie } = await newcomer();
  const [placeId, sensorId, importId] = [uuid(), uuid(), uuid()];
  await send(balancer.url, 'POST', '/places', { id: placeId, ...ROOM }, cookie);
  await send(balancer.url, 'POST', '/sensors', { id: sensorId, kind: 'logger', name: 'Logger', placeId }, cookie);
  const lines = Array.from({ length: 250_000 }, (_, minute) => {
    const time = new Date(Date.UTC(2025, 0, 6) + minute * 60_000).toISOString().slice(0, 16).replace('T', ' ');
    return `${time};${(40 + (minute % 100) / 10).toFixed(1)};20`;
  });
  const file = `time;rh;temp\n${lines.join('\n')}\n`;
  const bring = (url: string, which: string) =>
    send(
      url,
      'POST',
      `/sensors/${sensorId}/imports/${which}?plan=${encodeURIComponent(JSON.stringify(LOGGER_PLAN))}`,
      file,
      cookie,
    );
  const brought = bring(servers[0]!.url, importId);
  const progress = () =>
    json<{ state?: string; lines: number }>(send(servers[1]!.url, 'GET', `/imports/${importId}`, undefined, cookie));
  await until(async () => ((await progress()).lines ?? 0) >= 20_000, 60_000, 1);
  expect((await send(servers[1]!.url, 'DELETE', `/imports/${importId}`, undefined, cookie)).status).toBe(204);
  expect((await brought).status).toBe(409);
  expect(await progress()).toMatchObject({ state: 'cancelled' });
  expect((await bring(balancer.url, uuid())).status).toBe(200);
}, 120_000);

test('demo, feed and sign-in go on at whichever is asked', async () => {
  const opened = await send(balancer.url, 'POST', '/demo', { timeZone: 'Europe/Lisbon' });
  expect(opened.status).toBe(201);
  const visitor = cookieOf(opened);
  for (const { url } of servers) expect((await send(url, 'GET', '/household', undefined, visitor)).status).toBe(200);
  const { cookie, account } = await newcomer();
  const { path } = await json<{ path: string }>(send(balancer.url, 'POST', '/calendar/address', {}, cookie));
  for (const { url } of servers) expect(await (await fetch(new URL(path, url))).text()).toContain('BEGIN:VCALENDAR');
  expect((await send(balancer.url, 'POST', '/sign-out', {}, cookie)).status).toBe(204);
  for (const { url } of servers) expect((await send(url, 'GET', '/household', undefined, cookie)).status).toBe(401);
  const back = await send(balancer.url, 'POST', '/sign-in', { email: account.email, password: PASSWORD });
  expect(back.status).toBe(200);
}, 120_000);

describe('workers of one start', () => {
  let started: Running;
  beforeAll(async () => {
    started = await startProcess({ WORKERS: '2', METRICS_PORT: '0' });
  }, 60_000);
  // Nothing stays behind, whatever went wrong.
  afterAll(() => started.child.kill('SIGKILL'));

  const workers = () => {
    const { pid } = started.child;
    const children = readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').trim().split(' ').filter(Boolean);
    return children.map(Number).filter((each) => readFileSync(`/proc/${each}/cmdline`, 'utf8').includes('src/main.ts'));
  };
  const up = async () => (await send(started.url, 'GET', '/ready').catch(() => null))?.status === 200;

  test('share a port, are started again when they end, and stop together', async () => {
    await until(() => workers().length === 2);
    await until(up);
    // One after the other: so also the one that was the first to listen.
    for (const each of workers()) {
      process.kill(each, 'SIGKILL');
      await until(() => workers().length === 2 && !workers().includes(each));
      await until(up);
    }
    const all = workers();
    expect(await endProcess(started)).toBe(0);
    expect(all.some((pid) => isAlive(pid))).toBe(false);
  }, 60_000);
});

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}
