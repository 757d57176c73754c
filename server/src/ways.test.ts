import type { Household } from '@tembrin/contract';
import { usualFacts } from '@tembrin/core';
import ICAL from 'ical.js';
import request from 'supertest';
import { v7 as uuid } from 'uuid';
import { household, madeEvent, openServer, type TestServer, type Visitor } from './testing/fixtures';
import { addPerson, member as memberOn, type WantedPerson } from './testing/people';

let server: TestServer;
beforeAll(() => {
  server = openServer({ PUBLIC_URL: 'http://localhost:4317' });
});
afterAll(() => server.close());

type Party = Awaited<ReturnType<typeof household>>;
const member = (party: Party, wanted: WantedPerson) => memberOn(server, party, wanted);
const personIn = async ({ get }: Visitor, id: string) =>
  ((await get('/household').expect(200)).body as Household).people.find((each) => each.id === id)!;

describe('somebody’s own ways', () => {
  const ways = { schools: { cloths: 'B', slack: 'B' }, hands: 'corrosive' };

  test('are said by themselves, by who looks after what they play, and by keepers; of nobody else', async () => {
    const mine = await household(server);
    const pip = await addPerson(mine, { name: 'Pip', plays: [mine.instrument.id] });
    const ana = await member(mine, { name: 'Ana', plays: [mine.instrument.id] });
    const teacher = await member(mine, { name: 'Ines', role: 'helper', looksAfter: [mine.instrument.id] });
    const say = ({ put }: Visitor, id: string, version: number, body: object = ways) =>
      put(`/people/${id}/ways`, version, body);

    await say(ana.browser, ana.person.id, 2).expect(200);
    expect(await personIn(ana.browser, ana.person.id)).toMatchObject(ways);
    expect((await say(ana.browser, pip.id, 1).expect(403)).body.detail).toMatch(/theirs to say/);
    await say(teacher.browser, pip.id, 1, { hands: 'low' }).expect(200);
    await say(mine.browser, pip.id, 1).expect(412);
    await say(mine.browser, pip.id, 2, { schools: {}, hands: null }).expect(200);
    const known = await personIn(mine.browser, pip.id);
    expect(known.version).toBe(3);
    expect(known).not.toHaveProperty('hands');
    // What else is said of somebody leaves their ways as they are.
    const facts = { name: 'Ana Marsh', role: 'player', plays: [mine.instrument.id], looksAfter: [] };
    await mine.browser.put(`/people/${ana.person.id}`, 3, facts).expect(200);
    expect(await personIn(mine.browser, ana.person.id)).toMatchObject({ name: 'Ana Marsh', ...ways });
    await say(mine.browser, pip.id, 3, { schools: { cloths: 'Z' } }).expect(422);
    await say(mine.browser, pip.id, 3, { schools: { weather: 'A' } }).expect(422);
  });
});

describe('a player’s own calendar', () => {
  const titles = (text: string) =>
    new ICAL.Component(ICAL.parse(text) as never)
      .getAllSubcomponents('vevent')
      .map(
        (event) => `${String(event.getFirstPropertyValue('status'))} ${String(event.getFirstPropertyValue('summary'))}`,
      )
      .sort();
  const ago = (days: number) => Date.now() - days * 86_400_000;
  const dateAgo = (days: number) => new Date(ago(days)).toISOString().slice(0, 10);
  async function fitted({ browser }: Party, id: string): Promise<void> {
    const facts = { strings: null, reason: 'worn', known: true } as const;
    await browser.postEvents(madeEvent(id, 'strings-fitted', facts, ago(100))).expect(200);
  }
  const open = (path: string) => request(server.app).get(path);

  test('says what is due of what they play, the household’s of everything; each is taken back by itself', async () => {
    const mine = await household(server);
    const wren = uuid();
    await mine.browser.post('/instruments', { id: wren, name: 'Wren', ...usualFacts('viola') }).expect(201);
    await fitted(mine, mine.instrument.id);
    await fitted(mine, wren);
    const ana = await member(mine, { name: 'Ana', plays: [wren] });
    expect((await ana.browser.get('/calendar/address').expect(200)).body).toEqual({ path: null });
    const all = (await mine.browser.post('/calendar/address').expect(201)).body as { path: string };
    const hers = (await ana.browser.post('/calendar/address').expect(201)).body as { path: string };
    expect(hers.path).not.toBe(all.path);
    expect(titles((await open(hers.path).expect(200)).text)).toEqual(['CONFIRMED Wren: new strings']);
    const whole = ['CONFIRMED Heron: new strings', 'CONFIRMED Wren: new strings'];
    expect(titles((await open(all.path).expect(200)).text)).toEqual(whole);
    expect(titles((await ana.browser.get('/calendar.ics').expect(200)).text)).toEqual(['CONFIRMED Wren: new strings']);

    // What is over is cancelled for her too, and nothing of the household's is by her reading.
    await fitted(mine, mine.instrument.id);
    await mine.browser.postEvents(
      madeEvent(wren, 'strings-fitted', { strings: null, reason: 'worn', known: true }, ago(1)),
    );
    expect(titles((await open(hers.path).expect(200)).text)).toEqual([
      'CANCELLED Wren: new strings',
      'CONFIRMED Wren: new strings',
    ]);
    expect(titles((await open(all.path).expect(200)).text)).toContain('CONFIRMED Heron: new strings');

    await ana.browser.remove('/calendar/address', 1).expect(204);
    await open(hers.path).expect(404);
    await open(all.path).expect(200);
    const again = (await ana.browser.post('/calendar/address').expect(201)).body as { path: string };
    await open(again.path).expect(200);
    // It goes with the account; whoever is taken out reads nothing any more either.
    const mark = { where: { householdId: mine.household.id, id: ana.person.id } };
    const { Person } = server.database.models;
    const { accountId } = (await Person.findOne(mark))!;
    await Person.update({ accountId: null }, mark);
    await open(again.path).expect(404);
    await Person.update({ accountId }, mark);
    await open(again.path).expect(200);
    const { version } = await personIn(mine.browser, ana.person.id);
    await mine.browser.remove(`/people/${ana.person.id}`, version).expect(204);
    await open(again.path).expect(404);
  });

  test('a loan stands on the day it ends, until it is back', async () => {
    const mine = await household(server);
    const { id } = mine.instrument;
    const until = dateAgo(-20);
    const facts = {
      ...{ instrumentId: id, personId: null, to: 'Oskar', reached: null, from: dateAgo(30), until },
      ...{ along: [], strings: 'lender', note: null, back: null },
    };
    const card = { id: uuid(), kind: 'loan', facts };
    await mine.browser.post('/cards', { cards: [card] }).expect(201);
    const read = async () => (await mine.browser.get('/calendar.ics').expect(200)).text;
    expect(titles(await read())).toEqual(['CONFIRMED Heron: back from Oskar']);
    expect(await read()).toContain(`DTSTART;VALUE=DATE:${until.replaceAll('-', '')}`);
    const back = { kind: 'loan', facts: { ...facts, back: dateAgo(0) } };
    await mine.browser.put(`/cards/${card.id}`, 1, back).expect(200);
    expect(titles(await read())).toEqual(['CANCELLED Heron: back from Oskar']);
  });
});
