import { API_ROOT, type Reminders } from '@tembrin/contract';
import { DAY_MS, HOUR_MS, MINUTE_MS, usualFacts } from '@tembrin/core';
import request from 'supertest';
import { v7 as uuid } from 'uuid';
import { lookAt } from './notices/look';
import { Rounds } from './notices/rounds';
import { Telling } from './operating/telling';
import { pino } from 'pino';
import { beginRounds } from './store/rounds';
import { household, madeEvent, openServer, PASSWORD, visitor, type TestServer, type Visitor } from './testing/fixtures';
import { member } from './testing/people';
import { subscription } from './testing/pushes';

let server: TestServer;
beforeAll(() => {
  server = openServer();
});
afterAll(() => server.close());

const deliver = () => server.office.queue.drain();
const ground = () => ({ ...server.office.reminders, outside: { weather: () => Promise.resolve(null) } });
/** A moment of tomorrow by the clock there, ms. */
const tomorrow = (hour: number) => {
  const day = Math.floor(Date.now() / DAY_MS) + 1;
  return day * DAY_MS + hour * HOUR_MS;
};
const NOON = tomorrow(12);
const look = (householdId: string, nowMs = NOON) => lookAt(ground(), householdId, null, nowMs);
const reminders = async (browser: Visitor) => (await browser.get('/reminders').expect(200)).body as Reminders;

/** A household whose violin’s bow was left tight. */
async function leftTight() {
  const party = await household(server);
  const began = madeEvent(party.instrument.id, 'session-began', {}, Date.now() - 5 * HOUR_MS);
  const ended = madeEvent(party.instrument.id, 'session-ended', { sessionId: began.id }, Date.now() - 4 * HOUR_MS);
  await party.browser.postEvents(began, ended).expect(200);
  return party;
}

describe('a bow left tight', () => {
  test('is told by mail in the morning, once, and marked so that its reader can end the letters', async () => {
    const { household: own, email } = await leftTight();
    const night = tomorrow(3);
    const next = await look(own.id, night);
    await deliver();
    expect(server.post.to(email)).toEqual([]);
    // Eight in the morning there.
    expect(next).toBe(tomorrow(8));
    await look(own.id, next!);
    await deliver();
    const [letter] = server.post.to(email);
    expect(letter!.subject).toBe('Heron’s bow was left tight');
    expect(letter!.text).toMatch(/Slacken it until the hair just lies together/);
    await look(own.id, NOON);
    await look(own.id, NOON + DAY_MS);
    await deliver();
    expect(server.post.to(email)).toHaveLength(1);
  });

  test('reaches a device, with a key to answer by; what was tried and failed comes later', async () => {
    const { household: own, browser } = await leftTight();
    const to = subscription();
    await browser.post('/reminders/devices', { id: uuid(), name: 'Phone', subscription: to }).expect(201);
    await look(own.id);
    server.push.down = true;
    await deliver();
    server.push.down = false;
    expect(server.push.sent.filter(({ endpoint }) => endpoint === to.endpoint)).toEqual([]);
    await server.office.queue.drain(() => new Date(Date.now() + 2 * MINUTE_MS));
    const [message] = server.push.sent.filter(({ endpoint }) => endpoint === to.endpoint);
    expect(message).toMatchObject({ title: 'Heron’s bow was left tight', urgent: true, doable: true });
    // Answered from the notification, without being signed in: the log says who slackened it.
    const answer = { key: message!.key, reply: { answer: 'done' } };
    // A phone that tries again may send it several times at once.
    const sent = [1, 2, 3].map(() => visitor(server).post('/reminders/answer', answer).expect(200));
    const [first] = await Promise.all(sent);
    expect(first!.body.notice).toMatchObject({ state: 'done', step: 'slacken' });
    await visitor(server).post('/reminders/answer', answer).expect(200);
    const log = (await browser.get('/events?after=').expect(200)).body.events as { type: string; by?: string }[];
    const done = log.filter(({ type }) => type === 'step-done');
    expect(done).toHaveLength(1);
    expect(done[0]!.by).toBe(own.people.find(({ me }) => me)!.id);
  });

  test('a device whose subscription is gone is sent nothing any more, and its owner sees it', async () => {
    const { household: own, browser } = await leftTight();
    const to = subscription();
    await browser.post('/reminders/devices', { id: uuid(), name: 'Phone', subscription: to }).expect(201);
    server.push.dead.add(to.endpoint);
    await look(own.id);
    await deliver();
    const [device] = (await reminders(browser)).devices;
    expect(device!.deadSince).not.toBeNull();
  });

  test('to an address that takes no mail nothing is sent any more, and that is said', async () => {
    const { household: own, browser, email } = await leftTight();
    server.post.dead.add(email);
    await look(own.id);
    await deliver();
    expect((await reminders(browser)).mailDeadSince).not.toBeNull();
    expect((await reminders(browser)).told).toMatchObject([{ kind: 'tight', state: 'open' }]);
  });
});

describe('an answer', () => {
  test('puts it off, and it is told again then', async () => {
    const { household: own, browser, email } = await leftTight();
    await look(own.id);
    const [told] = (await reminders(browser)).told;
    const until = new Date(NOON + DAY_MS).toISOString();
    const { body } = await browser.post(`/reminders/told/${told!.id}`, { answer: 'put-off', until }).expect(200);
    expect(body.told).toMatchObject([{ state: 'put-off', again: until }]);
    const letters = server.post.to(email).length;
    await look(own.id, NOON + HOUR_MS);
    await deliver();
    expect(server.post.to(email)).toHaveLength(letters);
    await look(own.id, NOON + DAY_MS);
    await deliver();
    expect(server.post.to(email)).toHaveLength(letters + 1);
    for (const wrong of [new Date(Date.now() - DAY_MS), new Date(Date.now() + 800 * DAY_MS)])
      await browser.post(`/reminders/told/${told!.id}`, { answer: 'put-off', until: wrong.toISOString() }).expect(422);
  });

  test.each([
    ['off-kind', (settings: Reminders['settings']) => settings.off, 'tight'],
    ['off-instrument', (settings: Reminders['settings']) => settings.muted.length, 1],
  ])('%s ends it from where it is read', async (answer, seen, expected) => {
    const { household: own, browser, email } = await leftTight();
    await look(own.id);
    await deliver();
    const key = server.post.keyTo(email);
    await visitor(server).post('/reminders/look', { key }).expect(200);
    await visitor(server).post('/reminders/answer', { key, reply: { answer } }).expect(200);
    expect([seen((await reminders(browser)).settings)].flat()).toEqual([expected]);
  });

  test('that something else was done is refused with what to do', async () => {
    const { household: own, browser, instrument } = await household(server);
    const strung = madeEvent(
      instrument.id,
      'strings-fitted',
      { strings: null, reason: 'worn', known: true },
      Date.now() - 900 * DAY_MS,
    );
    await browser.postEvents(strung).expect(200);
    // The digest comes on Saturday.
    for (let day = 0; day < 8; day++) await look(own.id, tomorrow(10) + day * DAY_MS);
    const due = (await reminders(browser)).told.find(({ kind }) => kind === 'due');
    expect(due).toMatchObject({ title: 'Heron: new strings', step: null });
    const refused = await browser.post(`/reminders/told/${due!.id}`, { answer: 'done' }).expect(422);
    expect(refused.body.detail).toMatch(/on its own page/);
  });

  test('of another person is not there', async () => {
    const { household: own, browser } = await leftTight();
    await look(own.id);
    const [told] = (await reminders(browser)).told;
    const { browser: stranger } = await household(server);
    await stranger.post(`/reminders/told/${told!.id}`, { answer: 'done' }).expect(404);
  });
});

describe('the letters', () => {
  const endOf = (email: string) => {
    const [letter] = server.post.to(email);
    return letter!.headers['List-Unsubscribe']!.slice(1, -1);
  };
  const oneClick = (url: string) =>
    request(server.app)
      .post(new URL(url).pathname)
      .set('Content-Type', 'application/x-www-form-urlencoded')
      .send('List-Unsubscribe=One-Click');

  test('are ended by a mail program with one click [RFC 8058], which says so twice without harm', async () => {
    const { household: own, browser, email } = await leftTight();
    await look(own.id);
    await deliver();
    expect(server.post.to(email)[0]!.headers['List-Unsubscribe-Post']).toBe('List-Unsubscribe=One-Click');
    await oneClick(endOf(email)).expect(204);
    await oneClick(endOf(email)).expect(204);
    expect((await reminders(browser)).settings.mail).toBe(false);
    const end = await request(server.app)
      .get(new URL(endOf(email)).pathname)
      .expect(303);
    expect(end.headers.location).toMatch(/^\/told#/);
  });

  test('a key that was not made here ends nothing', async () => {
    await oneClick(`http://localhost${API_ROOT}/reminders/unsubscribe/${uuid()}~${uuid()}.abc`).expect(404);
    await visitor(server).post('/reminders/look', { key: 'x' }).expect(404);
  });

  test('names and words make no headers and no markup', async () => {
    const { household: own, browser, instrument, email } = await leftTight();
    await browser
      .put(`/instruments/${instrument.id}`, instrument.version, { ...usualFacts('violin'), name: 'Heron <b>&' })
      .expect(200);
    await look(own.id);
    await deliver();
    expect(server.post.to(email)[0]!.html).toContain('Heron &lt;b&gt;&amp;’s bow');
  });

  test('what was answered before it could go is not sent', async () => {
    const { household: own, browser, email } = await leftTight();
    await look(own.id);
    const [told] = (await reminders(browser)).told;
    await browser.post(`/reminders/told/${told!.id}`, { answer: 'done' }).expect(200);
    await deliver();
    expect(server.post.to(email)).toEqual([]);
  });
});

describe('whom it is for', () => {
  test('a player hears of their own; the keeper not of a bow that somebody has in hand; who was taken out, of nothing', async () => {
    const party = await leftTight();
    const tam = await member(server, party, { name: 'Tam', role: 'player', plays: [party.instrument.id] });
    await look(party.household.id);
    await deliver();
    expect(server.post.to(tam.email).map(({ subject }) => subject)).toEqual(['Heron’s bow was left tight']);
    expect(server.post.to(party.email)).toEqual([]);
    const key = server.post.keyTo(tam.email);
    const people = (await party.browser.get('/household').expect(200)).body.people as { id: string; version: number }[];
    const { version } = people.find(({ id }) => id === tam.person.id)!;
    await party.browser.remove(`/people/${tam.person.id}`, version).expect(204);
    await visitor(server)
      .post('/reminders/answer', { key, reply: { answer: 'done' } })
      .expect(404);
    // What a mail program asks for is well all the same.
    const end = server.post.to(tam.email)[0]!.headers['List-Unsubscribe']!.slice(1, -1);
    await request(server.app).post(new URL(end).pathname).send('List-Unsubscribe=One-Click').expect(204);
  });

  test('a visitor to the demo library is reminded of nothing, and is told so', async () => {
    const browser = visitor(server);
    await browser.post('/demo', { timeZone: 'Europe/Lisbon' }).expect(201);
    const refused = await browser.get('/reminders').expect(403);
    expect(refused.body.detail).toMatch(/From the demo library nobody is reminded/);
  }, 120_000);
});

describe('settings', () => {
  test('are kept, and two that change them at once lose nothing', async () => {
    const { browser } = await household(server);
    const { settings, version } = await reminders(browser);
    const wanted = { ...settings, mail: false, digest: null };
    await browser.put('/reminders', version, wanted).expect(200);
    await browser.put('/reminders', version, settings).expect(412);
    expect((await reminders(browser)).settings).toEqual(wanted);
    await browser.put('/reminders', version + 1, { ...wanted, digest: { atMin: 2000, weekdays: [] } }).expect(422);
  });

  test.each(['https://127.0.0.1/x', 'http://push.example.org/x', 'https://router.local/x'])(
    'nothing is sent to %s',
    async (endpoint) => {
      const { browser } = await household(server);
      const to = { ...subscription(), endpoint };
      await browser.post('/reminders/devices', { id: uuid(), name: 'Phone', subscription: to }).expect(422);
    },
  );

  test('a device is added once, removed, and no more than a dozen are kept', async () => {
    const { browser } = await household(server);
    const device = { id: uuid(), name: 'Phone', subscription: subscription() };
    const add = (one: object) => browser.post('/reminders/devices', one);
    await add(device).expect(201);
    await add(device).expect(201);
    await add({ ...device, id: uuid() }).expect(201);
    expect((await reminders(browser)).devices).toHaveLength(1);
    for (let count = 1; count < 12; count++)
      await add({ ...device, id: uuid(), subscription: subscription() }).expect(201);
    await add({ ...device, id: uuid(), subscription: subscription() }).expect(422);
    const [first] = (await reminders(browser)).devices;
    await browser.post(`/reminders/devices/${first!.id}/try`, {}).expect(204);
    await browser.remove(`/reminders/devices/${first!.id}`, 1).expect(200);
    await browser.post(`/reminders/devices/${first!.id}/try`, {}).expect(404);
  });
});

test('whoever signs out on a device is told nothing there; who opens another household is', async () => {
  const party = await household(server);
  const add = (browser: Visitor) =>
    browser.post('/reminders/devices', { id: uuid(), name: 'Phone', subscription: subscription() }).expect(201);
  await add(party.browser);
  const other = visitor(server);
  await other.post('/sign-in', { email: party.email, password: PASSWORD }).expect(200);
  await add(other);
  const count = async () => (await reminders(party.browser)).devices.length;
  expect(await count()).toBe(2);
  await other.post('/account/household', { householdId: party.household.id }).expect(200);
  expect(await count()).toBe(2);
  await other.post('/sign-out').expect(204);
  expect(await count()).toBe(1);
  const third = visitor(server);
  await third.post('/sign-in', { email: party.email, password: PASSWORD }).expect(200);
  await add(third);
  await party.browser.remove('/account/sign-ins', 1).expect(200);
  expect(await count()).toBe(1);
});

describe('rounds', () => {
  const rounds = (settings = { LOOK_DELAY_S: 120, LOOK_SPACING_S: 900 }) =>
    new Rounds(ground(), settings, new Telling(pino({ level: 'silent' })));
  const rows = () => server.database.models.NoticeRound;
  beforeEach(() => rows().destroy({ where: {} }));
  const later = (ms: number) => () => new Date(Date.now() + ms);

  test('each household is looked at once by whichever of several is free', async () => {
    const parties = await Promise.all(Array.from({ length: 6 }, () => household(server)));
    await beginRounds(server.database.sequelize);
    const all = await rows().count();
    const many = [rounds(), rounds(), rounds()];
    const counts = await Promise.all(many.map((each) => each.drain()));
    expect(counts.reduce((sum, count) => sum + count, 0)).toBe(all);
    expect(parties.length).toBeLessThanOrEqual(all);
    expect(await many[0]!.drain()).toBe(0);
  });

  test('something new has it looked at after a while, not at once and not again and again', async () => {
    const { household: own, browser, instrument } = await household(server);
    await rows().create({ householdId: own.id, dueAt: new Date(Date.now() + DAY_MS) });
    expect(await rounds().drain()).toBe(0);
    await browser.postEvents(madeEvent(instrument.id, 'packed', {})).expect(200);
    expect(await rounds().drain()).toBe(0);
    expect(await rounds().drain(later(3 * MINUTE_MS))).toBe(1);
    expect(await rounds().drain(later(4 * MINUTE_MS))).toBe(0);
    await browser.postEvents(madeEvent(instrument.id, 'packed', {})).expect(200);
    // Twelve minutes after the last look at it.
    expect(await rounds().drain(later(15 * MINUTE_MS))).toBe(0);
    expect(await rounds().drain(later(19 * MINUTE_MS))).toBe(1);
  });

  test('one whose process ended in the middle is looked at by another, and tells nothing twice', async () => {
    const { household: own, email } = await leftTight();
    await rows().create({
      householdId: own.id,
      dueAt: new Date(0),
      holder: uuid(),
      heldUntil: new Date(NOON + MINUTE_MS),
    });
    expect(await rounds().drain(() => new Date(NOON))).toBe(0);
    expect(await rounds().drain(() => new Date(NOON + 2 * MINUTE_MS))).toBe(1);
    // Whoever had it wakes up again, and finds it taken.
    expect(await lookAt(ground(), own.id, uuid(), NOON + 3 * MINUTE_MS)).toBeNull();
    await deliver();
    expect(server.post.to(email)).toHaveLength(1);
  });

  test('is looked at again when its hour comes', async () => {
    const { household: own } = await household(server);
    await rows().create({ householdId: own.id, dueAt: new Date(0) });
    await rounds().drain(() => new Date(tomorrow(12)));
    const [row] = await rows().findAll({ where: { householdId: own.id } });
    expect(row!.dueAt.getTime()).toBe(tomorrow(8) + DAY_MS);
  });
});
