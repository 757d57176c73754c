import { Readable } from 'node:stream';
import { MINUTE_MS } from '@tembrin/core';
import { API_ROOT, PREVIEW_BYTES, REQUEST_HEADER, type IntakeProgress, type LoggerPlan } from '@tembrin/contract';
import { v7 as uuid } from 'uuid';
import { IntakeJobs } from './intake/jobs';
import { importReadings } from './store/air/import-readings';
import { airOf, LOGGER_PLAN, numberOf, room, sensor, type Party } from './testing/air';
import { household, openServer, type TestServer } from './testing/fixtures';
import { until } from './testing/until';

let server: TestServer;
beforeAll(() => {
  server = openServer();
});
afterAll(() => server.close());

describe('importing a logger’s file', () => {
  const PLAN = LOGGER_PLAN;
  /** Minutes of readings, ending some days ago. */
  const file = (
    minutes: number,
    percent: (minute: number) => string = (minute) => (40 + (minute % 100) / 10).toFixed(1),
  ) => {
    const start = Date.UTC(2025, 0, 6);
    const lines = Array.from({ length: minutes }, (_, minute) => {
      const time = new Date(start + minute * MINUTE_MS).toISOString().slice(0, 16).replace('T', ' ');
      return `${time};${percent(minute)};20,5`;
    });
    return `Time;RH %;Temp °C\n${lines.join('\n')}\n`;
  };
  const send = (party: Party, id: string, text: string, plan: LoggerPlan = PLAN, importId = uuid()) =>
    party.browser.agent
      .post(`${API_ROOT}/sensors/${id}/imports/${importId}`)
      .query({ plan: JSON.stringify(plan) })
      .set(REQUEST_HEADER, '1')
      .type('text/csv')
      .send(text);
  const logger = async () => {
    const party = await household(server);
    const { sensor: made } = await sensor(party, await room(party), 'logger');
    return { party, id: made.id };
  };
  const count = async (party: Party) => (await airOf(party)).sensors[0]!.readings;

  test('stores every line once, however often it is imported', async () => {
    const { party, id } = await logger();
    const text = file(7000);
    const first = (await send(party, id, text).expect(200)).body as IntakeProgress;
    expect(first).toMatchObject({ state: 'done', intake: { stored: 7000, known: 0, corrected: 0 }, unreadable: 0 });
    const again = (await send(party, id, text).expect(200)).body as IntakeProgress;
    expect(again.intake).toEqual({ stored: 0, known: 7000, corrected: 0 });
    const changed = (
      await send(
        party,
        id,
        file(7000, (minute) => (minute === 5 ? '55' : (40 + (minute % 100) / 10).toFixed(1))),
      ).expect(200)
    ).body as IntakeProgress;
    expect(changed.intake).toEqual({ stored: 0, known: 6999, corrected: 1 });
    expect(await count(party)).toBe(7000);
  });

  test('is shown before, with what has to be asked', async () => {
    const { party, id } = await logger();
    const look = (text: string, plan?: LoggerPlan) =>
      party.browser.agent
        .post(`${API_ROOT}/sensors/${id}/preview`)
        .query(plan ? { plan: JSON.stringify(plan) } : {})
        .set(REQUEST_HEADER, '1')
        .type('text/csv')
        .send(text);
    const preview = async (text: string, plan?: LoggerPlan) => (await look(text, plan).expect(200)).body;
    const sure = await preview(file(50));
    expect(sure.guess).toMatchObject({ ...PLAN, skip: 1 });
    expect(sure).toMatchObject({ columns: ['Time', 'RH %', 'Temp °C'], readable: 50, unreadable: 0 });
    const unsure = await preview('Time,Humidity\n03/04/2025 10:00,45\n05/06/2025 10:00,46\n07/08/2025 1:00,46\n');
    expect(unsure.guess.order).toBeNull();
    expect(unsure.lines.every(({ read }: { read: unknown }) => read === null)).toBe(true);
    const asked = await preview('Time,Humidity\n03/04/2025 10:00,45\n05/06/2025 10:00,ERR\n07/08/2025 1:00,46\n', {
      ...unsure.guess,
      order: 'dmy',
    });
    expect(asked).toMatchObject({ readable: 2, unreadable: 1 });
    expect(asked.lines[0].read.at).toBe('2025-04-03T09:00:00.000Z');
    // A whole file: its last line needs no end, and is shown as the last.
    const whole = await preview(file(50).trimEnd());
    expect(whole).toMatchObject({ readable: 50, last: { read: { percent: 44.9 } }, course: { stepS: 60, odd: [] } });
    expect(whole.middle.cells[0]).toMatch(/00:25$/);
    const commas = await look('Time,Humidity,Temp\n2025-04-03 10:00,45,2,21,5\n2025-04-03 10:10,45,3,21,5\n').expect(
      422,
    );
    expect(commas.body.detail).toMatch(/comma before their decimals.*semicolons/);
    const none = await look('hello\nworld').expect(422);
    expect(none.body.detail).toMatch(/No table/);
  });

  test('of a large file the middle and the end are looked at too', async () => {
    const { party, id } = await logger();
    const text = Buffer.from(`\uFEFF${file(20_000)}`, 'utf16le');
    const [middle, end] = [6000, 5000];
    const half = text.length / 2 - ((text.length / 2) % 2);
    const parts = [
      text.subarray(0, PREVIEW_BYTES),
      text.subarray(half, half + middle),
      text.subarray(text.length - end),
    ];
    const { body } = await party.browser.agent
      .post(`${API_ROOT}/sensors/${id}/preview`)
      .query({ middle, end })
      .set(REQUEST_HEADER, '1')
      .type('text/csv')
      .send(Buffer.concat(parts))
      .expect(200);
    const last = file(20_000).trimEnd().split('\n').at(-1)!.split(';');
    expect(body.last.cells).toEqual(last);
    const at = (Date.parse(body.middle.read.at) - Date.UTC(2025, 0, 6)) / MINUTE_MS;
    expect(at / 20_000).toBeCloseTo(0.5, 1);
    expect(body.course.toS).toBe(Date.UTC(2025, 0, 6) / 1000 + 19_999 * 60);
    expect(body.course.odd).toEqual([]);
  });

  test('leaves out the odd line and says which, and refuses a file that does not fit the plan', async () => {
    const { party, id } = await logger();
    const odd = (
      await send(
        party,
        id,
        file(500, (minute) => (minute === 7 ? 'ERR' : '45')),
      ).expect(200)
    ).body as IntakeProgress;
    expect(odd).toMatchObject({ intake: { stored: 499 }, unreadable: 1, examples: [{ line: 9 }] });
    const wrong = await send(party, id, file(500), { ...PLAN, rh: 2, temp: 1, order: 'dmy' }).expect(422);
    expect(wrong.body.detail).toMatch(/500 of 501 lines cannot be read, so nothing was imported. Line 2/);
    expect(await count(party)).toBe(499);
    await send(party, id, 'no lines').expect(422);
    await send(party, id, 'x'.repeat(200_000)).expect(422);
  });

  test.each([
    ['UTF-8 with a mark', (text: string) => Buffer.from(`\uFEFF${text}`)],
    ['UTF-16, low byte first, with a mark', (text: string) => Buffer.from(`\uFEFF${text}`, 'utf16le')],
    ['UTF-16, low byte first, without one', (text: string) => Buffer.from(text, 'utf16le')],
    ['UTF-16, high byte first, with a mark', (text: string) => Buffer.from(`\uFEFF${text}`, 'utf16le').swap16()],
    ['UTF-16, high byte first, without one', (text: string) => Buffer.from(text, 'utf16le').swap16()],
    ['Windows-1252', (text: string) => Buffer.from(text, 'latin1')],
  ])('a file in %s is read all the same', async (_name, encoded) => {
    const { party, id } = await logger();
    const answer = await send(party, id, encoded(file(100)) as unknown as string).expect(200);
    expect(answer.body.intake.stored).toBe(100);
  });

  const jobOf = async (id: string) => ({
    sensor: await numberOf(server, id),
    plan: PLAN,
    timeZone: 'UTC',
    nowMs: Date.now(),
  });
  const uploadOf = (body: AsyncIterable<Uint8Array>, total: number | null = null, mostBytes = 3_000_000) => ({
    body,
    total,
    mostBytes,
    delimiter: PLAN.delimiter,
    skip: PLAN.skip,
    gone: () => false,
  });

  test.each([
    ['said to be', 1e9],
    ['that turns out to be', null],
  ])('a file %s too large is refused before it is read', async (_name, total) => {
    const { party, id } = await logger();
    const job = await jobOf(id);
    const imports = new IntakeJobs(server.database);
    let given = 0;
    const endless = Readable.from(
      (function* () {
        for (;;) {
          given += 1_000_000;
          yield Buffer.from(`${'2025-01-06 00:00;45;20\n'.repeat(40_000)}`);
        }
      })(),
    );
    await expect(
      imports.run(party.household.id, uuid(), uploadOf(endless, total), (arrived) =>
        importReadings(server.database, job, arrived),
      ),
    ).rejects.toThrow(/larger than 3 MB/);
    expect(given).toBeLessThan(10_000_000);
    expect(await count(party)).toBe(0);
  });

  test('one that is cancelled leaves nothing, and its progress is told', async () => {
    const { party, id } = await logger();
    const importId = uuid();
    const job = await jobOf(id);
    const imports = new IntakeJobs(server.database);
    const lines = file(150_000);
    const text = Readable.from([Buffer.from(lines)]);
    // Asked, and stopped, at another process.
    const elsewhere = new IntakeJobs(server.database);
    const halves: Promise<object>[] = [];
    let stop: Promise<void> | undefined;
    const run = imports.run(party.household.id, importId, uploadOf(text, null, 9_000_000), (arrived) =>
      importReadings(server.database, job, {
        ...arrived,
        told: (more) => {
          halves.push(elsewhere.progress(party.household.id, importId));
          arrived.told(more);
          if (arrived.progress.intake.stored > 0) stop ??= elsewhere.cancel(party.household.id, importId);
        },
      }),
    );
    await expect(run).rejects.toThrow(/Nothing of it was kept/);
    await stop;
    expect((await Promise.all(halves)).at(-1)).toMatchObject({ state: 'running', received: Buffer.byteLength(lines) });
    expect(await elsewhere.progress(party.household.id, importId)).toMatchObject({
      state: 'cancelled',
      intake: { stored: 0 },
    });
    expect(await count(party)).toBe(0);
    expect((await send(party, id, lines).expect(200)).body.intake.stored).toBeGreaterThan(140_000);
  });

  test('one whose sender goes away while it is read leaves nothing', async () => {
    const { party, id } = await logger();
    const job = await jobOf(id);
    const imports = new IntakeJobs(server.database);
    let asked = 0;
    const upload = { ...uploadOf(Readable.from([Buffer.from(file(30_000))])), gone: () => ++asked > 3 };
    await expect(
      imports.run(party.household.id, uuid(), upload, (arrived) => importReadings(server.database, job, arrived)),
    ).rejects.toThrow(/Nothing of it was kept/);
    expect(await count(party)).toBe(0);
  });

  test('a household’s files are imported one after another, whichever process takes them; a third is told to wait', async () => {
    const { party } = await logger();
    const jobs = [new IntakeJobs(server.database), new IntakeJobs(server.database)];
    let release!: () => void;
    const held = new Promise<void>((resolve) => (release = resolve));
    const begun: number[] = [];
    const ids = [uuid(), uuid()];
    const run = (which: number) =>
      jobs[which]!.run(party.household.id, ids[which]!, uploadOf(Readable.from([])), async () => {
        begun.push(which);
        await held;
      });
    const state = async (which: number) => (await jobs[1 - which]!.progress(party.household.id, ids[which]!)).state;
    const untilState = (which: number, wanted: string) =>
      until(async () => (await state(which).catch(() => 'not begun')) === wanted, 25_000);
    const first = run(0);
    await until(() => begun.length > 0, 25_000, 20);
    const second = run(1);
    await untilState(1, 'waiting');
    expect(begun).toEqual([0]);
    const third = new IntakeJobs(server.database).run(
      party.household.id,
      uuid(),
      uploadOf(Readable.from([])),
      async () => undefined,
    );
    await expect(third).rejects.toThrow(/Two files are being taken in already/);
    release();
    await Promise.all([first, second]);
    expect(begun).toEqual([0, 1]);
    expect(await Promise.all([state(0), state(1)])).toEqual(['done', 'done']);
  });

  test('one that ended with its process is told to have failed, and can be begun anew', async () => {
    const { party } = await logger();
    const [importId, jobs] = [uuid(), new IntakeJobs(server.database)];
    const begin = () => jobs.run(party.household.id, importId, uploadOf(Readable.from([])), async () => undefined);
    await begin();
    const where = { householdId: party.household.id, id: importId };
    const left = (secondsAgo: number) =>
      server.database.models.Import.update(
        {
          endedAt: null,
          seenAt: new Date(Date.now() - secondsAgo * 1000),
          progress: JSON.stringify({ state: 'running' }),
        },
        { where },
      );
    await left(5);
    await expect(begin()).rejects.toThrow(/running already/);
    await left(40);
    expect(await jobs.progress(party.household.id, importId)).toMatchObject({
      state: 'failed',
      problem: expect.stringContaining('try again'),
    });
    expect(await begin()).toMatchObject({ state: 'done' });
  });

  test('an import of another household is not there', async () => {
    const other = await household(server);
    await other.browser.get(`/imports/${uuid()}`).expect(404);
    await other.browser.agent.delete(`${API_ROOT}/imports/${uuid()}`).set(REQUEST_HEADER, '1').expect(404);
  });
});
