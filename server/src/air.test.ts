import { Readable } from 'node:stream';
import { HOUR_MS, readingOf, type Reading } from '@tembrin/core';
import {
  API_ROOT,
  IMPORT_BYTES,
  REQUEST_HEADER,
  type Air,
  type ImportPlan,
  type ImportProgress,
  type Sensor,
} from '@tembrin/contract';
import fc from 'fast-check';
import request from 'supertest';
import { v7 as uuid } from 'uuid';
import { Imports } from './store/air/imports';
import { emptyColumns, readColumns, rollUp } from './store/air/hours';
import { storeReadings, takeIn } from './store/air/readings';
import { correctedHours, hourRows } from './store/air/records';
import { household, madeEvent, openStage, visitor, type Stage } from './testing/stage';

let stage: Stage;
beforeAll(() => {
  stage = openStage({ SENSOR_LIMIT: '20' });
});
afterAll(() => stage.close());

type Party = Awaited<ReturnType<typeof household>>;
const NOW_S = Math.floor(Date.now() / 1000);
const ROOM = {
  kind: 'room' as const,
  name: 'Front room',
  roomId: null,
  volumeM3: 40,
  draught: 'ordinary' as const,
  heating: { from: 10, to: 4 },
  tankG: 3000,
  dryerG: null,
};

async function room(party: Party, change: Partial<Record<keyof typeof ROOM, unknown>> = {}) {
  const id = uuid();
  await party.browser.post('/places', { id, ...ROOM, ...change }).expect(201);
  return id;
}

async function sensor(party: Party, placeId: string, kind: Sensor['kind'] = 'hand') {
  const answer = await party.browser.post('/sensors', { id: uuid(), kind, name: 'On the shelf', placeId }).expect(201);
  return answer.body as { sensor: Sensor; key: string | null };
}

async function numberOf(id: string): Promise<number> {
  const [row] = await stage.database.models.Sensor.findAll({ where: { id } });
  return row!.no!;
}

const reading = (percent: number, hoursAgo = 1, more: object = {}) => ({
  at: new Date(Date.now() - hoursAgo * HOUR_MS).toISOString(),
  percent,
  tempC: 20.5,
  low: null,
  high: null,
  ...more,
});

const airOf = async ({ browser }: Party) => (await browser.get('/air').expect(200)).body as Air;

describe('places', () => {
  test('a room, a case in it, and what keeps them from being removed', async () => {
    const party = await household(stage);
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
    const [party, other] = [await household(stage), await household(stage)];
    const theirs = await room(other);
    const answer = await party.browser
      .post('/places', { id: uuid(), ...ROOM, kind: 'case', roomId: theirs })
      .expect(422);
    expect(answer.body.detail).toMatch(/no such room/);
    await party.browser.post('/places', { id: uuid(), ...ROOM, name: ' ' }).expect(422);
  });

  test('an instrument moves into a room that is there', async () => {
    const party = await household(stage);
    const place = await room(party);
    const moved = (placeId: string | null) =>
      party.browser.postEvents(madeEvent(party.instrument.id, 'moved', { placeId, cased: true }));
    expect((await moved(place)).body.outcomes[0].outcome).toBe('stored');
    expect((await moved(null)).body.outcomes[0].outcome).toBe('stored');
    const refused = (await moved(uuid())).body.outcomes[0];
    expect([refused.outcome, refused.problem.detail]).toEqual(['refused', expect.stringMatching(/no such room/)]);
  });
});

describe('readings by hand', () => {
  test('are stored once however often they are sent, changed where they differ, and taken back', async () => {
    const party = await household(stage);
    const place = await room(party);
    const { sensor: made } = await sensor(party, place);
    const one = reading(44.5, 3, { low: 38, high: 52 });
    const post = (...readings: object[]) => party.browser.post(`/sensors/${made.id}/readings`, { readings });
    expect((await post(one).expect(200)).body).toEqual({ stored: 1, known: 0, corrected: 0 });
    expect((await post(one, reading(46)).expect(200)).body).toEqual({ stored: 1, known: 1, corrected: 0 });
    expect((await post({ ...one, percent: 45 }).expect(200)).body).toEqual({ stored: 0, known: 0, corrected: 1 });
    const air = await airOf(party);
    expect(air.records[0]!.hours.map(([, rh, low, high, temp]) => [rh, low, high, temp])).toEqual([
      [4500, 3800, 5200, 2050],
      [4600, 4600, 4600, 2050],
    ]);
    expect(air.sensors[0]).toMatchObject({ last: { rh: 4600 }, readings: 2, keyed: false });
    const listed = await party.browser.get(`/sensors/${made.id}/readings`).expect(200);
    expect(listed.body.readings.map(({ rh }: { rh: number }) => rh)).toEqual([4600, 4500]);
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
    [reading(45, 1, { low: 60 }), /lowest/],
    [{ ...reading(45), percent: 'dry' }, /./],
    [{ ...reading(45), at: '1999-12-31T00:00:00.000Z' }, /clock of the device is not set/],
  ])('%j is refused with what to do', async (bad, sentence) => {
    const party = await household(stage);
    const { sensor: made } = await sensor(party, await room(party));
    const answer = await party.browser
      .post(`/sensors/${made.id}/readings`, { readings: [reading(45), bad] })
      .expect(422);
    expect(answer.body.detail).toMatch(sentence);
    // The good one beside it is not stored either: it was one act.
    expect((await airOf(party)).records).toEqual([]);
  });
});

describe('a hygrometer that sends by itself', () => {
  const send = (id: string, key: string | null, pack: unknown) => {
    const call = request(stage.app).post(`${API_ROOT}/sensors/${id}/senml`).type('application/senml+json');
    return (key === null ? call : call.set('Authorization', `Bearer ${key}`)).send(JSON.stringify(pack));
  };
  const pack = [
    { bn: 'urn:dev:x:', bt: NOW_S - 60, n: 'rh', u: '%RH', v: 45.2 },
    { n: 'temp', u: 'Cel', v: 20.6 },
    { n: 'battery', u: '%EL', v: 12 },
  ];

  test('is let in with its key only, and what it sent is there', async () => {
    const party = await household(stage);
    const { sensor: made, key } = await sensor(party, await room(party), 'post');
    expect(key).toMatch(/^tmb_/);
    await send(made.id, key, pack).expect(200, { stored: 1, known: 0, corrected: 0, battery: 12 });
    await send(made.id, key, pack).expect(200, { stored: 0, known: 1, corrected: 0, battery: 12 });
    for (const wrong of [null, 'tmb_wrong', `${key}x`]) await send(made.id, wrong, pack).expect(401);
    const air = await airOf(party);
    expect(air.sensors[0]).toMatchObject({ battery: 12, keyed: true, faults: [{ code: 'battery', percent: 12 }] });
    expect(JSON.stringify(air)).not.toContain(key);
  });

  test('a renewed key ends the old one, a revoked one ends all', async () => {
    const party = await household(stage);
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
    [[], /empty/],
    [{ v: 1 }, /SenML pack/],
  ])('a pack %j is refused with what to do', async (bad, sentence) => {
    const party = await household(stage);
    const { sensor: made, key } = await sensor(party, await room(party), 'post');
    const answer = await send(made.id, key, bad).expect(422);
    expect(answer.body.detail).toMatch(sentence);
  });

  test('one that sends too often is slowed down, and nobody else is', async () => {
    const party = await household(stage);
    const place = await room(party);
    const [mad, calm] = [await sensor(party, place, 'post'), await sensor(party, place, 'post')];
    const flood = await Promise.all(Array.from({ length: 100 }, () => send(mad.sensor.id, mad.key, pack)));
    expect(flood.filter(({ status }) => status === 200)).toHaveLength(20);
    const late = flood.find(({ status }) => status === 429)!;
    expect(late.body.detail).toMatch(/Gather readings/);
    await send(calm.sensor.id, calm.key, pack).expect(200);
    await party.browser.get('/household').expect(200);
  });

  test('a sensor whose clock jumps is taken where its times can be', async () => {
    const party = await household(stage);
    const { sensor: made, key } = await sensor(party, await room(party), 'post');
    await send(made.id, key, [{ bu: '%RH', bt: NOW_S - 7200, v: 45 }]).expect(200);
    await send(made.id, key, [{ bu: '%RH', bt: NOW_S - 86_400, v: 46 }]).expect(200);
    await send(made.id, key, [{ bu: '%RH', bt: 300_000_000, v: 46 }]).expect(422);
    expect((await airOf(party)).records[0]!.hours.map(([, rh]) => rh)).toEqual([4600, 4500]);
  });
});

describe('is the hygrometer right', () => {
  test('a salt check corrects what comes after it, raw values stay, and it can be taken back', async () => {
    const party = await household(stage);
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
    // Greenspan: 75.47 % at 20 °C, so it shows 3 % too little.
    expect((await airOf(party)).records[0]!.hours.map(([, rh]) => rh)).toEqual([5000, 5300]);
    await party.browser.agent
      .delete(`${API_ROOT}/sensors/${made.id}/checks/${check.id}`)
      .set(REQUEST_HEADER, '1')
      .expect(200);
    expect((await airOf(party)).records[0]!.hours.map(([, rh]) => rh)).toEqual([5000, 5000]);
    const cold = await party.browser.post(`/sensors/${made.id}/checks`, { ...check, id: uuid(), tempC: 5 }).expect(422);
    expect(cold.body.detail).toMatch(/18 to 32 °C/);
  });

  test('two hygrometers are compared in the hours both read', async () => {
    const party = await household(stage);
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

test('a hygrometer that moves leaves its readings where they were taken', async () => {
  const party = await household(stage);
  const [here, there] = [await room(party), await room(party)];
  const { sensor: made } = await sensor(party, here);
  await party.browser.post(`/sensors/${made.id}/readings`, { readings: [reading(50, 5)] }).expect(200);
  await party.browser.put(`/sensors/${made.id}`, 1, { name: 'Moved', placeId: there }).expect(200);
  const { records } = await airOf(party);
  expect(records.map(({ placeId }) => placeId)).toEqual([here]);
});

test('a year and a day of a place', async () => {
  const party = await household(stage);
  const place = await room(party);
  const { sensor: made } = await sensor(party, place);
  const noon = Math.floor(Date.now() / 86_400_000) * 86_400_000 - 3 * 86_400_000 + 12 * HOUR_MS;
  const at = (ms: number, percent: number) => ({ ...reading(percent), at: new Date(ms).toISOString() });
  await party.browser
    .post(`/sensors/${made.id}/readings`, { readings: [at(noon, 40), at(noon + 60_000, 42), at(noon + HOUR_MS, 50)] })
    .expect(200);
  const today = Math.floor(Date.now() / 86_400_000);
  const year = (await party.browser.get(`/places/${place}/year?from=${today - 365}&to=${today + 1}`).expect(200)).body;
  expect(year.days).toEqual([[today - 3, 2, 4550, 4000, 5000, 2050]]);
  expect(year.reach).toEqual([today - 3, today - 3]);
  expect(year.level).toHaveLength(1);
  const day = (await party.browser.get(`/places/${place}/day?day=${today - 3}`).expect(200)).body;
  expect(day.points.map(([, rh, low, high]: number[]) => [rh, low, high])).toEqual([
    [4100, 4000, 4200],
    [5000, 5000, 5000],
  ]);
  await party.browser.get(`/places/${place}/year?from=0&to=5000`).expect(422);
});

describe('importing a logger’s file', () => {
  const PLAN: ImportPlan = {
    delimiter: ';',
    skip: 1,
    date: 0,
    clock: null,
    rh: 1,
    temp: 2,
    order: 'ymd',
    tempUnit: 'C',
    rhUnit: 'percent',
  };
  /** Minutes of readings, ending some days ago. */
  const file = (
    minutes: number,
    percent: (minute: number) => string = (minute) => (40 + (minute % 100) / 10).toFixed(1),
  ) => {
    const start = Date.UTC(2025, 0, 6);
    const lines = Array.from({ length: minutes }, (_, minute) => {
      const time = new Date(start + minute * 60_000).toISOString().slice(0, 16).replace('T', ' ');
      return `${time};${percent(minute)};20,5`;
    });
    return `Time;RH %;Temp °C\n${lines.join('\n')}\n`;
  };
  const send = (party: Party, id: string, text: string, plan: ImportPlan = PLAN, importId = uuid()) =>
    party.browser.agent
      .post(`${API_ROOT}/sensors/${id}/imports/${importId}`)
      .query({ plan: JSON.stringify(plan) })
      .set(REQUEST_HEADER, '1')
      .type('text/csv')
      .send(text);
  const logger = async () => {
    const party = await household(stage);
    const { sensor: made } = await sensor(party, await room(party), 'logger');
    return { party, id: made.id };
  };
  const count = async (party: Party) => (await airOf(party)).sensors[0]!.readings;

  test('stores every line once, however often it is imported', async () => {
    const { party, id } = await logger();
    const text = file(7000);
    const first = (await send(party, id, text).expect(200)).body as ImportProgress;
    expect(first).toMatchObject({ state: 'done', intake: { stored: 7000, known: 0, corrected: 0 }, unreadable: 0 });
    const again = (await send(party, id, text).expect(200)).body as ImportProgress;
    expect(again.intake).toEqual({ stored: 0, known: 7000, corrected: 0 });
    const changed = (
      await send(
        party,
        id,
        file(7000, (minute) => (minute === 5 ? '55' : (40 + (minute % 100) / 10).toFixed(1))),
      ).expect(200)
    ).body as ImportProgress;
    expect(changed.intake).toEqual({ stored: 0, known: 6999, corrected: 1 });
    expect(await count(party)).toBe(7000);
  });

  test('is shown before, with what has to be asked', async () => {
    const { party, id } = await logger();
    const preview = async (text: string, plan: ImportPlan | null = null) =>
      (await party.browser.post(`/sensors/${id}/preview`, { text, plan }).expect(200)).body;
    const sure = await preview(file(50));
    expect(sure.guess).toMatchObject({ ...PLAN, skip: 1 });
    expect(sure).toMatchObject({ columns: ['Time', 'RH %', 'Temp °C'], readable: 50, unreadable: 0 });
    const unsure = await preview('Time,Humidity\n03/04/2025 10:00,45\n05/06/2025 10:00,46\n07/08/2025 1:00,46\n');
    expect(unsure.guess.order).toBeNull();
    expect(unsure.lines.every(({ at }: { at: string | null }) => at === null)).toBe(true);
    const asked = await preview('Time,Humidity\n03/04/2025 10:00,45\n05/06/2025 10:00,ERR\n07/08/2025 1:00,46\n', {
      ...unsure.guess,
      order: 'dmy',
    });
    expect(asked).toMatchObject({ readable: 2, unreadable: 1 });
    expect(asked.lines[0].at).toBe('2025-04-03T09:00:00.000Z');
    const none = await party.browser.post(`/sensors/${id}/preview`, { text: 'hello\nworld', plan: null }).expect(422);
    expect(none.body.detail).toMatch(/No table/);
  });

  test('leaves out the odd line and says which, and refuses a file that does not fit the plan', async () => {
    const { party, id } = await logger();
    const odd = (
      await send(
        party,
        id,
        file(500, (minute) => (minute === 7 ? 'ERR' : '45')),
      ).expect(200)
    ).body as ImportProgress;
    expect(odd).toMatchObject({ intake: { stored: 499 }, unreadable: 1, examples: [{ line: 9 }] });
    const wrong = await send(party, id, file(500), { ...PLAN, rh: 2, temp: 1, order: 'dmy' }).expect(422);
    expect(wrong.body.detail).toMatch(/500 of 501 lines cannot be read, so nothing was imported. Line 2/);
    expect(await count(party)).toBe(499);
    await send(party, id, 'no lines').expect(422);
    await send(party, id, 'x'.repeat(200_000)).expect(422);
  });

  test('a file in another encoding is read all the same', async () => {
    const { party, id } = await logger();
    const bytes = Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from(file(100), 'utf16le')]);
    const answer = await send(party, id, bytes as unknown as string).expect(200);
    expect(answer.body.intake.stored).toBe(100);
  });

  test('a file of a gigabyte is refused before it is read', async () => {
    const { party, id } = await logger();
    const no = await numberOf(id);
    const imports = new Imports(stage.database.sequelize);
    let given = 0;
    const endless = Readable.from(
      (function* () {
        for (;;) {
          given += 1_000_000;
          yield Buffer.from(`${'2025-01-06 00:00;45;20\n'.repeat(40_000)}`);
        }
      })(),
    );
    const job = { sensor: no, plan: PLAN, timeZone: 'UTC', body: endless, total: 1e9, nowMs: Date.now() };
    await expect(imports.run(party.household.id, uuid(), job)).rejects.toThrow(/larger than 250 MB/);
    expect(given).toBeLessThan(IMPORT_BYTES / 10);
    expect(await count(party)).toBe(0);
  });

  test('one that is cancelled leaves nothing, and its progress is told', async () => {
    const { party, id } = await logger();
    const importId = uuid();
    const no = await numberOf(id);
    const imports = new Imports(stage.database.sequelize);
    const lines = file(30_000);
    async function* slowly() {
      yield Buffer.from(lines.slice(0, 600_000));
      const half = imports.progress(party.household.id, importId);
      expect(half).toMatchObject({ state: 'running' });
      expect(half.intake.stored).toBeGreaterThan(4000);
      imports.cancel(party.household.id, importId);
      yield Buffer.from(lines.slice(600_000));
    }
    const job = { sensor: no, plan: PLAN, timeZone: 'UTC', body: slowly(), total: null, nowMs: Date.now() };
    await expect(imports.run(party.household.id, importId, job)).rejects.toThrow(/Nothing of it was kept/);
    expect(imports.progress(party.household.id, importId)).toMatchObject({ state: 'cancelled', intake: { stored: 0 } });
    expect(await count(party)).toBe(0);
    expect((await send(party, id, lines).expect(200)).body.intake.stored).toBe(30_000);
  });

  test('an import of another household is not there', async () => {
    const other = await household(stage);
    await other.browser.get(`/imports/${uuid()}`).expect(404);
    await other.browser.agent.delete(`${API_ROOT}/imports/${uuid()}`).set(REQUEST_HEADER, '1').expect(404);
  });
});

describe('roll-ups', () => {
  test('are what brute force gives, whatever comes late, twice, out of order, changed or recalibrated', async () => {
    const party = await household(stage);
    const { sensor: made } = await sensor(party, await room(party), 'logger');
    const no = await numberOf(made.id);
    const { sequelize } = stage.database;
    const base = 1_700_000_000 - (1_700_000_000 % 3600);
    const arbitrary: fc.Arbitrary<Reading> = fc.record({
      at: fc.integer({ min: base, max: base + 40 * 3600 }),
      rh: fc.integer({ min: 100, max: 10_000 }),
      tempC: fc.option(fc.integer({ min: -1000, max: 4000 })),
      low: fc.constant(null),
      high: fc.constant(null),
    });
    const batches = fc.array(fc.array(arbitrary, { minLength: 1, maxLength: 30 }), { minLength: 1, maxLength: 6 });
    const checks = fc.array(
      fc.record({
        at: fc.integer({ min: base * 1000, max: (base + 40 * 3600) * 1000 }),
        salt: fc.constantFrom('sodium-chloride' as const, 'magnesium-chloride' as const),
        tempC: fc.constant(20),
        shownRh: fc.double({ min: 0.3, max: 0.8, noNaN: true }),
      }),
      { maxLength: 3 },
    );
    await fc.assert(
      fc.asyncProperty(batches, checks, async (all, salts) => {
        await sequelize.query('DELETE FROM readings WHERE sensor = :no', { replacements: { no } });
        await sequelize.query('DELETE FROM reading_days WHERE sensor = :no', { replacements: { no } });
        for (const batch of all)
          await sequelize.transaction((transaction) => takeIn(sequelize, no, batch, transaction));
        const truth = new Map<number, Reading>(all.flat().map((each) => [each.at, each]));
        const hours = [...new Set([...truth.keys()].map((at) => Math.floor(at / 3600)))].sort((a, b) => a - b);
        const sums = await readColumns(sequelize, no, base / 3600 - 30, base / 3600 + 80);
        const shown = hourRows(correctedHours(sums, salts));
        expect(shown.map(([hour]) => hour)).toEqual(hours);
        for (const [index, hour] of hours.entries()) {
          const inside = [...truth.values()].filter(({ at }) => Math.floor(at / 3600) === hour);
          // Each reading corrected by itself, as an hour of its own.
          const each = inside.map(({ rh }) => {
            const alone = emptyColumns(hour, 1);
            alone.n[0] = 1;
            for (const key of ['rhSum', 'low', 'high'] as const) alone[key][0] = rh;
            return hourRows(correctedHours(alone, salts))[0]![1];
          });
          const clamped = each.some((rh) => rh === 0 || rh === 10_000);
          const mean = each.reduce((sum, rh) => sum + rh, 0) / each.length;
          if (!clamped) expect(Math.abs(shown[index]![1] - mean)).toBeLessThanOrEqual(1);
          expect([shown[index]![2], shown[index]![3]].sort((a, b) => a - b)).toEqual(
            [Math.min(...each), Math.max(...each)].sort((a, b) => a - b),
          );
        }
      }),
      { numRuns: 25 },
    );
  });

  test('one that breaks off half-way leaves nothing', async () => {
    const party = await household(stage);
    const { sensor: made } = await sensor(party, await room(party), 'logger');
    const no = await numberOf(made.id);
    const { sequelize } = stage.database;
    const one = readingOf({ atMs: Date.now() - HOUR_MS, percent: 45 }, Date.now()) as Reading;
    await expect(
      sequelize.transaction(async (transaction) => {
        await storeReadings(sequelize, no, [one], transaction);
        await rollUp(sequelize, no, one.at, one.at, transaction);
        throw new Error('power cut');
      }),
    ).rejects.toThrow('power cut');
    expect((await airOf(party)).sensors[0]!.readings).toBe(0);
  });
});

test('the demo library’s air is there, each visitor’s own', async () => {
  const browser = visitor(stage);
  await browser.post('/demo', { timeZone: 'Europe/Lisbon' }).expect(201);
  const air = (await browser.get('/air').expect(200)).body as Air;
  expect(air.places).toHaveLength(4);
  expect(air.records).toHaveLength(4);
  expect(air.records.every(({ days }) => days.length > 100)).toBe(true);
  expect(air.records.find(({ steady }) => steady?.basis === 'record')).toBeDefined();
  expect(air.weather).toBeNull();
}, 30_000);
