import { API_ROOT, operations, REQUEST_HEADER, type Household, type Operation } from '@tembrin/contract';
import { usualFacts } from '@tembrin/core';
import { v7 as uuid } from 'uuid';
import { household, madeEvent, openServer, PASSWORD, visitor, type TestServer, type Visitor } from './testing/fixtures';
import { addPerson, keyOf, member as memberOn, somebody as somebodyOn, type WantedPerson } from './testing/people';

let server: TestServer;
beforeAll(() => {
  server = openServer({ PUBLIC_URL: 'http://localhost:4317' });
});
afterAll(() => server.close());

type Party = Awaited<ReturnType<typeof household>>;
const read = async ({ get }: Visitor) => (await get('/household').expect(200)).body as Household;

const somebody = () => somebodyOn(server);
const member = (party: Party, wanted: WantedPerson) => memberOn(server, party, wanted);

async function addInstrument({ browser }: Party, name: string): Promise<string> {
  const id = uuid();
  await browser.post('/instruments', { id, name, ...usualFacts('viola') }).expect(201);
  return id;
}

describe('a keeper who is one no longer', () => {
  test.each(['removed', 'demoted', 'left'])('comes back by nothing they could read: %s', async (how) => {
    const mine = await household(server);
    const pip = await addPerson(mine);
    const other = await member(mine, { name: 'Curlew', role: 'keeper' });
    // What they make, and what they read of what others made.
    const invitation = (await other.browser.post('/invitations', { personId: pip.id, email: null }).expect(201)).body;
    const { path } = (await mine.browser.post('/calendar/address').expect(201)).body as { path: string };
    expect((await other.browser.get('/calendar/address').expect(200)).body).toEqual({ path });
    const { instrument } = mine;
    await other.browser.post('/handovers', { instrumentId: instrument.id }).expect(201);
    const feed = () => visitor(server).agent.get(path);
    await feed().expect(200);

    const { version } = (await read(mine.browser)).people.find(({ id }) => id === other.person.id)!;
    const facts = { name: 'Curlew', role: 'player', plays: [], looksAfter: [] };
    if (how === 'removed') await mine.browser.remove(`/people/${other.person.id}`, version).expect(204);
    else if (how === 'demoted') await mine.browser.put(`/people/${other.person.id}`, version, facts).expect(200);
    else await other.browser.post('/people/leave').expect(204);

    await other.browser.get('/invitations').expect(403);
    await (await somebody()).browser.post('/invitations/accept', { key: keyOf(invitation.path) }).expect(404);
    await feed().expect(404);
    expect((await mine.browser.get('/handovers').expect(200)).body).toEqual({ handovers: [] });
    expect((await mine.browser.get('/calendar/address').expect(200)).body).toEqual({ path: null });
  });

  test('where a player is removed, what the keepers made stays', async () => {
    const mine = await household(server);
    const pip = await addPerson(mine);
    const player = await member(mine, { name: 'Ines', role: 'player' });
    await mine.browser.post('/invitations', { personId: pip.id, email: null }).expect(201);
    const { path } = (await mine.browser.post('/calendar/address').expect(201)).body as { path: string };
    const { version } = (await read(mine.browser)).people.find(({ id }) => id === player.person.id)!;
    await mine.browser.remove(`/people/${player.person.id}`, version).expect(204);
    expect((await mine.browser.get('/invitations').expect(200)).body).toMatchObject({ invitations: [{}] });
    await visitor(server).agent.get(path).expect(200);
  });
});

describe('persons', () => {
  test('who makes a household keeps it', async () => {
    const mine = await household(server);
    const { role, people } = await read(mine.browser);
    expect(role).toBe('keeper');
    expect(people).toMatchObject([{ role: 'keeper', me: true, account: true, goneAt: null }]);
    expect(people[0]!.name).toBe(mine.email.split('@')[0]);
  });

  test('are added, a child without an account among them, changed by the version seen, and taken out', async () => {
    const mine = await household(server);
    const pip = await addPerson(mine, { plays: [mine.instrument.id] });
    const facts = { name: 'Pip Marsh', role: 'player', plays: [mine.instrument.id], looksAfter: [] };
    await mine.browser.put(`/people/${pip.id}`, 1, facts).expect(200);
    await mine.browser.put(`/people/${pip.id}`, 1, facts).expect(412);
    expect(
      (await mine.browser.put(`/people/${pip.id}`, 2, { ...facts, plays: [uuid()] }).expect(422)).body.detail,
    ).toMatch(/not in your household/);
    await mine.browser.remove(`/people/${pip.id}`, 2).expect(204);
    const gone = (await read(mine.browser)).people.find(({ id }) => id === pip.id)!;
    expect(gone.name).toBe('Pip Marsh');
    expect(gone.goneAt).not.toBeNull();
    await mine.browser.remove(`/people/${pip.id}`, 3).expect(404);
  });

  test('the last who keeps the household stays, and stays keeper', async () => {
    const mine = await household(server);
    const [me] = (await read(mine.browser)).people;
    const facts = { name: 'Me', plays: [], looksAfter: [] };
    expect((await mine.browser.post('/people/leave').expect(409)).body.detail).toMatch(
      /Make another person keeper first/,
    );
    await mine.browser.remove(`/people/${me!.id}`, 1).expect(409);
    await mine.browser.put(`/people/${me!.id}`, 1, { ...facts, role: 'player' }).expect(409);
    // A keeper who cannot sign in keeps nothing.
    await addPerson(mine, { name: 'Granny', role: 'keeper' });
    await mine.browser.post('/people/leave').expect(409);
    await member(mine, { name: 'Other', role: 'keeper' });
    await mine.browser.post('/people/leave').expect(204);
    await mine.browser.get('/household').expect(403);
  });
});

describe('an invitation', () => {
  test('is looked at, accepted once, and opens the household', async () => {
    const mine = await household(server);
    const pip = await addPerson(mine, { name: 'Pip', plays: [mine.instrument.id] });
    const { path } = (await mine.browser.post('/invitations', { personId: pip.id, email: null }).expect(201)).body;
    const key = keyOf(path);
    const guest = await somebody();
    expect((await visitor(server).post('/invitations/look', { key }).expect(200)).body).toMatchObject({
      household: 'My instruments',
      person: 'Pip',
      role: 'player',
    });
    const joined = (await guest.browser.post('/invitations/accept', { key }).expect(200)).body as Household;
    expect(joined).toMatchObject({ id: mine.household.id, role: 'player', instruments: [{ name: 'Heron' }] });
    const second = await somebody();
    await second.browser.post('/invitations/accept', { key }).expect(404);
    await visitor(server).post('/invitations/look', { key }).expect(404);
    // Signed in anew, they are where they were last.
    const again = visitor(server);
    const back = await again.post('/sign-in', { email: guest.email, password: PASSWORD }).expect(200);
    expect(back.body.id).toBe(mine.household.id);
  });

  test('of two who accept it at once, one does', async () => {
    const mine = await household(server);
    const pip = await addPerson(mine);
    const { path } = (await mine.browser.post('/invitations', { personId: pip.id, email: null }).expect(201)).body;
    const guests = await Promise.all([somebody(), somebody(), somebody()]);
    const answers = await Promise.all(
      guests.map(({ browser }) => browser.post('/invitations/accept', { key: keyOf(path) })),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 404, 404]);
  });

  test('comes by mail, and is good for a week, until it is taken back, or another is sent', async () => {
    const mine = await household(server);
    const pip = await addPerson(mine);
    const to = `${uuid()}@example.org`;
    const invite = async () =>
      (await mine.browser.post('/invitations', { personId: pip.id, email: to }).expect(201)).body;
    await invite();
    await server.office.queue.drain();
    const first = server.post.keyTo(to);
    expect(server.post.to(to)[0]!.text).toContain('My instruments');
    await invite();
    await server.office.queue.drain();
    const second = server.post.keyTo(to);
    const look = (key: string) => visitor(server).post('/invitations/look', { key });
    await look(first).expect(404);
    await look(second).expect(200);
    const { invitations } = (await mine.browser.get('/invitations').expect(200)).body;
    expect(invitations).toHaveLength(1);
    await mine.browser.agent
      .delete(`${API_ROOT}/invitations/${invitations[0].id}`)
      .set(REQUEST_HEADER, '1')
      .expect(204);
    await look(second).expect(404);
    const third = keyOf((await invite()).path);
    await server.database.models.Invitation.update({ expiresAt: new Date(Date.now() - 1) }, { where: {} });
    await look(third).expect(404);
    for (const key of ['', 'x', `${uuid()}.AAAA`]) await look(key).expect(404);
  });

  test('to one’s own household says so', async () => {
    const mine = await household(server);
    const pip = await addPerson(mine);
    const { path } = (await mine.browser.post('/invitations', { personId: pip.id, email: null }).expect(201)).body;
    const { body } = await mine.browser.post('/invitations/accept', { key: keyOf(path) }).expect(409);
    expect(body.detail).toMatch(/You belong to My instruments already/);
    await visitor(server)
      .post('/invitations/look', { key: keyOf(path) })
      .expect(200);
  });

  test('goes out from nobody’s demo library, and to one address a few times an hour', async () => {
    const guest = visitor(server);
    const demo = (await guest.post('/demo', { timeZone: 'Europe/Lisbon' }).expect(201)).body as Household;
    const [pip] = demo.people;
    await guest.post('/invitations', { personId: pip!.id, email: `${uuid()}@example.org` }).expect(403);
    const mine = await household(server);
    const person = await addPerson(mine);
    const email = `${uuid()}@example.org`;
    const invite = () => mine.browser.post('/invitations', { personId: person.id, email });
    for (let time = 0; time < 5; time++) await invite().expect(201);
    await invite().expect(429);
    await mine.browser.post('/invitations', { personId: person.id, email: null }).expect(201);
  });

  test('a name that would break a letter’s head is not taken', async () => {
    const mine = await household(server);
    const person = { id: uuid(), name: 'Pip\r\nBcc: all@example.org', role: 'player', plays: [], looksAfter: [] };
    await mine.browser.post('/people', person).expect(422);
  });
});

describe('one account in two households', () => {
  test('goes from one to the other, and is somebody else in each', async () => {
    const theirs = await household(server);
    const mine = await household(server);
    const pip = await addPerson(theirs, { name: 'Ines', role: 'helper', looksAfter: [theirs.instrument.id] });
    const { path } = (await theirs.browser.post('/invitations', { personId: pip.id, email: null }).expect(201)).body;
    await mine.browser.post('/invitations/accept', { key: keyOf(path) }).expect(200);
    expect(await read(mine.browser)).toMatchObject({ id: theirs.household.id, role: 'helper' });
    const { households } = (await mine.browser.get('/account').expect(200)).body;
    expect(households).toMatchObject([
      { id: mine.household.id, role: 'keeper', here: false },
      { id: theirs.household.id, role: 'helper', here: true },
    ]);
    const back = await mine.browser.post('/account/household', { householdId: mine.household.id }).expect(200);
    expect(back.body).toMatchObject({ id: mine.household.id, role: 'keeper' });
    expect(await read(mine.browser)).toMatchObject({ id: mine.household.id, role: 'keeper' });
    // What a session is read with is never kept with it: who they are may be another by the next request.
    const { Session, Account } = server.database.models;
    const account = (await Account.findOne({ where: { email: mine.email } }))!;
    const sessions = await Session.findAll({ where: { accountId: account.id } });
    expect(sessions.map(({ data }) => Object.keys(JSON.parse(data) as object).sort())).toEqual([
      ['cookie', 'identity'],
    ]);
    await mine.browser.post('/account/household', { householdId: uuid() }).expect(404);
    const stranger = await household(server);
    await stranger.browser.post('/account/household', { householdId: mine.household.id }).expect(404);
  });

  test('a page that has the other one open is told, and nothing is put down in the wrong one', async () => {
    const [mine, theirs] = [await household(server), await household(server)];
    const post = (householdId: string) =>
      mine.browser.agent
        .post(`${API_ROOT}/events`)
        .set(REQUEST_HEADER, householdId)
        .send({ events: [madeEvent(mine.instrument.id, 'rosined', {})] });
    expect((await post(theirs.household.id).expect(401)).body.type).toBe('/problems/another-household');
    await post(mine.household.id).expect(200);
  });
});

describe('who did it', () => {
  test('is put down with an entry, and told again', async () => {
    const mine = await household(server);
    const pip = await addPerson(mine, { plays: [mine.instrument.id] });
    const event = { ...madeEvent(mine.instrument.id, 'rosined', {}), by: pip.id };
    await mine.browser.postEvents(event).expect(200);
    const { events } = (await mine.browser.get('/events').expect(200)).body;
    expect(events).toMatchObject([{ id: event.id, by: pip.id }]);
    expect((await mine.browser.postEvents(event).expect(200)).body.outcomes[0].outcome).toBe('known');
    // An entry of before says nobody.
    await mine.browser.postEvents(madeEvent(mine.instrument.id, 'wiped' as never, { zones: ['strings'] } as never));
  });

  test('is nobody who is not here, and not another for who may not say so', async () => {
    const mine = await household(server);
    const other = await addPerson(mine, { name: 'Other', plays: [mine.instrument.id] });
    const pip = await member(mine, { name: 'Pip', plays: [mine.instrument.id] });
    const post = async ({ postEvents }: Visitor, by: string) => {
      const { body } = await postEvents({ ...madeEvent(mine.instrument.id, 'rosined', {}), by }).expect(200);
      return body.outcomes[0].problem?.type ?? body.outcomes[0].outcome;
    };
    expect(await post(mine.browser, uuid())).toBe('/problems/no-such-person');
    expect(await post(pip.browser, other.id)).toBe('/problems/not-for-them');
    expect(await post(pip.browser, pip.person.id)).toBe('stored');
    expect(await post(mine.browser, pip.person.id)).toBe('stored');
  });

  test('goes out with the household’s file, and comes in again with their names', async () => {
    const mine = await household(server);
    const pip = await addPerson(mine, { name: 'Pip Marsh', plays: [mine.instrument.id] });
    await mine.browser.postEvents({ ...madeEvent(mine.instrument.id, 'rosined', {}), by: pip.id }).expect(200);
    const file = (await mine.browser.get('/export/household.json').expect(200)).text;
    const log = (await mine.browser.get('/export/log.csv').expect(200)).text;
    const other = await somebody();
    const bring = (path: string, text: string) =>
      other.browser.agent
        .post(API_ROOT + path)
        .set(REQUEST_HEADER, '1')
        .type('text/csv')
        .send(text)
        .expect(200);
    await bring('/import/household', file);
    const { people } = await read(other.browser);
    expect(people.find(({ id }) => id === pip.id)).toMatchObject({ name: 'Pip Marsh', account: false });
    const { events } = (await other.browser.get('/events').expect(200)).body;
    expect(events).toMatchObject([{ by: pip.id }]);
    expect((await bring('/import/log', log)).body).toMatchObject({ known: 1, events: 0 });
  });
});

describe('what work cost', () => {
  /** Written nowhere else. */
  const AMOUNT = 734_159.25;
  const VISIT = uuid();

  test.each(['player', 'helper'] as const)('is seen by keepers alone, in no read of a %s', async (role) => {
    const mine = await household(server);
    const { id } = mine.instrument;
    const cost = { amount: AMOUNT, currency: 'EUR' };
    const work = { by: 'workshop', words: 'Nut recut', part: null, cost, visitId: VISIT };
    const posted = await mine.browser.postEvents(
      madeEvent(id, 'worked-on', work as never),
      madeEvent(id, 'brought-in', { visitId: VISIT, expected: null } as never),
    );
    expect((posted.body as { outcomes: { outcome: string }[] }).outcomes.map(({ outcome }) => outcome)).toEqual([
      'stored',
      'stored',
    ]);
    const theirs = await member(mine, { role, plays: [id], looksAfter: [id] });
    const paths = (Object.values(operations) as Operation[])
      .filter(({ method, path, access }) => method === 'get' && access === 'household' && !path.includes(':'))
      .map(({ path }) => path);
    expect(paths).toContain('/events');
    const text = async (browser: Visitor, path: string) => {
      const { text: told, body } = await browser.get(path);
      return told ?? JSON.stringify(body);
    };
    for (const path of paths) {
      const told = await text(theirs.browser, path);
      expect([path, told.includes(String(AMOUNT)), told.includes(VISIT)]).toEqual([path, false, false]);
    }
    expect(await text(theirs.browser, '/events')).toContain('Nut recut');
    const kept = await text(mine.browser, '/events');
    expect([kept.includes(String(AMOUNT)), kept.includes(VISIT)]).toEqual([true, true]);
    // Another role sees more of the log: a device then reads it anew.
    const epoch = async () => ((await theirs.browser.get('/events')).body as { epoch: string }).epoch;
    const before = await epoch();
    const { version } = (await read(mine.browser)).people.find((each) => each.id === theirs.person.id)!;
    const facts = { name: 'Pip', role: 'keeper', plays: [id], looksAfter: [id] };
    await mine.browser.put(`/people/${theirs.person.id}`, version, facts).expect(200);
    expect(await epoch()).not.toBe(before);
    expect(await text(theirs.browser, '/events')).toContain(String(AMOUNT));
  });
});

describe('what a role sees', () => {
  /** A household with two instruments, each with an entry, a photograph's card, a price and a contact. */
  async function cupboard() {
    const mine = await household(server);
    const other = await addInstrument(mine, 'Egret');
    await mine.browser.postEvents(madeEvent(mine.instrument.id, 'rosined', {}), madeEvent(other, 'rosined', {}));
    const card = (kind: string, facts: object) => ({ id: uuid(), kind, facts });
    const occasion = (title: string, instrumentId: string | null) =>
      card('occasion', {
        title,
        kind: 'lesson',
        instrumentId,
        spans: [{ from: '2026-12-01', to: '2026-12-01' }],
        source: null,
      });
    const price = card('price', { part: 'hair', by: 'workshop', instrumentId: other, low: 60, high: 80 });
    const contact = card('contact', { title: 'Gull', role: 'workshop', phones: [], emails: [], address: '', note: '' });
    const cards = [
      occasion('Theirs', other),
      occasion('Own', mine.instrument.id),
      occasion('All', null),
      price,
      contact,
    ];
    await mine.browser.post('/cards', { cards }).expect(201);
    return { mine, other, cards };
  }

  test('a player sees their own instrument, its log and its cards, and nothing of prices and contacts', async () => {
    const { mine, other } = await cupboard();
    const pip = await member(mine, { plays: [mine.instrument.id] });
    expect((await read(pip.browser)).instruments.map(({ name }) => name)).toEqual(['Heron']);
    const { events } = (await pip.browser.get('/events').expect(200)).body as { events: { instrumentId: string }[] };
    expect(events.map(({ instrumentId }) => instrumentId)).toEqual([mine.instrument.id]);
    const { cards } = (await pip.browser.get('/cards').expect(200)).body as { cards: { facts: { title: string } }[] };
    expect(cards.map(({ facts }) => facts.title).sort()).toEqual(['All', 'Own']);
    const outcome = (await pip.browser.postEvents(madeEvent(other, 'rosined', {})).expect(200)).body.outcomes[0];
    expect(outcome).toMatchObject({ outcome: 'refused', problem: { type: '/problems/no-such-instrument' } });
  });

  test('is told of those they share an instrument with, and of nobody else', async () => {
    const { mine, other } = await cupboard();
    await addPerson(mine, { name: 'Stranger', plays: [other] });
    await addPerson(mine, { name: 'Ines', role: 'helper', looksAfter: [mine.instrument.id] });
    const pip = await member(mine, { plays: [mine.instrument.id] });
    expect((await read(pip.browser)).people.map(({ name }) => name).sort()).toEqual(['Ines', 'Pip']);
  });

  test('another’s card is not there: not to be changed, removed, nor known by its id', async () => {
    const { mine, other, cards } = await cupboard();
    const pip = await member(mine, { plays: [mine.instrument.id] });
    const [theirs, own, , price] = cards;
    const facts = { ...own!.facts, title: 'Moved' };
    await pip.browser.put(`/cards/${theirs!.id}`, 1, { kind: 'occasion', facts }).expect(404);
    await pip.browser.remove(`/cards/${price!.id}`, 1).expect(404);
    await pip.browser.post('/cards', { cards: [{ ...own, id: theirs!.id }] }).expect(409);
    await pip.browser.put(`/cards/${own!.id}`, 1, { kind: 'occasion', facts }).expect(200);
    // Not moved on to another's instrument, nor to all.
    for (const instrumentId of [other, null])
      await pip.browser
        .put(`/cards/${own!.id}`, 2, { kind: 'occasion', facts: { ...facts, instrumentId } })
        .expect(403);
    await pip.browser.post('/cards', { cards: [{ ...price, id: uuid() }] }).expect(403);
  });

  test('an entry’s id that another’s has is refused without a word of it', async () => {
    const { mine, other } = await cupboard();
    const pip = await member(mine, { plays: [mine.instrument.id] });
    const theirs = madeEvent(other, 'rosined', {});
    await mine.browser.postEvents(theirs).expect(200);
    const { outcomes } = (
      await pip.browser.postEvents({ ...madeEvent(mine.instrument.id, 'rosined', {}), id: theirs.id }).expect(200)
    ).body;
    expect(outcomes[0].problem.type).toBe('/problems/id-taken');
  });

  test('what a device has read is read anew once they see another instrument, and not before', async () => {
    const { mine, other } = await cupboard();
    const pip = await member(mine, { plays: [mine.instrument.id] });
    const epoch = async () => (await pip.browser.get('/events').expect(200)).body.epoch as string;
    const before = await epoch();
    expect(await epoch()).toBe(before);
    const facts = { name: 'Pip', role: 'player', plays: [mine.instrument.id, other], looksAfter: [] };
    await mine.browser.put(`/people/${pip.person.id}`, pip.person.version + 1, facts).expect(200);
    expect(await epoch()).not.toBe(before);
    expect((await epoch()).split('~')[0]).toBe(before.split('~')[0]);
    expect((await pip.browser.get('/events').expect(200)).body.events).toHaveLength(2);
  });

  test('who was taken out is so at once, with the open page and what it still sends', async () => {
    const { mine } = await cupboard();
    const pip = await member(mine, { plays: [mine.instrument.id] });
    await pip.browser.get('/household').expect(200);
    await mine.browser.remove(`/people/${pip.person.id}`, pip.person.version + 1).expect(204);
    const refused = await pip.browser.postEvents(madeEvent(mine.instrument.id, 'rosined', {})).expect(403);
    expect(refused.body).toMatchObject({ type: '/problems/not-a-member' });
    expect(refused.body.detail).toMatch(/kept on this device/);
    // Their account is theirs, and leads to a household of their own.
    const again = visitor(server);
    const back = await again.post('/sign-in', { email: pip.email, password: PASSWORD }).expect(200);
    expect(back.body.id).not.toBe(mine.household.id);
  });
});
