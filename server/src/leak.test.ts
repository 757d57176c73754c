import { subscription } from './testing/pushes';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  API_ROOT,
  DEED_OF,
  operations,
  REQUEST_HEADER,
  type HouseholdOperationId,
  type Operation,
} from '@tembrin/contract';
import { mayDo, REACH, usualFacts } from '@tembrin/core';
import request from 'supertest';
import { v7 as uuid } from 'uuid';
import { authenticator } from './testing/authenticator';
import { household, madeEvent, openServer, PASSWORD, type TestServer } from './testing/fixtures';
import { member } from './testing/people';
import { madePhoto } from './testing/photos';

const folder = mkdtempSync(join(tmpdir(), 'tembrin-leak-'));
let server: TestServer;
beforeAll(() => {
  server = openServer({ PHOTOS_DIR: folder });
});
afterAll(async () => {
  await server.close();
  rmSync(folder, { recursive: true, force: true });
});

type Party = Awaited<ReturnType<typeof household>>;
const all = Object.entries(operations) as [string, Operation][];

const PLACE = {
  kind: 'room',
  name: 'Mine now',
  roomId: null,
  volumeM3: null,
  draught: 'ordinary',
  heating: null,
  tankG: null,
  dryerG: null,
};
const PLAN = {
  delimiter: ',',
  skip: 1,
  date: 0,
  clock: null,
  rh: 1,
  temp: null,
  order: 'ymd',
  tempUnit: 'C',
  rhUnit: 'percent',
};

/** A photograph of theirs: its hash is known to whoever has the same picture. */
const PHOTO = madePhoto('theirs');

const DIARY = 'date,minutes\n2026-01-02,30';

const priceOn = (instrumentId: string) => ({
  kind: 'price',
  facts: { part: 'hair', by: 'workshop', instrumentId, low: 60, high: 80 },
});

/** What a browser is asked with, by nobody. */
const ASKED = { challenge: 'AAAA', rp: { id: 'localhost' } };

/** What each operation is called with when somebody reaches for another household's things. */
function reachFor(id: string, theirs: Party): { query?: object; body?: object | string | Buffer } {
  const facts = { name: 'Mine now', ...usualFacts('violin') };
  switch (id) {
    case 'changeHousehold':
      return { body: { name: 'Ours', timeZone: 'UTC', schools: { checkup: 'B', cloths: 'B' } } };
    case 'addInstrument':
      return { body: { id: theirs.instrument.id, ...facts } };
    case 'changeInstrument':
      return { body: facts };
    case 'readLog':
      return { query: { instrumentId: theirs.instrument.id } };
    case 'postEvents':
      return { body: { events: [madeEvent(theirs.instrument.id, 'rosined', {})] } };
    case 'readAir':
      return { query: { since: 0 } };
    case 'addPlace':
      return { body: { id: theirs.instrument.id, ...PLACE } };
    case 'changePlace':
      return { body: PLACE };
    case 'readYear':
      return { query: { from: 20_000, to: 20_100 } };
    case 'readDay':
      return { query: { day: 20_000 } };
    case 'addSensor':
      return { body: { id: theirs.instrument.id, kind: 'hand', name: 'Mine now', placeId: theirs.instrument.id } };
    case 'changeSensor':
      return { body: { name: 'Mine now', placeId: theirs.instrument.id } };
    case 'postReadings':
      return {
        body: {
          readings: [{ at: '2026-01-01T00:00:00.000Z', percent: 50, tempC: null, lowPercent: null, highPercent: null }],
        },
      };
    case 'addCheck':
      return {
        body: {
          id: theirs.instrument.id,
          at: '2026-01-01T00:00:00.000Z',
          salt: 'sodium-chloride',
          tempC: 20,
          shownRh: 0.7,
        },
      };
    case 'previewImport':
      return { body: 'time,rh\n2026-01-01 00:00,45\n' };
    case 'importFile':
      return { query: { plan: JSON.stringify(PLAN) }, body: 'time,rh\n2026-01-01 00:00,45\n' };
    case 'addCards':
      return { body: { cards: [{ id: theirs.instrument.id, ...priceOn(theirs.instrument.id) }] } };
    case 'changeCard':
      return { body: priceOn(theirs.instrument.id) };
    case 'previewCalendar':
      return { body: { text: 'BEGIN:VCALENDAR\r\nEND:VCALENDAR' } };
    case 'previewDiary':
      return { query: { instrumentId: theirs.instrument.id, onRecord: 'add' }, body: DIARY };
    case 'importDiary':
      return {
        query: {
          plan: JSON.stringify({
            delimiter: ',',
            skip: 1,
            date: 0,
            order: 'ymd',
            length: 1,
            unit: 'minutes',
            instrument: null,
          }),
          instrumentId: theirs.instrument.id,
          onRecord: 'add',
          leaveFaulty: true,
        },
        body: DIARY,
      };
    case 'offerInstrument':
      return { body: { instrumentId: theirs.instrument.id } };
    case 'lookAtOffer':
    case 'takeOffer':
      return { body: { key: `${theirs.instrument.id}.of-nobody` } };
    case 'printPassport': {
      const passport = { title: 'Mine now', about: '', sections: [], views: [], photos: [] };
      return { body: { passport } };
    }
    case 'previewContacts':
      return { body: 'BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Mine now\r\nEND:VCARD\r\n' };
    case 'makeShare':
      return { body: { visitId: theirs.instrument.id } };
    case 'keepPhoto':
      return { body: PHOTO.file };
    case 'changeReminders': {
      const times = { timeZone: 'UTC', quiet: { fromMin: 0, toMin: 0 }, digest: null };
      return { body: { mail: false, ...times, off: [], muted: [theirs.instrument.id] } };
    }
    case 'printLoan':
      return {
        body: { sheet: { title: 'Mine', about: '', sections: [], views: [], photos: [] }, signs: ['Me'] },
      };
    case 'printLabels':
      return { body: { instrumentIds: [theirs.instrument.id] } };
    case 'addPushDevice':
      return { body: { id: theirs.instrument.id, name: 'Phone', subscription: subscription() } };
    case 'answerNotice':
      return { body: { answer: 'done' } };
    case 'addPerson':
    case 'changePerson': {
      const person = { name: 'Mine now', role: 'keeper', plays: [], looksAfter: [] };
      return { body: id === 'addPerson' ? { id: theirs.instrument.id, ...person } : person };
    }
    case 'changeWays':
      return { body: { hands: 'low' } };
    case 'invite':
      return { body: { personId: theirs.instrument.id, email: null } };
    case 'acceptInvitation':
      return { body: { key: `${theirs.instrument.id}.of-nobody` } };
    case 'openHousehold':
      return { body: { householdId: theirs.household.id } };
    case 'changePassword':
      return { body: { password: PASSWORD, next: 'seven brass lanterns' } };
    case 'changeAddress':
      return { body: { password: PASSWORD, email: theirs.email } };
    case 'askToMakePasskey':
    case 'leaveForGood':
      return { body: { password: PASSWORD } };
    case 'addPasskey':
      return { body: { name: 'Mine now', made: authenticator('http://localhost:4317').make(ASKED) } };
    case 'simulate':
      return { body: { faults: [] } };
    default:
      return {};
  }
}

function callOf(
  { method, path, versioned }: Operation,
  theirs: Party,
  { query, body }: { query?: object; body?: object | string | Buffer },
) {
  // Whatever the path names is called by an id of theirs: an instrument, a place, a hygrometer, a check.
  const url =
    API_ROOT +
    path.replace(':atS', '1700000000').replace(':photo', PHOTO.hash).replaceAll(/:\w+/g, theirs.instrument.id);
  return (agent: ReturnType<typeof request.agent> | ReturnType<typeof request>) => {
    let call = agent[method](url).set(REQUEST_HEADER, '1');
    if (versioned) call = call.set('If-Match', '"1"');
    if (query) call = call.query(query);
    if (body instanceof Buffer) return call.type('image/jpeg').send(body);
    if (typeof body === 'string') return call.type('text/csv').send(body);
    return body ? call.send(body) : call;
  };
}

/** A room, a hygrometer with a key, a reading and a salt check, all under the id of the instrument. */
async function withAir({ browser, instrument: { id } }: Party) {
  await browser.post('/places', { id, ...PLACE }).expect(201);
  await browser.post('/sensors', { id, kind: 'post', name: 'Theirs', placeId: id }).expect(201);
  await browser
    .post(`/sensors/${id}/readings`, reachFor('postReadings', { instrument: { id } } as Party).body as object)
    .expect(200);
  await browser
    .post(`/sensors/${id}/checks`, reachFor('addCheck', { instrument: { id } } as Party).body as object)
    .expect(201);
}

/** A visit that was sent and answered, and an offer, all under the id of the instrument. */
async function withShare({ browser, household: { id: householdId }, instrument: { id } }: Party) {
  const brief = { instrumentId: id, title: 'Theirs', about: '', sections: [], wishes: '', photos: [] };
  const visit = { briefIds: [id], contactId: null, date: null, askedAt: null, endedAt: null };
  const briefId = uuid();
  await browser
    .post('/cards', {
      cards: [
        { id: briefId, kind: 'brief', facts: brief },
        { id, kind: 'visit', facts: { ...visit, briefIds: [briefId] } },
      ],
    })
    .expect(201);
  const { body } = await browser.post('/shares', { visitId: id }).expect(201);
  const { Share, ShareAnswer } = server.database.models;
  await Share.update({ id }, { where: { householdId, id: (body as { id: string }).id } });
  const offer = (await browser.post('/handovers', { instrumentId: id }).expect(201)).body as { id: string };
  await server.database.models.Handover.update({ id }, { where: { householdId, id: offer.id } });
  const answer = JSON.stringify({ kind: 'seen', from: '', note: 'Theirs' });
  await ShareAnswer.create({ householdId, shareId: id, id, at: new Date(), body: answer, settledAt: null });
}

/** Everything a household can see of itself. */
async function viewOf({ browser }: Party) {
  const [mine, log, air, cards, address, photos, shares, handovers, account, reminders] = await Promise.all([
    browser.get('/household').expect(200),
    browser.get('/events').expect(200),
    browser.get('/air').expect(200),
    browser.get('/cards').expect(200),
    browser.get('/calendar/address').expect(200),
    browser.get('/photos').expect(200),
    browser.get('/shares').expect(200),
    browser.get('/handovers').expect(200),
    browser.get('/account').expect(200),
    browser.get('/reminders').expect(200),
  ]);
  return {
    household: mine.body as unknown,
    events: (log.body as { events: unknown[] }).events,
    air: air.body as unknown,
    cards: cards.body as unknown,
    address: address.body as unknown,
    photos: photos.body as unknown,
    shares: shares.body as unknown,
    handovers: handovers.body as unknown,
    account: account.body as unknown,
    reminders: reminders.body as unknown,
  };
}

/** What is one household's, or one account's. */
const household_ = all.filter(([, { access }]) => access === 'household' || access === 'account');

describe('of a household with one of everything', () => {
  let theirs: Party;
  let before: Awaited<ReturnType<typeof viewOf>>;
  beforeAll(async () => {
    theirs = await household(server);
    await theirs.browser.postEvents(madeEvent(theirs.instrument.id, 'rosined', {})).expect(200);
    await withAir(theirs);
    await theirs.browser.post('/cards', { cards: [{ id: uuid(), ...priceOn(theirs.instrument.id) }] }).expect(201);
    await theirs.browser.post('/calendar/address').expect(201);
    await withShare(theirs);
    await theirs.browser.agent
      .post(`${API_ROOT}/instruments/${theirs.instrument.id}/photos/${PHOTO.hash}`)
      .set(REQUEST_HEADER, '1')
      .type('image/jpeg')
      .send(PHOTO.file)
      .expect(201);
    before = await viewOf(theirs);
  });

  test.each(household_)('%s answers 401 to somebody who is not signed in', async (id, operation) => {
    const answer = await callOf(operation, theirs, reachFor(id, theirs))(request(server.app));
    expect(answer.status).toBe(401);
    expect(answer.type).toBe('application/problem+json');
  });

  test.each(household_)('%s shows and changes nothing of it to another', async (id, operation) => {
    const mine = await household(server);
    const answer = await callOf(operation, theirs, reachFor(id, theirs))(mine.browser.agent);

    const text = JSON.stringify(answer.body);
    expect(text).not.toContain(theirs.household.id);
    // The address one asks for oneself is one's own to see.
    if (id !== 'changeAddress') expect(text).not.toContain(theirs.email);
    if (answer.status < 300 && !['addInstrument', 'addPlace', 'addPerson', 'addPushDevice'].includes(id))
      expect(text).not.toContain(theirs.instrument.id);
    // An import’s id is its own maker’s; what it names of another household is simply not there.
    if (operation.params) expect(answer.status).toBe(id === 'importDiary' ? 422 : 404);
    expect(await viewOf(theirs)).toEqual(before);
  });
});

/** Operations with bodies and ids that would do what they are for. */
const ofHousehold = all.filter(
  // Who leaves is no member any more: tried with the people.
  ([id, { access }]) => access === 'household' && id !== 'leaveHousehold',
) as [HouseholdOperationId, Operation][];

describe.each(['player', 'helper'] as const)('for a %s, with an instrument that is none of theirs', (role) => {
  let theirs: Party;
  let browser: Party['browser'];
  beforeAll(async () => {
    theirs = await household(server);
    await withAir(theirs);
    await withShare(theirs);
    await theirs.browser.postEvents(madeEvent(theirs.instrument.id, 'rosined', {})).expect(200);
    ({ browser } = await member(server, theirs, { role }));
  });

  test.each(ofHousehold)('%s shows and changes what the table of roles says, and no more', async (id, operation) => {
    const before = await viewOf(theirs);
    const answer = await callOf(operation, theirs, reachFor(id, theirs))(browser.agent);
    const deed = DEED_OF[id];
    if (mayDo(role, deed)) expect(answer.body.type).not.toBe('/problems/not-your-role');
    else expect([answer.status, answer.body.type]).toEqual([403, '/problems/not-your-role']);
    expect(JSON.stringify(answer.body)).not.toContain(theirs.email);
    // Rooms and hygrometers are everybody's here.
    if (REACH[role][deed] === 'all') return;
    expect(await viewOf(theirs)).toEqual(before);
    const { instruments, cards, events, photos } = answer.body as Record<string, unknown[] | undefined>;
    for (const list of [instruments, cards, events, photos]) expect(list ?? []).toEqual([]);
  });
});

test('the same instrument id in two households is two instruments', async () => {
  const [mine, theirs] = [await household(server), await household(server)];
  await mine.browser
    .post('/instruments', { id: theirs.instrument.id, name: 'Twin', ...usualFacts('cello') })
    .expect(201);
  expect((await viewOf(theirs)).household).toMatchObject({ instruments: [{ name: 'Heron', family: 'violin' }] });
});

test('the same event id in two households is two events', async () => {
  const [mine, theirs] = [await household(server), await household(server)];
  const event = madeEvent(theirs.instrument.id, 'rosined', {});
  await theirs.browser.postEvents(event).expect(200);
  const answer = await mine.browser.postEvents({ ...event, instrumentId: mine.instrument.id }).expect(200);
  expect(answer.body.outcomes[0].outcome).toBe('stored');
});

test('the database itself keeps an event from belonging to another household’s instrument', async () => {
  const [mine, theirs] = [await household(server), await household(server)];
  const now = new Date();
  const row = {
    seq: null,
    number: 1000,
    householdId: mine.household.id,
    id: uuid(),
    instrumentId: theirs.instrument.id,
    type: 'rosined',
    occurredAt: now,
    recordedAt: now,
    receivedAt: now,
    payload: '{}',
  };
  await expect(server.database.models.Event.create(row)).rejects.toThrow(/foreign key/i);
});

test('the server’s database user cannot change what is logged, nor the shape of tables', async () => {
  const { household: mine } = await household(server);
  const { sequelize, models } = server.database;
  await expect(models.Event.update({ payload: '{}' }, { where: { householdId: mine.id } })).rejects.toThrow(/denied/i);
  await expect(sequelize.query('DROP TABLE events')).rejects.toThrow(/denied/i);
  await expect(sequelize.query('CREATE TABLE more (id INT)')).rejects.toThrow(/denied/i);
  await expect(sequelize.query('SELECT * FROM mysql.global_priv')).rejects.toThrow(/denied/i);
});
