import { DAY_MS, FAMILIES, HABITS, kindsOf, localDay, dateOfDay, usualFacts } from '@tembrin/core';
import type { Household } from '@tembrin/contract';
import { QUOTAS } from '@tembrin/contract/quotas';
import { v7 as uuid } from 'uuid';
import { reading, ROOM } from './testing/air';
import { household, madeEvent, openServer, PASSWORD, visitor, type TestServer, type Visitor } from './testing/fixtures';
import { judged } from './testing/judged';

/** A keeper moves to another server: everything that a judgement rests on comes along. */

let server: TestServer;
beforeAll(() => {
  server = openServer();
});
afterAll(() => server.close());
afterEach(() => jest.restoreAllMocks());

const newcomer = async (timeZone = 'UTC') => {
  const browser = visitor(server);
  await browser.post('/accounts', { email: `${uuid()}@example.org`, password: PASSWORD, timeZone }).expect(201);
  return browser;
};
const bring = (browser: Visitor, text: string, look = false) =>
  browser.agent
    .post(`/api/v1/import/household${look ? '?look=true' : ''}`)
    .set('x-tembrin', '1')
    .set('Content-Type', 'text/csv')
    .send(text);

async function moved(from: Visitor): Promise<{ before: unknown; after: unknown; outcome: Record<string, unknown> }> {
  const { text } = await from.get('/export/household.json').expect(200);
  const to = await newcomer();
  const looked = (await bring(to, text, true).expect(200)).body;
  // Only looked: nothing is there yet.
  expect((await to.get('/household')).body.instruments).toEqual([]);
  const outcome = (await bring(to, text).expect(200)).body;
  expect(outcome).toEqual(looked);
  const nowMs = Date.now();
  return { before: await judged(from, nowMs), after: await judged(to, nowMs), outcome };
}

test('the demo library, with its bows, its rooms, its hygrometers and all they read, is judged alike', async () => {
  const from = visitor(server);
  await from.post('/demo', { timeZone: 'Europe/Lisbon' }).expect(201);
  const { before, after, outcome } = await moved(from);
  expect(after).toEqual(before);
  expect(outcome).toMatchObject({ instruments: 9, settings: true, known: 0 });
  expect(outcome.readings).toBeGreaterThan(1000);
  expect((outcome.left as string[]).join(' ')).toMatch(/hygrometers? sends? by itself.*Make a new one/);
}, 120_000);

/** Numbers between 0 and 1 that come the same each time: a plain linear congruence, common practice. */
function dice(seed: number) {
  let state = seed;
  return () => (state = (state * 1_103_515_245 + 12_345) % 2 ** 31) / 2 ** 31;
}

test.each([1, 2, 3, 4])('household %i, made by chance, is judged alike', async (seed) => {
  const chance = dice(seed * 7919);
  const pick = <T>(from: readonly T[]): T => from[Math.floor(chance() * from.length)]!;
  const from = await newcomer(pick(['Europe/Lisbon', 'America/New_York', 'Asia/Tokyo']));
  const place = uuid();
  await from.post('/places', { ...ROOM, id: place, name: 'Front room' }).expect(201);
  const sensor = uuid();
  await from.post('/sensors', { id: sensor, name: 'Shelf', kind: 'hand', placeId: place }).expect(201);
  const readings = Array.from({ length: 12 }, (_, at) => reading(35 + Math.round(chance() * 300) / 10, (12 - at) * 24));
  await from.post(`/sensors/${sensor}/readings`, { readings }).expect(200);
  const ids: string[] = [];
  for (let count = 0; count < 3; count++) {
    const family = pick(FAMILIES);
    const facts = usualFacts(family, pick([...kindsOf(family), undefined]) ?? undefined);
    const id = uuid();
    ids.push(id);
    const setUp = { ...facts.setUp, habit: pick([...HABITS, null]) };
    await from.post('/instruments', { id, name: `${family} ${count}`, ...facts, setUp }).expect(201);
    const events = [
      madeEvent(id, 'moved', { placeId: place, cased: chance() < 0.5 }, Date.now() - 14 * DAY_MS),
      madeEvent(
        id,
        'strings-fitted',
        { strings: null, reason: 'worn', known: true },
        Date.now() - chance() * 400 * DAY_MS,
      ),
      madeEvent(id, 'checked-up', { known: chance() < 0.7 }, Date.now() - chance() * 400 * DAY_MS),
      ...Array.from({ length: 12 }, (_, at) => {
        const began = Date.now() - (13 - at) * DAY_MS;
        const ended = new Date(began + (0.2 + chance()) * 3_600_000).toISOString();
        return madeEvent(id, 'session-entered', { endedAt: ended }, began);
      }),
    ];
    await from.postEvents(...events).expect(200);
  }
  const today = localDay(Date.now(), 'UTC');
  const spans = [{ from: dateOfDay(today + 20), to: dateOfDay(today + 30) }];
  const holiday = { title: 'Away', kind: 'holiday', instrumentId: ids[0], spans, source: null };
  await from.post('/cards', { cards: [{ id: uuid(), kind: 'occasion', facts: holiday }] }).expect(201);
  const { before, after } = await moved(from);
  expect(after).toEqual(before);
});

test('into a household that has something its settings stay, and what is there is left as it is', async () => {
  const from = await newcomer('Europe/Lisbon');
  await from.post('/instruments', { id: uuid(), name: 'Heron', ...usualFacts('violin') }).expect(201);
  const [place, sensor] = [uuid(), uuid()];
  await from.post('/places', { ...ROOM, id: place, name: 'Front room' }).expect(201);
  await from.post('/sensors', { id: sensor, name: 'Shelf', kind: 'hand', placeId: place }).expect(201);
  await from.post(`/sensors/${sensor}/readings`, { readings: [reading(45, 3), reading(46, 2)] }).expect(200);
  const { text } = await from.get('/export/household.json').expect(200);
  const to = await newcomer();
  await to.post('/instruments', { id: uuid(), name: 'Own', ...usualFacts('harp') }).expect(201);
  const { settings, left, readings } = (await bring(to, text).expect(200)).body;
  expect([settings, readings, left.join(' ')]).toEqual([false, 2, expect.stringMatching(/stay as they are/)]);
  expect((await to.get('/household')).body).toMatchObject({ timeZone: 'UTC' });
  const again = (await bring(to, text).expect(200)).body;
  expect(again).toMatchObject({ instruments: 0, places: 0, sensors: 0, readings: 0, cards: 0, events: 0 });
  // Readings that cannot be are refused, and nothing of the file stays.
  const broken = JSON.parse(text);
  broken.sensors = [
    { ...broken.sensors[0], id: uuid(), readings: { at: [1, 0], rh: [4500, 4500], temp: [null, null] } },
  ];
  expect((await bring(to, JSON.stringify(broken)).expect(422)).body.detail).toMatch(/not in order of time/);
  broken.sensors[0].readings = { at: [1_770_000_000], rh: [45_000], temp: [null] };
  expect((await bring(to, JSON.stringify(broken)).expect(422)).body.detail).toMatch(/^Hygrometer 1/);
});

describe('a file that somebody made up', () => {
  const made = async () => {
    const from = await newcomer();
    const id = uuid();
    await from.post('/instruments', { id, name: 'Heron', ...usualFacts('violin') }).expect(201);
    await from.post('/places', { ...ROOM, id: uuid(), name: 'Front room' }).expect(201);
    const file = JSON.parse((await from.get('/export/household.json').expect(200)).text);
    return { file, id, to: await newcomer() };
  };

  test('brings in no more than a household keeps, and no case in no room', async () => {
    const { file, to } = await made();
    const refused = async (change: object, detail: RegExp) => {
      const answer = await bring(to, JSON.stringify({ ...file, ...change })).expect(422);
      expect(answer.body.detail).toMatch(detail);
      expect((await to.get('/household')).body.instruments).toEqual([]);
    };
    const [instrument] = file.instruments;
    const many = Array.from({ length: 700 }, () => ({ ...instrument, id: uuid() }));
    await refused({ instruments: many }, /at most 500 instruments/);
    const box = { ...file.places[0], id: uuid(), kind: 'case', roomId: uuid() };
    await refused({ places: [...file.places, box] }, /no such room/);
  });

  test('leaves behind what cannot have been, and says so', async () => {
    const { file, id, to } = await made();
    const began = Date.now() - 40 * DAY_MS;
    const session = (at: number, to: number) =>
      madeEvent(id, 'session-entered', { endedAt: new Date(to).toISOString() }, at);
    const events = [
      session(began, began + 3_600_000),
      session(began - 10 * DAY_MS, began - 3 * DAY_MS),
      session(began + 60_000, began + 120_000),
      madeEvent(id, 'retracted', { eventId: uuid() }, began),
      madeEvent(id, 'rosined', {}, Date.now() + 300 * DAY_MS),
    ];
    const { body } = await bring(to, JSON.stringify({ ...file, events })).expect(200);
    expect(body.events).toBe(1);
    expect(body.left.slice(0, 5)).toEqual([
      '4 entries cannot have been, and stay behind.',
      expect.stringMatching(/^Event 2: /),
      expect.stringMatching(/^Event 3: /),
      expect.stringMatching(/^Event 4: /),
      'And 1 more.',
    ]);
    // Once more it is known, and what cannot have been still cannot.
    expect((await bring(to, JSON.stringify({ ...file, events })).expect(200)).body).toMatchObject({
      events: 0,
      known: 1,
    });
  });

  test('of millions of empty instruments is refused, and others are answered meanwhile', async () => {
    const { to } = await made();
    const text = `{"format":"tembrin-1","instruments":[${'{},'.repeat(8_000_000)}{}]}`;
    let longest = 0;
    let asking = true;
    const asked = (async () => {
      const givenUp = Date.now() + 55_000;
      while (asking && Date.now() < givenUp) {
        const began = Date.now();
        await to.get('/health').expect(200);
        longest = Math.max(longest, Date.now() - began);
      }
    })();
    const answer = await bring(to, text);
    asking = false;
    await asked;
    expect([413, 422]).toContain(answer.status);
    expect(answer.body.detail).toMatch(/Cut it in parts|at most 500/);
    expect(longest).toBeLessThan(1_500);
  }, 60_000);

  test('is read anew where something was put on record meanwhile', async () => {
    const { file, id, to } = await made();
    const events = [madeEvent(id, 'rosined', {}, Date.now() - DAY_MS)];
    const text = JSON.stringify({ ...file, events });
    const both = await Promise.all([bring(to, text), bring(to, text)]);
    expect(both.map(({ status }) => status)).toEqual([200, 200]);
    expect(both.map(({ body }) => body.events + body.known)).toEqual([1, 1]);
    expect((await to.get('/events')).body.events).toHaveLength(1);
  }, 60_000);
});

test('a household that has as much of something as it may is told so, by every way in', async () => {
  jest.replaceProperty(QUOTAS, 'events', 3 as never);
  jest.replaceProperty(QUOTAS, 'readings', 3 as never);
  const browser = await newcomer();
  const [id, placeId, sensorId] = [uuid(), uuid(), uuid()];
  await browser.post('/instruments', { id, name: 'Heron', ...usualFacts('violin') }).expect(201);
  const rosined = () => madeEvent(id, 'rosined', {});
  await browser.postEvents(rosined(), rosined(), rosined()).expect(200);
  expect((await browser.postEvents(rosined()).expect(422)).body.detail).toMatch(/at most 3 entries/);
  await browser.post('/places', { ...ROOM, id: placeId }).expect(201);
  await browser.post('/sensors', { id: sensorId, name: 'Shelf', kind: 'hand', placeId }).expect(201);
  const post = (...hours: number[]) =>
    browser.post(`/sensors/${sensorId}/readings`, { readings: hours.map((ago) => reading(45, ago)) });
  await post(5, 4).expect(200);
  expect((await post(3, 2).expect(422)).body.detail).toMatch(/at most 3 readings/);
  await post(3).expect(200);
  // One taken back makes room for another.
  const { body } = await browser.get(`/sensors/${sensorId}/readings`).expect(200);
  await browser.remove(`/sensors/${sensorId}/readings/${body.readings[0].atS}`, 1).expect(204);
  await post(1).expect(200);
});

test.each([
  ['instruments', 'Instrument'],
  ['places', 'Place'],
  ['sensors', 'Hygrometer'],
  ['cards', 'Card'],
])('of two %s of one id neither comes in', async (list, word) => {
  const from = await newcomer();
  await from.post('/instruments', { id: uuid(), name: 'Heron', ...usualFacts('violin') }).expect(201);
  const place = uuid();
  await from.post('/places', { ...ROOM, id: place, name: 'Front room' }).expect(201);
  await from.post('/sensors', { id: uuid(), name: 'Shelf', kind: 'hand', placeId: place }).expect(201);
  const facts = {
    title: 'Away',
    kind: 'holiday',
    instrumentId: null,
    spans: [{ from: '2026-12-20', to: '2026-12-30' }],
  };
  await from
    .post('/cards', { cards: [{ id: uuid(), kind: 'occasion', facts: { ...facts, source: null } }] })
    .expect(201);
  const file = JSON.parse((await from.get('/export/household.json').expect(200)).text);
  file[list].push(file[list][0]);
  const to = await newcomer();
  const { detail } = (await bring(to, JSON.stringify(file)).expect(422)).body;
  expect(detail).toBe(`${word} 2 is in the file twice. Nothing was brought in.`);
  expect((await to.get('/household')).body.instruments).toEqual([]);
});

test('a loan to one of the household goes along with who has it, and with their ways', async () => {
  const { browser, instrument, household: own } = await household(server);
  const ways = { schools: { cloths: 'B' }, hands: 'corrosive' };
  await browser.put(`/people/${own.people[0]!.id}/ways`, 1, ways).expect(200);
  const facts = {
    instrumentId: instrument.id,
    personId: own.people[0]!.id,
    to: 'Pip',
    reached: null,
    from: '2026-09-01',
    until: null,
    along: [{ title: 'Case', back: null }],
    strings: 'lender',
    note: null,
    back: null,
  };
  await browser.post('/cards', { cards: [{ id: uuid(), kind: 'loan', facts }] }).expect(201);
  const { text } = await browser.get('/export/household.json').expect(200);
  const to = await newcomer();
  await bring(to, text).expect(200);
  const { cards } = (await to.get('/cards').expect(200)).body as { cards: { facts: object }[] };
  expect(cards.map((card) => card.facts)).toEqual([facts]);
  const { people } = (await to.get('/household').expect(200)).body as Household;
  expect(people.find(({ id }) => id === own.people[0]!.id)).toMatchObject(ways);
});
