import { DAY_MS, HOUR_MS, localDay, dateOfDay, MINUTE_MS, usualFacts } from '@tembrin/core';
import { API_ROOT, REQUEST_HEADER } from '@tembrin/contract';
import { v7 as uuid } from 'uuid';
import { household, madeEvent, openServer, visitor, PASSWORD, type TestServer } from './testing/fixtures';

let server: TestServer;
beforeAll(() => {
  server = openServer();
});
afterAll(() => server.close());

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

  type Choices = { plan?: object; instrumentId?: string; onRecord: 'leave' | 'add'; leaveFaulty?: boolean };
  const query = ({ plan: chosen, ...choices }: Choices) => ({
    ...choices,
    ...(chosen && { plan: JSON.stringify(chosen) }),
  });
  const look = ({ browser }: Party, body: string | Buffer, choices: Choices) =>
    browser.agent
      .post(`${API_ROOT}/diary/preview`)
      .query(query(choices))
      .set(REQUEST_HEADER, '1')
      .type('text/csv')
      .send(body as string);
  const bring = ({ browser }: Party, body: string | Buffer, choices: Choices) =>
    browser.agent
      .post(`${API_ROOT}/diary/imports/${uuid()}`)
      .query(query({ leaveFaulty: false, plan, ...choices }))
      .set(REQUEST_HEADER, '1')
      .type('text/csv')
      .send(body as string);

  test('is previewed, brought in whole, and harmless the second time', async () => {
    const party = await household(server);
    const preview = await look(party, text, { onRecord: 'leave' }).expect(200);
    expect(preview.body).toMatchObject({ guess: plan, readable: 3, minutes: 85, unreadable: 0, left: 0 });
    const once = (await bring(party, text, { onRecord: 'leave' }).expect(200)).body;
    expect(once).toMatchObject({ state: 'done', intake: { stored: 3, known: 0 }, left: 0 });
    const twice = (await bring(party, text, { onRecord: 'leave' }).expect(200)).body;
    expect(twice).toMatchObject({ intake: { stored: 0, known: 3 }, left: 0 });
    const { events } = (await party.browser.get('/events')).body as {
      events: { occurredAt: string; payload: { endedAt: string } }[];
    };
    const minutes = events.map(
      ({ occurredAt, payload }) => (Date.parse(payload.endedAt) - Date.parse(occurredAt)) / MINUTE_MS,
    );
    expect(minutes.sort((a, b) => a - b)).toEqual([10, 30, 45]);
  });

  test('a line that cannot be read stops all of it, unless such lines are left out', async () => {
    const party = await household(server);
    const bad = `${text}\n${inDays(-1)},soon,Heron\n31.02.2026,30,Heron\n${inDays(-1)},30,Gull`;
    expect((await bring(party, bad, { onRecord: 'leave' }).expect(422)).body.detail).toMatch(/^Line 5: How long/);
    expect((await party.browser.get('/events')).body.events).toEqual([]);
    const preview = await look(party, bad, { plan, onRecord: 'leave' });
    const faulty = preview.body.lines.filter(({ fault }: { fault: string | null }) => fault !== null);
    expect(faulty.map(({ line }: { line: number }) => line)).toEqual([5, 6, 7]);
    const left = (await bring(party, bad, { onRecord: 'leave', leaveFaulty: true }).expect(200)).body;
    expect(left).toMatchObject({ intake: { stored: 3, known: 0 }, unreadable: 3 });
    expect(left.examples[0]).toMatchObject({ line: 5, fault: expect.stringMatching(/How long/) });
  });

  test('days that have playing on record are left alone unless asked, and then kept clear of it', async () => {
    const party = await household(server);
    const { browser, instrument } = party;
    const began = madeEvent(
      instrument.id,
      'session-entered',
      { endedAt: new Date(ago(2)).toISOString() },
      ago(2) - HOUR_MS,
    );
    await browser.postEvents(began).expect(200);
    const day = dateOfDay(localDay(ago(2) - HOUR_MS, 'Europe/Lisbon'));
    const asked = `date,minutes\n${day},20`;
    const of = { plan: { ...plan, instrument: null }, instrumentId: instrument.id };
    const leave = await look(party, asked, { ...of, onRecord: 'leave' }).expect(200);
    expect(leave.body).toMatchObject({ readable: 0, left: 1 });
    expect((await bring(party, asked, { ...of, onRecord: 'leave' }).expect(422)).body.detail).toMatch(
      /Nothing in this file is new/,
    );
    expect((await bring(party, asked, { ...of, onRecord: 'add' }).expect(200)).body.intake.stored).toBe(1);
  });

  test('comes in whatever encoding a spreadsheet gave it, with lines above its head', async () => {
    const party = await household(server);
    const umlauts = `Übungstagebuch\n\n${text.replaceAll('eron', 'erön')}`;
    await party.browser
      .put(`/instruments/${party.instrument.id}`, 1, { ...usualFacts('violin'), name: 'Herön' })
      .expect(200);
    for (const bytes of [
      Buffer.from(`\uFEFF${umlauts}`),
      Buffer.from(umlauts, 'latin1'),
      Buffer.from(umlauts, 'utf16le'),
    ]) {
      const { body } = await look(party, bytes, { onRecord: 'leave' }).expect(200);
      expect(body).toMatchObject({ guess: { skip: 3, instrument: 2 }, readable: 3, unreadable: 0 });
    }
  });

  test('what is no table, and what is too long, is told', async () => {
    const party = await household(server);
    const none = await look(party, 'one column only\nand nothing else', { onRecord: 'leave' }).expect(422);
    expect(none.body.detail).toMatch(/No table can be made out/);
    const lines = `${text}\n`.repeat(6000);
    expect((await bring(party, lines, { onRecord: 'leave', leaveFaulty: true }).expect(413)).body.detail).toMatch(
      /up to 20000 lines/,
    );
  });
});

describe('everything out and in again', () => {
  test('the household’s file and the log in CSV come back without a loss', async () => {
    const from = await household(server);
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

    const to = visitor(server);
    await to.post('/accounts', { email: `${uuid()}@example.org`, password: PASSWORD, timeZone: 'UTC' }).expect(201);
    const send = (path: string, body: string) =>
      to.agent.post(`/api/v1${path}`).set('x-tembrin', '1').set('Content-Type', 'text/csv').send(body);
    // The log alone has nowhere to go yet, and nothing of it stays.
    expect((await send('/import/log', log).expect(422)).body.detail).toMatch(
      /\.json file first\. Nothing was brought in/,
    );
    const brought = await send('/import/household', file.text).expect(200);
    expect(brought.body).toMatchObject({ instruments: 1, places: 0, cards: 1, events: 6, known: 0, settings: true });
    expect((await send('/import/log', log).expect(200)).body).toMatchObject({ events: 0, known: 6 });

    const [theirs, mine] = [await from.browser.get('/events'), await to.get('/events')];
    expect(mine.body.events).toEqual(theirs.body.events);
    const back = JSON.parse((await to.get('/export/household.json').expect(200)).text);
    const { exportedAt: _a, people: backPeople, ...rest } = back;
    const { exportedAt: _c, people, ...original } = JSON.parse(file.text);
    expect(rest).toEqual(original);
    // Beside whoever keeps the household they came into.
    expect(backPeople).toEqual(expect.arrayContaining(people));
    expect((await to.get('/export/log.csv')).text).toBe(log);
  });

  test('a damaged file brings in nothing', async () => {
    const party = await household(server);
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
    const party = await household(server);
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
