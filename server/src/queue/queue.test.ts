import { MINUTE_MS } from '@tembrin/core';
import { v7 as uuid } from 'uuid';
import { openServer, type TestServer } from '../testing/fixtures';
import { Telling } from '../operating/telling';
import { pino } from 'pino';
import { Hopeless, Queue } from './queue';

interface Jobs {
  ring: { bell: string };
}
let server: TestServer;
beforeAll(() => {
  server = openServer();
});
afterAll(() => server.close());
beforeEach(() => server.database.models.Job.destroy({ where: {} }));

const telling = new Telling(pino({ level: 'silent' }));
const queueOf = (ring: (data: Jobs['ring'], job: { id: string; tries: number }) => Promise<void>) =>
  new Queue<Jobs>(server.database, { ring }, telling);
const later = (ms: number) => () => new Date(Date.now() + ms);
const left = () => server.database.models.Job.count();

test('what is due is done once, by whichever of several takes it', async () => {
  const rung: string[] = [];
  const ring = async ({ bell }: Jobs['ring']) => {
    await new Promise((resolve) => setTimeout(resolve, 5));
    rung.push(bell);
  };
  const many = [queueOf(ring), queueOf(ring), queueOf(ring), queueOf(ring)];
  const bells = Array.from({ length: 60 }, () => uuid());
  for (const bell of bells) await many[0]!.add('ring', { bell });
  const counts = await Promise.all(many.map((queue) => queue.drain()));
  expect([...rung].sort()).toEqual([...bells].sort());
  expect(counts.reduce((sum, count) => sum + count, 0)).toBe(bells.length);
  // More than one had something to do.
  expect(counts.filter((count) => count > 0).length).toBeGreaterThan(1);
  expect(await left()).toBe(0);
});

test('what is not due yet waits for its time', async () => {
  const rung: string[] = [];
  const queue = queueOf(({ bell }) => Promise.resolve(void rung.push(bell)));
  await queue.add('ring', { bell: 'evening' }, { dueAt: new Date(Date.now() + 10 * MINUTE_MS) });
  expect(await queue.drain()).toBe(0);
  expect(await queue.drain(later(11 * MINUTE_MS))).toBe(1);
  expect(rung).toEqual(['evening']);
});

test('what fails is tried again after growing pauses, and given up in the end', async () => {
  let tries = 0;
  const queue = queueOf(() => {
    tries++;
    return Promise.reject(new Error('nobody answers'));
  });
  await queue.add('ring', { bell: 'broken' });
  const gaps: number[] = [];
  let at = Date.now();
  for (;;) {
    const now = at;
    expect(await queue.drain(() => new Date(now))).toBe(1);
    const row = await server.database.models.Job.findOne();
    if (!row) break;
    gaps.push((row.dueAt.getTime() - at) / MINUTE_MS);
    // A moment before, it is left alone.
    expect(await queue.drain(() => new Date(row.dueAt.getTime() - 1))).toBe(0);
    at = row.dueAt.getTime();
  }
  expect(tries).toBe(7);
  expect(gaps).toEqual([1, 5, 30, 120, 360, 720]);
});

test('what is hopeless is not tried again', async () => {
  let tries = 0;
  const queue = queueOf(() => {
    tries++;
    return Promise.reject(new Hopeless('no such bell'));
  });
  await queue.add('ring', { bell: 'none' });
  await queue.drain();
  expect([tries, await left()]).toEqual([1, 0]);
});

test('one whose process ends in the middle is done by another, under the same id', async () => {
  const seen: { id: string; tries: number }[] = [];
  // It rings, and is never heard of again.
  const dying = queueOf((_data, job) => {
    seen.push(job);
    return new Promise(() => undefined);
  });
  await dying.add('ring', { bell: 'knell' });
  void dying.drain();
  while (seen.length === 0) await new Promise((resolve) => setTimeout(resolve, 5));
  const other = queueOf((_data, job) => Promise.resolve(void seen.push(job)));
  expect(await other.drain()).toBe(0);
  expect(await other.drain(later(4 * MINUTE_MS))).toBe(1);
  expect(seen).toEqual([
    { id: seen[0]!.id, tries: 0 },
    { id: seen[0]!.id, tries: 1 },
  ]);
  expect(await left()).toBe(0);
});

test('a kind that only a newer server knows is left to it', async () => {
  await server.database.models.Job.create({
    id: uuid(),
    kind: 'peal',
    data: '{}',
    dueAt: new Date(0),
    madeAt: new Date(),
  });
  await queueOf(() => Promise.resolve()).drain();
  expect(await left()).toBe(1);
});

test('put down with a transaction that is taken back, it is not there', async () => {
  const queue = queueOf(() => Promise.resolve());
  await server.database.sequelize
    .transaction(async (transaction) => {
      await queue.add('ring', { bell: 'never' }, { transaction });
      throw new Error('taken back');
    })
    .catch(() => undefined);
  expect(await left()).toBe(0);
});

test('a process that looks by itself does what it put down at once', async () => {
  const rung: string[] = [];
  const queue = queueOf(({ bell }) => Promise.resolve(void rung.push(bell)));
  queue.start();
  await queue.add('ring', { bell: 'now' });
  while (rung.length === 0) await new Promise((resolve) => setTimeout(resolve, 5));
  await queue.stop();
  expect(await left()).toBe(0);
});
