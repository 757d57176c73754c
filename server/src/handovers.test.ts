import { join } from 'node:path';
import { API_ROOT, REQUEST_HEADER, type Handover, type Household, type Offer } from '@tembrin/contract';
import { usualFacts, type LogEvent } from '@tembrin/core';
import { v7 as uuid } from 'uuid';
import { household, madeEvent, openServer, visitor, type TestServer } from './testing/fixtures';
import { madePhoto } from './testing/photos';

let server: TestServer;
beforeAll(() => {
  server = openServer({ PHOTOS_DIR: join(process.env.DATA_FOLDER!, 'photos-handed-over') });
});
afterAll(() => server.close());

type Party = Awaited<ReturnType<typeof household>>;
const PHOTO = madePhoto('of a cello');
const ROOM = {
  kind: 'room',
  name: 'Front room',
  roomId: null,
  volumeM3: null,
  draught: 'ordinary',
  heating: null,
  tankG: null,
  dryerG: null,
};
const log = async ({ browser }: Party) => (await browser.get('/events').expect(200)).body.events as LogEvent[];
const home = async ({ browser }: Party) => (await browser.get('/household').expect(200)).body as Household;
const photoOf = ({ browser }: Party, id: string) =>
  browser.agent.get(`${API_ROOT}/instruments/${id}/photos/${PHOTO.hash}`);

/** A cello with a life: entries, a room, a bow of its own and one it shares, a photograph, what it is told by. */
async function giver() {
  const party = await household(server);
  const { browser, instrument: violin } = party;
  const id = uuid();
  await browser.post('/instruments', { id, name: 'Tern', ...usualFacts('cello') }).expect(201);
  const room = uuid();
  await browser.post('/places', { id: room, ...ROOM }).expect(201);
  const day = (daysAgo: number) => Date.now() - daysAgo * 86_400_000;
  const moved = madeEvent(id, 'moved', { placeId: room, cased: true }, day(30));
  const events = [
    madeEvent(id, 'strings-fitted', { strings: null, reason: 'worn', known: true }, day(40)),
    moved,
    madeEvent(id, 'moved', { placeId: null, cased: true }, day(3)),
    madeEvent(id, 'retracted', { eventId: moved.id }, day(2)),
    madeEvent(
      id,
      'photographed',
      { photo: PHOTO.hash, look: null, zone: null, findingId: null, view: 'front' },
      day(1),
    ),
    madeEvent(violin.id, 'rosined', {}, day(1)),
  ];
  expect(
    (await browser.postEvents(...events).expect(200)).body.outcomes.map((each: { outcome: string }) => each.outcome),
  ).toEqual(events.map(() => 'stored'));
  const bow = { ownOf: null, use: 'often', gone: false };
  const identity = {
    instrumentId: id,
    label: 'At the sign of the Tern',
    made: '1890',
    serial: '',
    marks: '',
    value: null,
    insurer: '',
    policy: '',
    came: '',
  };
  await browser
    .post('/cards', {
      cards: [
        { id: uuid(), kind: 'bow', facts: { ...bow, title: 'Its own', instrumentIds: [id] } },
        { id: uuid(), kind: 'bow', facts: { ...bow, title: 'Shared', instrumentIds: [violin.id, id] } },
        { id: uuid(), kind: 'identity', facts: identity },
        { id: uuid(), kind: 'price', facts: { part: 'hair', by: 'workshop', instrumentId: id, low: 60, high: 80 } },
      ],
    })
    .expect(201);
  await browser.agent
    .post(`${API_ROOT}/instruments/${id}/photos/${PHOTO.hash}`)
    .set(REQUEST_HEADER, '1')
    .type('image/jpeg')
    .send(PHOTO.file)
    .expect(201);
  return { ...party, cello: id };
}
const offered = async ({ browser }: Party, instrumentId: string) =>
  (await browser.post('/handovers', { instrumentId }).expect(201)).body as Handover;

test('a cello goes over to another household with its whole life once both say so; the giver keeps a copy marked as given', async () => {
  const [from, to] = [await giver(), await household(server)];
  const offer = await offered(from, from.cello);
  await from.browser.post(`/handovers/${offer.id}/complete`).expect(409);
  const seen = (await to.browser.post('/handovers/look', { key: offer.key }).expect(200)).body as Offer;
  expect(seen).toMatchObject({ name: 'Tern', family: 'cello', entries: 5, photos: 1, mine: false, done: false });
  expect(JSON.stringify(seen)).not.toContain(from.household.id);
  await to.browser.post('/handovers/take', { key: offer.key }).expect(200);
  expect((await home(to)).instruments).toHaveLength(1);
  const [listed] = ((await from.browser.get('/handovers')).body as { handovers: Handover[] }).handovers;
  expect(listed).toMatchObject({ taker: to.household.name, doneAt: null });
  const done = (await from.browser.post(`/handovers/${offer.id}/complete`).expect(200)).body as Handover;
  expect(done.doneAt).not.toBeNull();
  // Again is harmless.
  await from.browser.post(`/handovers/${offer.id}/complete`).expect(200);

  const there = await home(to);
  // In the order in which they came on record, wherever that was.
  expect(there.instruments.map(({ name }) => name)).toEqual(['Tern', 'Heron']);
  const life = (await log(to)).filter(({ instrumentId }) => instrumentId === from.cello);
  // Rooms are the giver’s own.
  expect(life.map(({ type }) => type)).toEqual(['strings-fitted', 'moved', 'photographed']);
  const cards = (await to.browser.get('/cards')).body.cards as { kind: string; facts: Record<string, unknown> }[];
  expect(cards.map(({ kind, facts }) => [kind, facts.title ?? facts.label, facts.gone])).toEqual([
    ['bow', 'Its own', false],
    ['bow', 'Shared', true],
    ['identity', 'At the sign of the Tern', undefined],
  ]);
  expect(cards[1]!.facts.instrumentIds).toEqual([from.cello]);
  await photoOf(to, from.cello).expect(200);

  const here = await home(from);
  expect(here.instruments.map(({ name }) => name)).toEqual(['Heron']);
  expect(here.given).toMatchObject([{ name: 'Tern', givenTo: to.household.name }]);
  expect((await log(from)).filter(({ instrumentId }) => instrumentId === from.cello)).toHaveLength(5);
  const refused = await from.browser.postEvents(madeEvent(from.cello, 'rosined', {})).expect(200);
  expect(refused.body.outcomes[0].problem.detail).toMatch(/handed over/);
  const joined = await to.browser.postEvents(madeEvent(from.cello, 'rosined', {})).expect(200);
  expect(joined.body.outcomes[0].outcome).toBe('stored');
  // The giver's copy removed, the photograph is still the other's.
  await from.browser.remove(`/instruments/${from.cello}`, here.given[0]!.version).expect(204);
  await photoOf(from, from.cello).expect(404);
  await photoOf(to, from.cello).expect(200);
});

test('given back, it is the same instrument again, with what was lived elsewhere', async () => {
  const [from, to] = [await giver(), await household(server)];
  const over = async (one: Party, other: Party) => {
    const offer = await offered(one, from.cello);
    await other.browser.post('/handovers/take', { key: offer.key }).expect(200);
    await one.browser.post(`/handovers/${offer.id}/complete`).expect(200);
  };
  await over(from, to);
  await to.browser.postEvents(madeEvent(from.cello, 'rosined', {})).expect(200);
  await over(to, from);
  const back = await home(from);
  expect(back.given).toEqual([]);
  expect(back.instruments.map(({ name }) => name)).toEqual(['Heron', 'Tern']);
  expect((await log(from)).filter(({ instrumentId }) => instrumentId === from.cello)).toHaveLength(6);
});

test('the archive keeps what was given, out and in again', async () => {
  const [from, to, fresh] = [await giver(), await household(server), await household(server)];
  const offer = await offered(from, from.cello);
  await to.browser.post('/handovers/take', { key: offer.key }).expect(200);
  await from.browser.post(`/handovers/${offer.id}/complete`).expect(200);
  const { text } = await from.browser.get('/export/household.json').expect(200);
  const brought = await fresh.browser.agent
    .post(`${API_ROOT}/import/household`)
    .set(REQUEST_HEADER, '1')
    .type('text/csv')
    .send(text)
    .expect(200);
  expect(brought.body.left).not.toContain('cannot have been');
  expect((await home(fresh)).given).toMatchObject([{ name: 'Tern', givenTo: to.household.name }]);
  expect((await home(fresh)).instruments.map(({ name }) => name)).toContain('Heron');
});

test('an offer is for one: withdrawn, past, forged, one’s own, or accepted by another, it gives nothing', async () => {
  const [from, to, third] = [await giver(), await household(server), await household(server)];
  const take = ({ browser }: Party, key: string | null) => browser.post('/handovers/take', { key });
  const first = await offered(from, from.cello);
  const second = await offered(from, from.cello);
  await take(to, first.key).expect(404);
  await take(to, `${second.key}x`).expect(404);
  await take(to, `${uuid()}.${second.key!.split('.')[1]}`).expect(404);
  expect((await take(from, second.key).expect(422)).body.detail).toMatch(/yours already/);
  await take(to, second.key).expect(200);
  expect((await take(third, second.key).expect(409)).body.detail).toMatch(/Another household/);
  await third.browser.post(`/handovers/${second.id}/complete`).expect(404);
  await to.browser.post(`/handovers/${second.id}/complete`).expect(404);
  await server.database.models.Handover.update({ expiresAt: new Date(0) }, { where: { id: second.id } });
  await from.browser.post(`/handovers/${second.id}/complete`).expect(404);
  const last = await offered(from, from.cello);
  await from.browser.agent.delete(`${API_ROOT}/handovers/${last.id}`).set(REQUEST_HEADER, '1').expect(204);
  await take(to, last.key).expect(404);
  const demo = visitor(server);
  await demo.post('/demo', { timeZone: 'UTC' }).expect(201);
  const again = await offered(from, from.cello);
  expect((await demo.post('/handovers/take', { key: again.key }).expect(422)).body.detail).toMatch(/demo library/);
});
