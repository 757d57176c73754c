import { DAY_MS, HOUR_MS, localDay, dateOfDay, usualFacts } from '@tembrin/core';
import { v7 as uuid } from 'uuid';
import { household, madeEvent, openStage, visitor, PASSWORD, type Stage } from './testing/stage';

let stage: Stage;
beforeAll(() => {
  stage = openStage();
});
afterAll(() => stage.close());

type Party = Awaited<ReturnType<typeof household>>;
const TODAY = localDay(Date.now(), 'Europe/Lisbon');
const inDays = (days: number) => dateOfDay(TODAY + days);
const ago = (days: number) => Date.now() - days * DAY_MS;

/** Strings that are due in a while, and hair that is due now. */
async function used({ browser, instrument: { id } }: Party) {
  await browser
    .postEvents(
      madeEvent(id, 'strings-fitted', { strings: null, reason: 'worn', known: true }, ago(200)),
      madeEvent(id, 'rehaired', { reason: 'worn', known: true }, ago(900)),
    )
    .expect(200);
}

const occasion = (from: number, to = from, title = 'Harbour concert') => ({
  id: uuid(),
  kind: 'occasion',
  facts: {
    title,
    kind: 'performance',
    instrumentId: null,
    spans: [{ from: inDays(from), to: inDays(to) }],
    source: null,
  },
});

describe('a practice diary', () => {
  const plan = { delimiter: ',', skip: 1, date: 0, order: 'ymd', length: 1, unit: 'minutes', instrument: 2 };
  const text = [
    'date,minutes,instrument',
    `${inDays(-3)},30,Heron`,
    `${inDays(-2)},45,heron`,
    `${inDays(-2)},10,Heron`,
  ].join('\n');

  test('is previewed, brought in whole, and harmless the second time', async () => {
    const { browser } = await household(stage);
    const request_ = { text, plan: null, instrumentId: null, onRecord: 'leave' };
    const preview = await browser.post('/diary/preview', request_).expect(200);
    expect(preview.body).toMatchObject({ guess: plan, count: 3, minutes: 85, faulty: 0, left: 0 });
    const bring = { ...request_, plan, leaveFaulty: false };
    expect((await browser.post('/diary', bring).expect(200)).body).toEqual({ stored: 3, known: 0, left: 0 });
    expect((await browser.post('/diary', bring).expect(200)).body).toEqual({ stored: 0, known: 3, left: 0 });
    const { events } = (await browser.get('/events')).body as {
      events: { occurredAt: string; payload: { endedAt: string } }[];
    };
    const minutes = events.map(
      ({ occurredAt, payload }) => (Date.parse(payload.endedAt) - Date.parse(occurredAt)) / 60_000,
    );
    expect(minutes.sort((a, b) => a - b)).toEqual([10, 30, 45]);
  });

  test('a line that cannot be read stops all of it, unless such lines are left out', async () => {
    const { browser } = await household(stage);
    const bad = `${text}\n${inDays(-1)},soon,Heron\n31.02.2026,30,Heron\n${inDays(-1)},30,Gull`;
    const bring = { text: bad, plan, instrumentId: null, onRecord: 'leave', leaveFaulty: false };
    expect((await browser.post('/diary', bring).expect(422)).body.detail).toMatch(/^Line 5: How long/);
    expect((await browser.get('/events')).body.events).toEqual([]);
    const preview = await browser.post('/diary/preview', { ...bring, leaveFaulty: undefined });
    expect(preview.body.faults.map(({ line }: { line: number }) => line)).toEqual([5, 6, 7]);
    expect((await browser.post('/diary', { ...bring, leaveFaulty: true }).expect(200)).body).toEqual({
      stored: 3,
      known: 0,
      left: 3,
    });
  });

  test('days that have playing on record are left alone unless asked, and then kept clear of it', async () => {
    const { browser, instrument } = await household(stage);
    const began = madeEvent(
      instrument.id,
      'session-entered',
      { endedAt: new Date(ago(2)).toISOString() },
      ago(2) - HOUR_MS,
    );
    await browser.postEvents(began).expect(200);
    const day = dateOfDay(localDay(ago(2) - HOUR_MS, 'Europe/Lisbon'));
    const asked = { text: `date,minutes\n${day},20`, plan: { ...plan, instrument: null }, instrumentId: instrument.id };
    const leave = await browser.post('/diary/preview', { ...asked, onRecord: 'leave' }).expect(200);
    expect(leave.body).toMatchObject({ count: 0, left: 1 });
    expect(
      (await browser.post('/diary', { ...asked, onRecord: 'leave', leaveFaulty: false }).expect(422)).body.detail,
    ).toMatch(/Nothing in this file is new/);
    expect(
      (await browser.post('/diary', { ...asked, onRecord: 'add', leaveFaulty: false }).expect(200)).body.stored,
    ).toBe(1);
  });

  test('wrong separators, encodings and sizes are told', async () => {
    const { browser } = await household(stage);
    const say = async (wrong: string) =>
      (await browser.post('/diary/preview', { text: wrong, plan: null, instrumentId: null, onRecord: 'leave' })).body
        .detail as string;
    expect(await say('one column only\nand nothing else')).toMatch(/No columns can be made out/);
    expect(await say('d\u0000a\u0000t\u0000e')).toMatch(/CSV UTF-8/);
    expect(await say('x'.repeat(950_000))).toMatch(/0\.9 MB/);
  });
});

describe('everything out and in again', () => {
  test('the household’s file and the log in CSV come back without a loss', async () => {
    const from = await household(stage);
    await used(from);
    await from.browser.postEvents(
      madeEvent(from.instrument.id, 'measured', { figure: 'bow-gap', value: 7.5 }),
      madeEvent(from.instrument.id, 'tuned', { string: 2, cents: -12.25 }),
    );
    const made = madeEvent(from.instrument.id, 'rosined', {});
    await from.browser.postEvents(made, madeEvent(from.instrument.id, 'retracted', { eventId: made.id }));
    await from.browser.post('/cards', { cards: [occasion(10, 11, 'Ünïcode, “quotes” & =sums')] }).expect(201);
    const file = await from.browser.get('/export/household.json').expect(200);
    const log = (await from.browser.get('/export/log.csv').expect(200)).text;

    const to = visitor(stage);
    await to.post('/accounts', { email: `${uuid()}@example.org`, password: PASSWORD, timeZone: 'UTC' }).expect(201);
    const send = (path: string, body: string) =>
      to.agent.post(`/api/v1${path}`).set('x-tembrin', '1').set('Content-Type', 'text/csv').send(body);
    // The log alone has nowhere to go yet, and nothing of it stays.
    expect((await send('/import/log', log).expect(422)).body.detail).toMatch(
      /\.json file first\. Nothing was brought in/,
    );
    const brought = await send('/import/household', file.text).expect(200);
    expect(brought.body).toEqual({ instruments: 1, places: 0, cards: 1, events: 6, known: 0 });
    expect((await send('/import/log', log).expect(200)).body).toMatchObject({ events: 0, known: 6 });

    const [theirs, mine] = [await from.browser.get('/events'), await to.get('/events')];
    expect(mine.body.events).toEqual(theirs.body.events);
    const back = JSON.parse((await to.get('/export/household.json').expect(200)).text);
    const { exportedAt: _a, household: _b, ...rest } = back;
    const { exportedAt: _c, household: _d, ...original } = JSON.parse(file.text);
    expect(rest).toEqual(original);
    expect((await to.get('/export/log.csv')).text).toBe(log);
  });

  test('a damaged file brings in nothing', async () => {
    const party = await household(stage);
    await used(party);
    const { text } = await party.browser.get('/export/household.json');
    const send = (body: string) =>
      party.browser.agent
        .post('/api/v1/import/household')
        .set('x-tembrin', '1')
        .set('Content-Type', 'text/csv')
        .send(body);
    expect((await send(text.slice(0, -10)).expect(422)).body.detail).toMatch(/cut off/);
    const broken = JSON.parse(text);
    broken.instruments.push({ ...broken.instruments[0], id: uuid(), name: 'Twin' });
    broken.events.push({ ...broken.events[0], id: uuid(), type: 'levitated' });
    expect((await send(JSON.stringify(broken)).expect(422)).body.detail).toMatch(
      /^Event 3 \(type\): Unknown event type.*Nothing was brought in/,
    );
    expect((await party.browser.get('/household')).body.instruments).toHaveLength(1);
  });

  test('sessions and strings come out for a spreadsheet', async () => {
    const party = await household(stage);
    const { browser, instrument } = party;
    await used(party);
    await browser.put(`/instruments/${instrument.id}`, 1, { ...usualFacts('violin'), name: '=Heron' }).expect(200);
    await browser.postEvents(
      madeEvent(instrument.id, 'session-entered', { endedAt: new Date(ago(3)).toISOString() }, ago(3) - HOUR_MS),
      madeEvent(instrument.id, 'strings-fitted', { strings: [3], reason: 'broke', known: true }, ago(1)),
    );
    const sessions = (await browser.get('/export/sessions.csv').expect(200)).text.split('\r\n');
    expect(sessions[0]).toBe('instrument,date,from,to,minutes,how');
    expect(sessions[1]).toMatch(/^'=Heron,\d{4}-\d\d-\d\d,\d\d:\d\d,\d\d:\d\d,60\.0,entered$/);
    const strings = (await browser.get('/export/strings.csv').expect(200)).text.split('\r\n');
    expect(strings.filter((line) => line.includes(',broke'))).toHaveLength(1);
    expect(strings.find((line) => line.includes(',broke'))).toMatch(/^'=Heron,E5,,,.*,199,1\.0,broke$/);
    expect(strings).toHaveLength(1 + 5);
  });
});
