import { HOUR_MS, DAY_MS, MINUTE_MS } from '@tembrin/core';
import type { Air } from '@tembrin/contract';
import { v7 as uuid } from 'uuid';
import { airOf, reading, ROOM, room, sensor } from './testing/air';
import { household, madeEvent, openServer, visitor, type TestServer } from './testing/fixtures';

let server: TestServer;
beforeAll(() => {
  server = openServer();
});
afterAll(() => server.close());

describe('places', () => {
  test('a room, a case in it, and what keeps them from being removed', async () => {
    const party = await household(server);
    const front = await room(party);
    const box = await room(party, { kind: 'case', name: 'Case', roomId: front, volumeM3: null });
    const { sensor: made } = await sensor(party, box);
    await party.browser.remove(`/places/${front}`, 1).expect(409);
    await party.browser.remove(`/places/${box}`, 1).expect(409);
    await party.browser.remove(`/sensors/${made.id}`, 1).expect(204);
    await party.browser.remove(`/places/${box}`, 1).expect(204);
    await party.browser.remove(`/places/${front}`, 1).expect(204);
    expect((await airOf(party)).places).toEqual([]);
  });

  test('a case stands in a room of the same household, and only there', async () => {
    const [party, other] = [await household(server), await household(server)];
    const theirs = await room(other);
    const answer = await party.browser
      .post('/places', { id: uuid(), ...ROOM, kind: 'case', roomId: theirs })
      .expect(422);
    expect(answer.body.detail).toMatch(/no such room/);
    await party.browser.post('/places', { id: uuid(), ...ROOM, name: ' ' }).expect(422);
  });

  test('an instrument moves into a room that is there', async () => {
    const party = await household(server);
    const place = await room(party);
    const moved = (placeId: string | null) =>
      party.browser.postEvents(madeEvent(party.instrument.id, 'moved', { placeId, cased: true }));
    expect((await moved(place)).body.outcomes[0].outcome).toBe('stored');
    expect((await moved(null)).body.outcomes[0].outcome).toBe('stored');
    const refused = (await moved(uuid())).body.outcomes[0];
    expect([refused.outcome, refused.problem.detail]).toEqual(['refused', expect.stringMatching(/no such room/)]);
  });
});

test('a hygrometer that moves leaves its readings where they were taken', async () => {
  const party = await household(server);
  const [here, there] = [await room(party), await room(party)];
  const { sensor: made } = await sensor(party, here);
  await party.browser.post(`/sensors/${made.id}/readings`, { readings: [reading(50, 5)] }).expect(200);
  await party.browser.put(`/sensors/${made.id}`, 1, { name: 'Moved', placeId: there }).expect(200);
  const { records } = await airOf(party);
  expect(records.map(({ placeId }) => placeId)).toEqual([here]);
});

test('a year and a day of a place', async () => {
  const party = await household(server);
  const place = await room(party);
  const { sensor: made } = await sensor(party, place);
  const noon = Math.floor(Date.now() / DAY_MS) * DAY_MS - 3 * DAY_MS + 12 * HOUR_MS;
  const at = (ms: number, percent: number) => ({ ...reading(percent), at: new Date(ms).toISOString() });
  await party.browser
    .post(`/sensors/${made.id}/readings`, {
      readings: [at(noon, 40), at(noon + MINUTE_MS, 42), at(noon + HOUR_MS, 50)],
    })
    .expect(200);
  const today = Math.floor(Date.now() / DAY_MS);
  const year = (await party.browser.get(`/places/${place}/year?from=${today - 365}&to=${today + 1}`).expect(200)).body;
  expect(year.days).toEqual([[today - 3, 2, 4550, 4000, 5000, 2050]]);
  expect(year.reach).toEqual([today - 3, today - 3]);
  expect(year.level).toHaveLength(1);
  const day = (await party.browser.get(`/places/${place}/day?day=${today - 3}`).expect(200)).body;
  expect(day.slots.map(([, rh, low, high]: number[]) => [rh, low, high])).toEqual([
    [4100, 4000, 4200],
    [5000, 5000, 5000],
  ]);
  await party.browser.get(`/places/${place}/year?from=0&to=5000`).expect(422);
});

test('the demo library’s air is there, each visitor’s own', async () => {
  const browser = visitor(server);
  await browser.post('/demo', { timeZone: 'Europe/Lisbon' }).expect(201);
  const air = (await browser.get('/air').expect(200)).body as Air;
  expect(air.places).toHaveLength(4);
  expect(air.records).toHaveLength(4);
  expect(air.records.every(({ days }) => days.length > 100)).toBe(true);
  expect(air.records.find(({ steady }) => steady?.basis === 'record')).toBeDefined();
  expect(air.weather).toBeNull();
}, 30_000);
