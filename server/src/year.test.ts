import { DAY_MS, localDay, dateOfDay } from '@tembrin/core';
import ICAL from 'ical.js';
import request from 'supertest';
import { v7 as uuid } from 'uuid';
import { CalendarScope } from './store/calendar';
import { HouseholdScope } from './store/scope';
import { reading, room, sensor } from './testing/air';
import { household, madeEvent, openServer, type TestServer } from './testing/fixtures';

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
    const party = await household(server);
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
  test('tells each piece of upkeep on its day with an alarm, the same entry again until its life is over, then cancels it', async () => {
    const party = await household(server);
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
      expect((Date.parse(each.to) - Date.parse(each.from)) / 86_400_000).toBe(1);
      expect(each.text).toMatch(/^(Due between|Overdue: ).* Done by: /);
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
    const party = await household(server);
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

  test('what is overdue stays on its day and is told once; a small change of a forecast is not told', async () => {
    const party = await household(server);
    await used(party);
    const { id, version, addedAt: _addedAt, ...facts } = party.instrument;
    const setUp = { ...facts.setUp, habit: 'half-hour' };
    await party.browser.put(`/instruments/${id}`, version, { ...facts, setUp }).expect(200);
    const at = (days: number) =>
      new CalendarScope(
        server.database,
        new HouseholdScope(server.database, { householdId: party.household.id, accountId: null }),
        'secret',
      ).text(false, new Date(Date.now() + days * 86_400_000));
    const hair = (text: string) => vevents(text).find(({ summary }) => summary.includes('rehair'))!;
    const first = await at(0);
    expect(hair(first).text).toMatch(/^Overdue: the middle of its window was .* Done by: workshop\.$/);
    const strings = (text: string) => vevents(text).find(({ summary }) => summary.includes('strings'))!;
    // Nothing is played: each evening puts the end off by a little.
    for (const days of [1, 2]) {
      const later = await at(days);
      expect(hair(later)).toEqual(hair(first));
      expect(strings(later)).toEqual(strings(first));
    }
  });

  test('is as it was told until something changes: an entry, a card, a reading, the day', async () => {
    const party = await household(server);
    const { browser, instrument } = party;
    await used(party);
    const { sensor: onShelf } = await sensor(party, await room(party));
    const { sequelize } = server.database;
    const scope = new HouseholdScope(server.database, { householdId: party.household.id, accountId: null });
    const read = (now = new Date()) => new CalendarScope(server.database, scope, 'secret').text(false, now);
    // What it was told is judged to be wrong, so that judging it anew shows.
    const judgedAnew = async (now?: Date) => {
      await sequelize.query(
        "UPDATE calendar_items SET facts = REPLACE(facts, 'Heron', 'Wrong') WHERE householdId = :householdId",
        { replacements: { householdId: party.household.id } },
      );
      return !(await read(now)).includes('Wrong');
    };
    const first = await read();
    expect(await read()).toBe(first);
    expect(await judgedAnew()).toBe(false);
    await browser.postEvents(madeEvent(instrument.id, 'rosined', {}, ago(1))).expect(200);
    expect(await judgedAnew()).toBe(true);
    expect(await judgedAnew()).toBe(false);
    await browser.post('/cards', { cards: [occasion(30)] }).expect(201);
    expect(await judgedAnew()).toBe(true);
    await browser.post(`/sensors/${onShelf.id}/readings`, { readings: [reading(48)] }).expect(200);
    expect(await judgedAnew()).toBe(true);
    expect(await judgedAnew()).toBe(false);
    expect(await judgedAnew(new Date(Date.now() + DAY_MS))).toBe(true);
  });

  test('a private address opens it without signing in, until it is renewed or revoked', async () => {
    const party = await household(server);
    const { browser } = party;
    await used(party);
    expect((await browser.get('/calendar/address')).body).toEqual({ path: null });
    const { path } = (await browser.post('/calendar/address').expect(201)).body as { path: string };
    expect(path).not.toContain(party.household.id);
    expect(path.length).toBeGreaterThan(80);
    const open = () => request(server.app).get(path);
    const feed = await open().expect(200);
    expect(vevents(feed.text)).toHaveLength(2);
    expect(feed.headers['content-type']).toBe('text/calendar; charset=utf-8; method=PUBLISH');
    expect(feed.text).toMatch(/METHOD:PUBLISH/);
    expect((await browser.get('/calendar/address')).body).toEqual({ path });

    const forged = path.replace(/.\.ics$/, (end) => `${end.startsWith('A') ? 'B' : 'A'}.ics`);
    expect((await request(server.app).get(forged).expect(404)).body.detail).toMatch(/revoked/);
    const next = (await browser.post('/calendar/address').expect(201)).body as { path: string };
    await open().expect(404);
    await request(server.app).get(next.path).expect(200);
    await browser.remove('/calendar/address', 1).expect(204);
    await request(server.app).get(next.path).expect(404);
  });
});

test('a guided change that was begun on one day is ended on another', async () => {
  const { browser, instrument } = await household(server);
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
    const { browser } = await household(server);
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
    const { browser } = await household(server);
    const huge = await browser.post('/calendar/preview', { text: `BEGIN:VCALENDAR\r\n${'X'.repeat(1_200_000)}` });
    expect(huge.status).toBe(413);
  });
});
