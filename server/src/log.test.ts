import { EVENTS_PER_POST, type EventOutcome } from '@tembrin/contract';
import { foldLog, roundRecords, type LogEvent } from '@tembrin/core';
import { v7 as uuid } from 'uuid';
import { household, madeEvent, openServer, type TestServer } from './testing/fixtures';

let server: TestServer;
beforeAll(() => {
  server = openServer();
});
afterAll(() => server.close());

const HOUR = 3_600_000;
type Party = Awaited<ReturnType<typeof household>>;

async function post({ browser }: Party, ...events: unknown[]): Promise<EventOutcome[]> {
  return (await browser.postEvents(...events).expect(200)).body.outcomes;
}
async function stored({ browser }: Party): Promise<{ id: string }[]> {
  return (await browser.get('/events').expect(200)).body.events;
}
const session = (instrumentId: string, hoursAgo: number, hours: number) => {
  const began = madeEvent(instrumentId, 'session-began', {}, Date.now() - hoursAgo * HOUR);
  return [
    began,
    madeEvent(instrumentId, 'session-ended', { sessionId: began.id }, Date.now() - (hoursAgo - hours) * HOUR),
  ] as const;
};

test('what is stored comes back as it was sent', async () => {
  const party = await household(server);
  const [began, ended] = session(party.instrument.id, 5, 1);
  const step = madeEvent(party.instrument.id, 'step-done', { step: 'slacken', sessionId: began.id });
  const fitted = madeEvent(party.instrument.id, 'strings-fitted', { strings: [0, 3], reason: 'broke', known: true });
  expect((await post(party, began, ended, step, fitted)).map(({ outcome }) => outcome)).toEqual(
    new Array(4).fill('stored'),
  );
  expect(await stored(party)).toEqual([began, ended, step, fitted]);
});

test('posting twice, in one request or two, at once or later, stores once', async () => {
  const party = await household(server);
  const [began, ended] = session(party.instrument.id, 5, 1);
  await Promise.all(Array.from({ length: 6 }, () => post(party, began, ended, began)));
  expect((await post(party, began)).map(({ outcome }) => outcome)).toEqual(['known']);
  expect(await stored(party)).toHaveLength(2);
});

test('another event under a known id is refused, and the first stays', async () => {
  const party = await household(server);
  const event = madeEvent(party.instrument.id, 'rosined', {});
  await post(party, event);
  const [outcome] = await post(party, { ...event, occurredAt: new Date(Date.now() - 9 * HOUR).toISOString() });
  expect(outcome).toMatchObject({ outcome: 'refused', problem: { status: 409 } });
  expect(await stored(party)).toEqual([event]);
});

test('a bad line does not hold up the others', async () => {
  const party = await household(server);
  const good = madeEvent(party.instrument.id, 'rosined', {});
  const outcomes = await post(party, null, { type: 'danced' }, good, madeEvent(uuid(), 'rosined', {}));
  expect(outcomes.map(({ outcome }) => outcome)).toEqual(['refused', 'refused', 'stored', 'refused']);
  expect(outcomes[1]!.problem!.detail).toMatch(/Unknown event type/);
  expect(outcomes[3]!.problem!.detail).toMatch(/not in your household/);
  expect(await stored(party)).toHaveLength(1);
});

test.each([
  ['in the future', { at: Date.now() + 2 * HOUR, endedAt: Date.now() + 3 * HOUR }, /future.*clock/],
  [
    'before the instrument came',
    { at: Date.parse('2020-05-01T10:00:00Z'), endedAt: Date.parse('2020-05-01T11:00:00Z') },
    /since 2024-01-01/,
  ],
  ['ending before it begins', { at: Date.now() - 3 * HOUR, endedAt: Date.now() - 4 * HOUR }, /before it begins/],
  ['longer than a day', { at: Date.now() - 40 * HOUR, endedAt: Date.now() - 10 * HOUR }, /at most 24/],
  ['over another', { at: Date.now() - 55 * HOUR, endedAt: Date.now() - 53.5 * HOUR }, /overlaps.*retract/],
])('a session %s is refused with a sentence', async (_, { at, endedAt }, sentence) => {
  const party = await household(server);
  const { id, addedAt: _addedAt, version, ...facts } = party.instrument;
  await party.browser.put(`/instruments/${id}`, version, { ...facts, since: '2024-01-01' }).expect(200);
  await post(party, ...session(id, 54, 1));
  const [outcome] = await post(
    party,
    madeEvent(id, 'session-entered', { endedAt: new Date(endedAt).toISOString() }, at),
  );
  expect(outcome!.outcome).toBe('refused');
  expect(outcome!.problem!.detail).toMatch(sentence);
  expect(await stored(party)).toHaveLength(2);
});

test('two devices that recorded the same evening without a connection recorded one session, whichever comes first', async () => {
  const beganAt = Date.now() - 5 * HOUR;
  const evening = (minutesLater: number, steps: readonly ('slacken' | 'wipe-strings')[]) => {
    const at = beganAt + minutesLater * 60_000;
    return (instrumentId: string) => {
      const began = madeEvent(instrumentId, 'session-began', {}, at);
      const ended = madeEvent(instrumentId, 'session-ended', { sessionId: began.id }, at + HOUR);
      const done = steps.map((step) => madeEvent(instrumentId, 'step-done', { step, sessionId: began.id }, at + HOUR));
      return [began, ended, ...done];
    };
  };
  const [phone, tablet] = [evening(0, ['slacken']), evening(2, ['slacken', 'wipe-strings'])];
  for (const order of [
    [phone, tablet],
    [tablet, phone],
  ]) {
    const party = await household(server);
    for (const make of order) {
      const outcomes = await post(party, ...make(party.instrument.id));
      expect(outcomes.map(({ outcome }) => outcome)).not.toContain('refused');
    }
    const log = foldLog((await stored(party)) as LogEvent[], Date.now(), 'UTC');
    expect(log.sessions).toHaveLength(1);
    expect(log.sessions[0]!.endedAt! - log.sessions[0]!.beganAt).toBe(HOUR + 2 * 60_000);
    expect(roundRecords(log, log.sessions[0]!).size).toBe(2);
  }
});

test('two clocks started at once are one, and one forgotten for long is asked about first', async () => {
  const party = await household(server);
  const began = (secondsAgo: number) =>
    madeEvent(party.instrument.id, 'session-began', {}, Date.now() - secondsAgo * 1000);
  const [first, second, earlier] = [began(60), began(30), began(61)];
  const outcomes = [...(await post(party, first)), ...(await post(party, second)), ...(await post(party, earlier))];
  expect(outcomes.map(({ outcome }) => outcome)).toEqual(['stored', 'stored', 'stored']);
  const log = foldLog((await stored(party)) as LogEvent[], Date.now(), 'UTC');
  expect(log.running).toMatchObject({ id: earlier.id, parts: [earlier.id, first.id, second.id] });
  const other = await household(server);
  const at = (hoursAgo: number) => madeEvent(other.instrument.id, 'session-began', {}, Date.now() - hoursAgo * HOUR);
  await post(other, at(10));
  expect((await post(other, at(1)))[0]!.problem!.detail).toMatch(/clock has been running since/);
});

test('retracting makes room, and only what is there can be retracted', async () => {
  const party = await household(server);
  const [began, ended] = session(party.instrument.id, 5, 1);
  await post(party, began, ended);
  const again = madeEvent(
    party.instrument.id,
    'session-entered',
    { endedAt: ended.occurredAt },
    Date.parse(began.occurredAt),
  );
  expect((await post(party, again))[0]!.outcome).toBe('refused');
  const retraction = madeEvent(party.instrument.id, 'retracted', { eventId: began.id });
  expect((await post(party, retraction, again)).map(({ outcome }) => outcome)).toEqual(['stored', 'stored']);
  expect(
    (await post(party, madeEvent(party.instrument.id, 'retracted', { eventId: uuid() })))[0]!.problem!.detail,
  ).toMatch(/not in this instrument/);
});

test('the log is read page by page without a gap, however many write to it', async () => {
  const party = await household(server);
  const made = Array.from({ length: 5 * EVENTS_PER_POST }, (_, at) =>
    madeEvent(party.instrument.id, 'rosined', {}, Date.now() - (at + 2) * 60_000),
  );
  const read = new Set<string>();
  let after = 0;
  const readOn = async () => {
    const { body } = await party.browser.get(`/events?after=${after}`).expect(200);
    body.events.forEach(({ id }: { id: string }) => read.add(id));
    after = body.reached;
  };
  const writes = Array.from({ length: 5 }, (_, at) =>
    post(party, ...made.slice(at * EVENTS_PER_POST, (at + 1) * EVENTS_PER_POST)),
  );
  for (let tries = 0; tries < 4; tries++) await readOn();
  await Promise.all(writes);
  await readOn();
  expect(read.size).toBe(made.length);
});

test('too many events at once, none, or something else altogether', async () => {
  const { browser, instrument } = await household(server);
  const many = Array.from({ length: EVENTS_PER_POST + 1 }, () => madeEvent(instrument.id, 'rosined', {}));
  const say = async (body: object) => (await browser.post('/events', body).expect(422)).body.detail;
  expect(await say({ events: many })).toMatch(/at most 200/);
  expect(await say({ events: [] })).toMatch(/at least one/);
  expect(await say({ events: 'all of them' })).toMatch(/list of events/);
  expect((await browser.get('/events?after=soon').expect(422)).body.fields).toHaveProperty('after');
});

test('an entry about a bow names one of the household’s: that of an instrument, or one on a card', async () => {
  const party = await household(server);
  const { id } = party.instrument;
  const bow = uuid();
  const taken = (bowId: string) => madeEvent(id, 'bow-taken', { bowId });
  const [own, unknown] = await post(party, taken(id), taken(bow));
  expect(own!.outcome).toBe('stored');
  expect(unknown).toMatchObject({ outcome: 'refused', problem: { detail: expect.stringMatching(/no such bow/) } });
  const facts = { title: 'Spare', ownOf: null, instrumentIds: [id], use: 'seldom', gone: false };
  await party.browser.post('/cards', { cards: [{ id: bow, kind: 'bow', facts }] }).expect(201);
  const rehaired = madeEvent(id, 'rehaired', { reason: 'worn', known: true, bowId: bow });
  expect((await post(party, taken(bow), rehaired)).map(({ outcome }) => outcome)).toEqual(['stored', 'stored']);
  // Neither another household's bow, nor a card that names a stranger's instrument.
  const stranger = await household(server);
  expect((await post(stranger, madeEvent(stranger.instrument.id, 'bow-taken', { bowId: bow })))[0]!.outcome).toBe(
    'refused',
  );
  const foreign = { id: uuid(), kind: 'bow', facts: { ...facts, instrumentIds: [stranger.instrument.id] } };
  await party.browser.post('/cards', { cards: [foreign] }).expect(422);
});
