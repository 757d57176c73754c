import { HOUR_MS } from '@tembrin/core';
import { API_ROOT, REQUEST_HEADER } from '@tembrin/contract';
import { v7 as uuid } from 'uuid';
import { airOf, reading, room, sensor } from './testing/air';
import { household, openServer, type TestServer } from './testing/fixtures';

let server: TestServer;
beforeAll(() => {
  server = openServer();
});
afterAll(() => server.close());

describe('readings by hand', () => {
  test('are stored once however often they are sent, changed where they differ, and taken back', async () => {
    const party = await household(server);
    const place = await room(party);
    const { sensor: made } = await sensor(party, place);
    const one = reading(44.5, 3, { lowPercent: 38, highPercent: 52 });
    const post = (...readings: object[]) => party.browser.post(`/sensors/${made.id}/readings`, { readings });
    expect((await post(one).expect(200)).body).toEqual({ stored: 1, known: 0, corrected: 0 });
    expect((await post(one, reading(46)).expect(200)).body).toEqual({ stored: 1, known: 1, corrected: 0 });
    expect((await post({ ...one, percent: 45 }).expect(200)).body).toEqual({ stored: 0, known: 0, corrected: 1 });
    const air = await airOf(party);
    expect(air.records[0]!.hours.map(([, rh, low, high, temp]) => [rh, low, high, temp])).toEqual([
      [4500, 3800, 5200, 2050],
      [4600, 4600, 4600, 2050],
    ]);
    expect(air.sensors[0]).toMatchObject({ last: { rhHundredths: 4600 }, readings: 2, keyed: false });
    const listed = await party.browser.get(`/sensors/${made.id}/readings`).expect(200);
    expect(listed.body.readings.map(({ rhHundredths }: { rhHundredths: number }) => rhHundredths)).toEqual([
      4600, 4500,
    ]);
    const at = Math.floor(Date.parse(one.at) / 1000);
    await party.browser.agent
      .delete(`${API_ROOT}/sensors/${made.id}/readings/${at}`)
      .set(REQUEST_HEADER, '1')
      .expect(204);
    expect((await airOf(party)).records[0]!.hours).toHaveLength(1);
  });

  test.each([
    [reading(-3), /below 0/],
    [reading(101.5), /above 100/],
    [reading(0.45), /45 % as 45/],
    [reading(45, -3), /future.*clock/],
    [reading(45, 1, { tempC: 400 }), /unit/],
    [reading(45, 1, { lowPercent: 60 }), /lowest/],
    [{ ...reading(45), percent: 'dry' }, /./],
    [{ ...reading(45), at: '1999-12-31T00:00:00.000Z' }, /clock of the device is not set/],
  ])('%j is refused with what to do', async (bad, sentence) => {
    const party = await household(server);
    const { sensor: made } = await sensor(party, await room(party));
    const answer = await party.browser
      .post(`/sensors/${made.id}/readings`, { readings: [reading(45), bad] })
      .expect(422);
    expect(answer.body.detail).toMatch(sentence);
    // The good one beside it is not stored either: it was one act.
    expect((await airOf(party)).records).toEqual([]);
  });
});

describe('is the hygrometer right', () => {
  test('a salt check corrects what comes after it, raw values stay, and it can be taken back', async () => {
    const party = await household(server);
    const { sensor: made } = await sensor(party, await room(party));
    await party.browser
      .post(`/sensors/${made.id}/readings`, { readings: [reading(50, 30), reading(50, 2)] })
      .expect(200);
    const check = {
      id: uuid(),
      at: new Date(Date.now() - 10 * HOUR_MS).toISOString(),
      salt: 'sodium-chloride',
      tempC: 20,
      shownRh: 0.7247,
    };
    const answer = await party.browser.post(`/sensors/${made.id}/checks`, check).expect(201);
    expect(answer.body.checks).toHaveLength(1);
    // Greenspan: 75.48 % at 20 °C, so it shows 3 % too little.
    expect((await airOf(party)).records[0]!.hours.map(([, rh]) => rh)).toEqual([5000, 5301]);
    await party.browser.agent
      .delete(`${API_ROOT}/sensors/${made.id}/checks/${check.id}`)
      .set(REQUEST_HEADER, '1')
      .expect(200);
    expect((await airOf(party)).records[0]!.hours.map(([, rh]) => rh)).toEqual([5000, 5000]);
    const cold = await party.browser.post(`/sensors/${made.id}/checks`, { ...check, id: uuid(), tempC: 5 }).expect(422);
    expect(cold.body.detail).toMatch(/18 to 32 °C/);
  });

  test('two hygrometers are compared in the hours both read', async () => {
    const party = await household(server);
    const place = await room(party);
    const [one, other] = [await sensor(party, place), await sensor(party, place)];
    const all = (percent: number) => Array.from({ length: 10 }, (_, at) => reading(percent, at + 1));
    await party.browser.post(`/sensors/${one.sensor.id}/readings`, { readings: all(50) }).expect(200);
    await party.browser.post(`/sensors/${other.sensor.id}/readings`, { readings: all(46) }).expect(200);
    const { body } = await party.browser.get(`/sensors/${one.sensor.id}/beside/${other.sensor.id}`).expect(200);
    expect(body.comparison).toMatchObject({ hours: 10 });
    expect(body.comparison.difference).toBeCloseTo(0.04, 6);
  });
});
