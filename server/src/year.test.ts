import { DAY_MS, HOUR_MS, localDay, dateOfDay, usualFacts } from '@tembrin/core';
import ICAL from 'ical.js';
import request from 'supertest';
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

/** Reads with a parser that did not write it. */
const vevents = (text: string) =>
  new ICAL.Component(ICAL.parse(text) as never).getAllSubcomponents('vevent').map((component) => {
    const value = (name: string) => component.getFirstPropertyValue(name);
    const alarm = component.getFirstSubcomponent('valarm');
    return {
      uid: String(value('uid')),
      sequence: Number(value('sequence')),
      status: String(value('status')),
      summary: String(value('summary')),
      from: String(value('dtstart')),
      to: String(value('dtend')),
      alarm: alarm && String(alarm.getFirstPropertyValue('trigger')),
      // Not written by us in this form: the parser unfolded and unescaped it.
      text: String(value('description')),
    };
  });

describe('cards', () => {
  test('are added all or none, changed by version, removed; the same ids again change nothing', async () => {
    const party = await household(stage);
    const { browser } = party;
    const cards = [occasion(7), occasion(9)];
    const added = await browser.post('/cards', { cards }).expect(201);
    expect(added.body.cards).toMatchObject([{ version: 1 }, { version: 1 }]);
    await browser.post('/cards', { cards }).expect(201);
    expect((await browser.get('/cards')).body.cards).toHaveLength(2);

    const stray = {
      id: uuid(),
      kind: 'price',
      facts: { part: 'hair', by: 'workshop', instrumentId: uuid(), low: 1, high: 2 },
    };
    const refused = await browser.post('/cards', { cards: [occasion(20), stray] }).expect(422);
    expect(refused.body.detail).toMatch(/not in your household/);
    expect((await browser.get('/cards')).body.cards).toHaveLength(2);

    const { id, kind, facts } = cards[0]!;
    const changed = await browser
      .put(`/cards/${id}`, 1, { kind, facts: { ...facts, title: 'Quay concert' } })
      .expect(200);
    expect(changed.body).toMatchObject({ version: 2, facts: { title: 'Quay concert' } });
    await browser.put(`/cards/${id}`, 1, { kind, facts }).expect(412);
    await browser.remove(`/cards/${id}`, 2).expect(204);
    await browser.remove(`/cards/${id}`, 2).expect(404);
    const ends = occasion(5, 4);
    expect((await browser.post('/cards', { cards: [ends] }).expect(422)).body.detail).toMatch(/ends before it begins/);
  });
});

describe('the calendar', () => {
  test('tells windows as whole days with an alarm, the same entry again until its life is over, then cancels it', async () => {
    const party = await household(stage);
    const { browser, instrument } = party;
    await used(party);
    const first = await browser.get('/calendar.ics').expect(200);
    expect(first.headers['content-type']).toMatch(/^text\/calendar/);
    expect(first.headers['content-disposition']).toContain('tembrin.ics');
    const before = vevents(first.text);
    expect(before.map(({ summary }) => summary).sort()).toEqual(['Heron: new strings', 'Heron: rehair']);
    for (const each of before) {
      expect(each).toMatchObject({ sequence: 0, status: 'CONFIRMED' });
      expect(each.from).toMatch(/^\d{4}-\d\d-\d\d$/);
      expect(each.to > each.from).toBe(true);
      expect(each.text).toMatch(/^Due between .* Done by: /);
      // It rings at nine in the household's place, written in UTC.
      expect(
        new Intl.DateTimeFormat('en-GB', { timeZone: 'Europe/Lisbon', hour: '2-digit', minute: '2-digit' }).format(
          Date.parse(each.alarm!),
        ),
      ).toBe('09:00');
    }
    expect(vevents((await browser.get('/calendar.ics')).text)).toEqual(before);

    // New strings: that window is over, another begins; the rehair stays as it was.
    await browser
      .postEvents(madeEvent(instrument.id, 'strings-fitted', { strings: null, reason: 'worn', known: true }))
      .expect(200);
    const after = vevents((await browser.get('/calendar.ics')).text);
    const strings = before.find(({ summary }) => summary.includes('strings'))!;
    expect(after.find(({ uid }) => uid === strings.uid)).toMatchObject({
      status: 'CANCELLED',
      sequence: 1,
      alarm: null,
    });
    expect(after.filter(({ summary, status }) => summary.includes('strings') && status === 'CONFIRMED')).toHaveLength(
      1,
    );
    const hair = before.find(({ summary }) => summary.includes('rehair'))!;
    expect(after.find(({ uid }) => uid === hair.uid)).toEqual(hair);
  });

  test('a date the player moves changes its entry and counts up its sequence', async () => {
    const party = await household(stage);
    const { browser, instrument } = party;
    await used(party);
    const [hair] = vevents((await browser.get('/calendar.ics')).text).filter(({ summary }) =>
      summary.includes('rehair'),
    );
    const { body } = await browser.get('/events');
    const rehair = body.events.find(({ type }: { type: string }) => type === 'rehaired');
    const card = {
      id: uuid(),
      kind: 'appointment',
      facts: {
        instrumentId: instrument.id,
        part: 'hair',
        date: inDays(12),
        lifeFrom: Date.parse(rehair.occurredAt),
        by: null,
      },
    };
    await browser.post('/cards', { cards: [card, occasion(14)] }).expect(201);
    const moved = vevents((await browser.get('/calendar.ics')).text).find(({ uid }) => uid === hair!.uid)!;
    expect(moved.sequence).toBe(1);
    expect(moved.alarm!.slice(0, 10)).toBe(inDays(12));
    expect(moved.text).toMatch(/as you set it\. That is too close before Harbour concert/);
  });

  test('a private address opens it without signing in, until it is renewed or revoked', async () => {
    const party = await household(stage);
    const { browser } = party;
    await used(party);
    expect((await browser.get('/calendar/address')).body).toEqual({ path: null });
    const { path } = (await browser.post('/calendar/address').expect(201)).body as { path: string };
    expect(path).not.toContain(party.household.id);
    expect(path.length).toBeGreaterThan(80);
    const open = () => request(stage.app).get(path);
    const feed = await open().expect(200);
    expect(vevents(feed.text)).toHaveLength(2);
    expect(feed.text).toMatch(/METHOD:PUBLISH/);
    expect((await browser.get('/calendar/address')).body).toEqual({ path });

    const forged = path.replace(/.\.ics$/, (end) => `${end.startsWith('A') ? 'B' : 'A'}.ics`);
    expect((await request(stage.app).get(forged).expect(404)).body.detail).toMatch(/revoked/);
    const next = (await browser.post('/calendar/address').expect(201)).body as { path: string };
    await open().expect(404);
    await request(stage.app).get(next.path).expect(200);
    await browser.remove('/calendar/address', 1).expect(204);
    await request(stage.app).get(next.path).expect(404);
  });
});

test('a guided change that was begun on one day is ended on another', async () => {
  const { browser, instrument } = await household(stage);
  const begun = madeEvent(instrument.id, 'change-began', { strings: [3], reason: 'broke', way: 'B' }, ago(2));
  const outcome = async (event: object) =>
    ((await browser.postEvents(event).expect(200)).body as { outcomes: { outcome: string }[] }).outcomes[0]!.outcome;
  expect(await outcome(begun)).toBe('stored');
  const spec = {
    core: 'steel',
    winding: 'plain',
    coated: false,
    gaugeMm: 0.26,
    densityGPerM: null,
    stated: null,
    end: 'ball',
  } as const;
  const fitted = { strings: [3], reason: 'broke' as const, known: true, specs: [spec], changeId: begun.id };
  expect(await outcome(madeEvent(instrument.id, 'strings-fitted', fitted))).toBe('stored');
  expect(await outcome(madeEvent(instrument.id, 'change-ended', { changeId: begun.id, finished: true }))).toBe(
    'stored',
  );
  expect(await outcome(madeEvent(instrument.id, 'change-ended', { changeId: uuid(), finished: true }))).toBe('refused');
});

describe('another calendar', () => {
  const day = (offset: number) => inDays(offset).replaceAll('-', '');
  const calendar = (...events: string[][]) =>
    [
      'BEGIN:VCALENDAR',
      'VERSION:2.0',
      'PRODID:-//Harbour//Diary//EN',
      ...events.flatMap((lines) => ['BEGIN:VEVENT', ...lines, 'END:VEVENT']),
      'END:VCALENDAR',
    ].join('\r\n');
  const look = async (text: string) => {
    const { browser } = await household(stage);
    return browser.post('/calendar/preview', { text });
  };

  test('is read with its recurring entries, moved and cancelled ones minded', async () => {
    const start = `${day(3)}T190000`;
    const { body } = await look(
      calendar(
        [
          'UID:a',
          `DTSTART;TZID=Europe/Lisbon:${start}`,
          `DTEND;TZID=Europe/Lisbon:${day(3)}T210000`,
          'RRULE:FREQ=WEEKLY;COUNT=5',
          `EXDATE;TZID=Europe/Lisbon:${day(10)}T190000`,
          'SUMMARY:Orchestra',
        ],
        [
          'UID:a',
          `RECURRENCE-ID;TZID=Europe/Lisbon:${day(17)}T190000`,
          `DTSTART;TZID=Europe/Lisbon:${day(18)}T190000`,
          `DTEND;TZID=Europe/Lisbon:${day(18)}T210000`,
          'SUMMARY:Orchestra',
        ],
        ['UID:b', `DTSTART;VALUE=DATE:${day(40)}`, `DTEND;VALUE=DATE:${day(54)}`, 'SUMMARY:Away'],
        ['UID:c', 'DTSTART;VALUE=DATE:20010101', 'SUMMARY:Long ago'],
        ['UID:d', `DTSTART:${day(5)}T120000Z`, 'STATUS:CANCELLED', 'SUMMARY:Recital called off'],
      ),
    );
    expect(body.occasions).toEqual([
      {
        uid: 'a',
        title: 'Orchestra',
        guess: 'lesson',
        cut: false,
        spans: [3, 18, 24, 31].map((at) => ({ from: inDays(at), to: inDays(at) })),
      },
      { uid: 'b', title: 'Away', guess: 'holiday', cut: false, spans: [{ from: inDays(40), to: inDays(53) }] },
    ]);
    expect(body).toMatchObject({ outside: 2, unreadable: [] });
  });

  test('times are counted as they fall in the household’s place', async () => {
    const { body } = await look(
      calendar(
        ['UID:t', 'DTSTART:20270115T003000Z', 'DTEND:20270115T010000Z', 'SUMMARY:Late gig'],
        ['UID:u', 'DTSTART;TZID=Asia/Tokyo:20270116T030000', 'SUMMARY:Concert by relay'],
      ),
    );
    expect(body.occasions.map(({ spans }: { spans: unknown }) => spans)).toEqual([
      [{ from: '2027-01-15', to: '2027-01-15' }],
      // Three in the morning in Tokyo is the evening before in Lisbon.
      [{ from: '2027-01-15', to: '2027-01-15' }],
    ]);
  });

  test('a rule that never ends, never matches or runs wild neither hangs nor fills anything', async () => {
    const began = Date.now();
    const { body } = await look(
      calendar(
        ['UID:e', `DTSTART;VALUE=DATE:${day(1)}`, 'RRULE:FREQ=DAILY', 'SUMMARY:Practice daily'],
        ['UID:f', `DTSTART:${day(1)}T100000`, 'RRULE:FREQ=SECONDLY', 'SUMMARY:Bomb'],
        ['UID:g', `DTSTART;VALUE=DATE:${day(1)}`, 'RRULE:FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30', 'SUMMARY:Never'],
        ['UID:h', `DTSTART;VALUE=DATE:19000101`, 'RRULE:FREQ=DAILY', 'SUMMARY:Old habit'],
        ['UID:i', 'SUMMARY:No date'],
        ['UID:j', `DTSTART;VALUE=DATE:${day(2)}`, 'RRULE:FREQ=SOMETIMES', 'SUMMARY:Odd rule'],
      ),
    );
    expect(Date.now() - began).toBeLessThan(40_000);
    const daily = body.occasions.find(({ uid }: { uid: string }) => uid === 'e');
    expect(daily.spans).toHaveLength(400);
    expect(daily.cut).toBe(true);
    const titles = body.unreadable.map(({ title }: { title: string }) => title);
    expect(titles).toEqual(expect.arrayContaining(['Bomb', 'No date', 'Odd rule', 'Never']));
    expect(body.unreadable.find(({ title }: { title: string }) => title === 'Bomb').why).toMatch(
      /every hour or oftener/,
    );
  }, 60_000);

  test('what is no calendar, cut off or too large is refused with what to do', async () => {
    expect((await look('date,minutes\n')).body.detail).toMatch(/iCalendar \(\.ics\)/);
    expect((await look('BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nSUMMARY:x')).body.detail).toMatch(/damaged or cut off/);
    const { browser } = await household(stage);
    const huge = await browser.post('/calendar/preview', { text: `BEGIN:VCALENDAR\r\n${'X'.repeat(1_200_000)}` });
    expect(huge.status).toBe(413);
  });
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
