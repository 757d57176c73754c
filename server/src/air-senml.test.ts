import { API_ROOT, REQUEST_HEADER } from '@tembrin/contract';
import request from 'supertest';
import { airOf, room, sensor } from './testing/air';
import { household, openServer, type TestServer } from './testing/fixtures';

let server: TestServer;
beforeAll(() => {
  server = openServer({ SENSOR_LIMIT: '20' });
});
afterAll(() => server.close());

const NOW_S = Math.floor(Date.now() / 1000);

describe('a hygrometer that sends by itself', () => {
  const send = (id: string, key: string | null, pack: unknown) => {
    const call = request(server.app).post(`${API_ROOT}/sensors/${id}/senml`).type('application/senml+json');
    return (key === null ? call : call.set('Authorization', `Bearer ${key}`)).send(JSON.stringify(pack));
  };
  const pack = [
    { bn: 'urn:dev:x:', bt: NOW_S - 60, n: 'rh', u: '%RH', v: 45.2 },
    { n: 'temp', u: 'Cel', v: 20.6 },
    { n: 'battery', u: '%EL', v: 12 },
  ];

  test('is let in with its key only, and what it sent is there', async () => {
    const party = await household(server);
    const { sensor: made, key } = await sensor(party, await room(party), 'post');
    expect(key).toMatch(/^tmb_/);
    await send(made.id, key, pack).expect(200, { stored: 1, known: 0, corrected: 0, battery: 12, left: [] });
    await send(made.id, key, pack).expect(200, { stored: 0, known: 1, corrected: 0, battery: 12, left: [] });
    for (const wrong of [null, 'tmb_wrong', `${key}x`]) await send(made.id, wrong, pack).expect(401);
    const air = await airOf(party);
    expect(air.sensors[0]).toMatchObject({ battery: 12, keyed: true, faults: [{ code: 'battery', percent: 12 }] });
    expect(JSON.stringify(air)).not.toContain(key);
  });

  test('what is left out of a pack is told; a pack of the battery alone is a good one', async () => {
    const party = await household(server);
    const { sensor: made, key } = await sensor(party, await room(party), 'post');
    const mixed = [
      { bt: NOW_S - 60, n: 'rh', u: '%RH', v: 45.2 },
      { n: 'light', u: 'lx', v: 300 },
      { n: 'temp', u: 'Cel', v: 20.6, t: 1 },
    ];
    const { body } = await send(made.id, key, mixed).expect(200);
    expect(body).toMatchObject({ stored: 1, battery: null });
    expect(body.left).toEqual([
      { record: 2, why: 'This unit is not known here. Send %RH, Cel and %EL.' },
      { record: 3, why: 'There is a temperature but no humidity of that instant. Send %RH with it.' },
    ]);
    await send(made.id, key, [{ n: 'battery', u: '%EL', v: 8 }]).expect(200, {
      stored: 0,
      known: 0,
      corrected: 0,
      battery: 8,
      left: [],
    });
    expect((await airOf(party)).sensors[0]!.battery).toBe(8);
  });

  test('a renewed key ends the old one, a revoked one ends all', async () => {
    const party = await household(server);
    const { sensor: made, key } = await sensor(party, await room(party), 'post');
    const renewed = (await party.browser.post(`/sensors/${made.id}/key`).expect(201)).body as { key: string };
    await send(made.id, key, pack).expect(401);
    await send(made.id, renewed.key, pack).expect(200);
    await party.browser.agent.delete(`${API_ROOT}/sensors/${made.id}/key`).set(REQUEST_HEADER, '1').expect(204);
    const answer = await send(made.id, renewed.key, pack).expect(401);
    expect(answer.body.detail).toMatch(/revoked/);
  });

  test.each([
    [[{ u: '%RH', v: 130, bt: NOW_S }], /Record 1: Humidity is never above/],
    [[{ u: '%RH', v: 45, bt: NOW_S + 86_400 }], /future/],
    [[{ u: 'Cel', v: 20, bt: NOW_S }], /no humidity/],
    [
      [
        { bn: 'kitchen/', bt: NOW_S, n: 'rh', u: '%RH', v: 45 },
        { bn: 'attic/', n: 'rh', u: '%RH', v: 60 },
      ],
      /Record 2: The pack holds two devices/,
    ],
    [[], /empty/],
    [{ v: 1 }, /SenML pack/],
  ])('a pack %j is refused with what to do', async (bad, sentence) => {
    const party = await household(server);
    const { sensor: made, key } = await sensor(party, await room(party), 'post');
    const answer = await send(made.id, key, bad).expect(422);
    expect(answer.body.detail).toMatch(sentence);
  });

  test('one that sends too often is slowed down, and nobody else is', async () => {
    // All tests of the server send from one place, and what is counted there is shared.
    await server.database.sequelize.query("DELETE FROM limits WHERE name LIKE 'sensor-place %'");
    const party = await household(server);
    const place = await room(party);
    const [mad, calm] = [await sensor(party, place, 'post'), await sensor(party, place, 'post')];
    const flood = await Promise.all(Array.from({ length: 100 }, () => send(mad.sensor.id, mad.key, pack)));
    expect(flood.map(({ status }) => status).filter((status) => status !== 429)).toEqual(Array(20).fill(200));
    const late = flood.find(({ status }) => status === 429)!;
    expect(late.body.detail).toMatch(/Gather readings/);
    await send(calm.sensor.id, calm.key, pack).expect(200);
    await party.browser.get('/household').expect(200);
  });

  test('a sensor whose clock jumps is taken where its times can be', async () => {
    const party = await household(server);
    const { sensor: made, key } = await sensor(party, await room(party), 'post');
    await send(made.id, key, [{ bu: '%RH', bt: NOW_S - 7200, v: 45 }]).expect(200);
    await send(made.id, key, [{ bu: '%RH', bt: NOW_S - 86_400, v: 46 }]).expect(200);
    await send(made.id, key, [{ bu: '%RH', bt: 300_000_000, v: 46 }]).expect(422);
    expect((await airOf(party)).records[0]!.hours.map(([, rh]) => rh)).toEqual([4600, 4500]);
  });
});
