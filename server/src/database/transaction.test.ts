import { QueryTypes } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { API_ROOT } from '@tembrin/contract';
import { reading, room, sensor, type Party } from '../testing/air';
import { household, madeEvent, openServer, type TestServer } from '../testing/fixtures';
import { withLease } from './lease';
import { inTransaction, isFull, isPassing } from './transaction';

let server: TestServer;
beforeAll(() => {
  server = openServer({ HOUSEHOLD_LIMIT: '100000', SENSOR_LIMIT: '100000' });
});
afterAll(() => server.close());

/**
 * Cuts every connection that does something in the database just now. One that is just being made is spared: what the driver says
 * when that is cut is nobody's answer, and fails whatever test runs.
 */
async function cutAll(): Promise<number> {
  const { sequelize } = server.database;
  const open = () =>
    sequelize.query<{ id: number }>(
      "SELECT id FROM information_schema.processlist WHERE user = 'tembrin_app' AND id <> CONNECTION_ID()",
      { type: QueryTypes.SELECT },
    );
  const before = new Set((await open()).map(({ id }) => id));
  await new Promise((resolve) => setTimeout(resolve, 40));
  const busy = (await open()).filter(({ id }) => before.has(id));
  for (const { id } of busy) await sequelize.query(`KILL CONNECTION ${Number(id)}`).catch(() => undefined);
  return busy.length;
}

test('two that lock each other in are both carried out', async () => {
  const [one, two] = [await household(server), await household(server)];
  const { models } = server.database;
  let both = 0;
  let release!: () => void;
  const bothHold = new Promise<void>((resolve) => (release = resolve));
  const rename = (first: Party, second: Party, name: string) =>
    inTransaction(server.database, async (transaction) => {
      const set = ({ household: { id } }: Party) => models.Household.update({ name }, { where: { id }, transaction });
      await set(first);
      if (++both === 2) release();
      await bothHold;
      await set(second);
    });
  await Promise.all([rename(one, two, 'One'), rename(two, one, 'Two')]);
  const names = await Promise.all([one, two].map(({ browser }) => browser.get('/household')));
  expect(new Set(names.map(({ body }) => (body as { name: string }).name)).size).toBe(1);
});

test('what does not pass is thrown at once, and what passes not for ever', async () => {
  let tries = 0;
  const failing = (errno: number) =>
    inTransaction(server.database, () => {
      tries++;
      return Promise.reject(Object.assign(new Error('failed'), { original: { errno } }));
    });
  await expect(failing(1064)).rejects.toThrow('failed');
  expect(tries).toBe(1);
  tries = 0;
  await expect(failing(1213)).rejects.toThrow('failed');
  expect(tries).toBe(14);
  expect(isPassing(Object.assign(new Error(), { original: { errno: 1205 } }))).toBe(true);
  expect(isPassing(new Error('odd'))).toBe(false);
  expect(isFull(Object.assign(new Error(), { original: { errno: 1114 } }))).toBe(true);
  expect(isFull(Object.assign(new Error(), { code: 'ENOSPC' }))).toBe(true);
});

test('thirty fresh hygrometers that send at once are all taken in', async () => {
  const party = await household(server);
  const placeId = await room(party);
  const keys: { id: string; key: string }[] = [];
  for (let each = 0; each < 30; each++) {
    const made = await sensor(party, placeId, 'post');
    keys.push({ id: made.sensor.id, key: made.key! });
  }
  const pack = (at: number) => [
    { bn: 'urn:dev:', bt: Math.floor(Date.now() / 1000) - 3600 * at, n: 'rh', u: '%RH', v: 45 + at },
  ];
  const answers = await Promise.all(
    [1, 2, 3].flatMap((at) =>
      keys.map(({ id, key }) =>
        party.browser.agent
          .post(`${API_ROOT}/sensors/${id}/senml`)
          .set('Authorization', `Bearer ${key}`)
          .send(pack(at)),
      ),
    ),
  );
  expect(answers.map(({ status }) => status)).toEqual(Array(90).fill(200));
  const { sensors } = (await party.browser.get('/air').expect(200)).body as { sensors: { readings: number }[] };
  expect(sensors.map(({ readings }) => readings)).toEqual(Array(30).fill(3));
}, 60_000);

test('connections that are cut lose nothing: what was answered is stored, the rest is told to come again', async () => {
  // A rollback on a connection that is gone is told of on the console.
  jest.spyOn(console, 'warn').mockImplementation(() => undefined);
  const party = await household(server);
  const events = Array.from({ length: 60 }, () => madeEvent(party.instrument.id, 'rosined', {}));
  const sent = events.map((event) => party.browser.postEvents(event));
  const cuts = (async () => {
    for (let times = 0; times < 4; times++) {
      await cutAll();
      await new Promise((resolve) => setTimeout(resolve, 60));
    }
  })();
  const answers = await Promise.all(sent);
  await cuts;
  expect(answers.filter(({ status }) => status !== 200 && status !== 503)).toEqual([]);
  for (const { headers } of answers.filter(({ status }) => status === 503)) expect(headers['retry-after']).toBe('5');
  const { body } = await party.browser.get('/events').expect(200);
  const there = new Set((body as { events: { id: string }[] }).events.map(({ id }) => id));
  const answered = events.filter((_event, at) => answers[at]!.status === 200);
  expect(answered.filter(({ id }) => !there.has(id))).toEqual([]);
  // Nearly all got through by themselves.
  expect(answered.length).toBeGreaterThan(50);
}, 60_000);

test('a hygrometer that is renamed while its file is read is told to come again, soon', async () => {
  const party = await household(server);
  const placeId = await room(party);
  const { sensor: made } = await sensor(party, placeId, 'logger');
  const transaction = await server.database.long.transaction();
  await server.database.models.Sensor.findOne({ where: { id: made.id }, transaction, lock: true });
  const began = Date.now();
  const { status, headers } = await party.browser.put(`/sensors/${made.id}`, made.version, { name: 'Other', placeId });
  expect([status, headers['retry-after']]).toEqual([503, '5']);
  expect(Date.now() - began).toBeLessThan(15_000);
  await transaction.rollback();
  await party.browser.put(`/sensors/${made.id}`, made.version, { name: 'Other', placeId }).expect(200);
  await party.browser.post(`/sensors/${made.id}/readings`, { readings: [reading(45)] }).expect(200);
}, 60_000);

test('a lease is one’s at a time, and another’s once its holder has ended', async () => {
  const { sequelize } = server.database;
  const name = `test ${uuid()}`;
  const both = await Promise.all(
    [1, 2].map((each) =>
      withLease(sequelize, name, async () => {
        await new Promise((resolve) => setTimeout(resolve, 200));
        return each;
      }),
    ),
  );
  expect(both.filter((each) => each !== null)).toHaveLength(1);
  expect(await withLease(sequelize, name, () => Promise.resolve('again'))).toBe('again');
  await sequelize.query(
    'INSERT INTO leases (name, holder, until) VALUES (:name, UUID(), UTC_TIMESTAMP(3) - INTERVAL 1 SECOND)',
    { replacements: { name } },
  );
  expect(await withLease(sequelize, name, () => Promise.resolve('mine'))).toBe('mine');
});
