import type { Household, LogPage } from '@tembrin/contract';
import type { LogEvent } from '@tembrin/core';
import { until } from './testing/until';
import { DemoLibraries } from './jobs/demo-libraries';
import { household, madeEvent, openServer, visitor, type TestServer, type Visitor } from './testing/fixtures';

let server: TestServer;
beforeAll(() => {
  server = openServer();
});
afterAll(() => server.close());

async function opened(timeZone = 'Europe/Lisbon') {
  const browser = visitor(server);
  const { body } = await browser.post('/demo', { timeZone }).expect(201);
  return { browser, library: body as Household };
}

async function logOf(browser: Visitor): Promise<LogEvent[]> {
  const events: LogEvent[] = [];
  for (let after = 0, more = true; more;) {
    const page = (await browser.get(`/events?after=${after}`).expect(200)).body as LogPage;
    events.push(...page.events);
    ({ reached: after, more } = page);
  }
  return events;
}

const rowOf = async (id: string) => (await server.database.models.Household.findOne({ where: { id } }))!;

test('every visitor gets a copy of their own, full of history', async () => {
  const [one, two] = [await opened(), await opened()];
  expect(one.library).toMatchObject({ demo: true, email: null });
  expect(two.library.id).not.toBe(one.library.id);
  const instrument = one.library.instruments[0]!;
  const added = madeEvent(instrument.id, 'rosined', {}, Date.now());
  await one.browser.postEvents(added).expect(200);
  const [mine, theirs] = [await logOf(one.browser), await logOf(two.browser)];
  expect(theirs.length).toBeGreaterThan(10_000);
  expect(mine).toHaveLength(theirs.length + 1);
  expect(mine.at(-1)!.id).toBe(added.id);
  expect(new Set(mine.map(({ id }) => id)).size).toBe(mine.length);
}, 60_000);

test('what copies share is in each of them as if it were its own', async () => {
  const { browser, library } = await opened();
  const before = await logOf(browser);
  // The log itself is stored once, for all of them.
  expect(await server.database.models.Event.count({ where: { householdId: library.id } })).toBe(0);
  const outcomes = (await browser.postEvents(before[7]!, { ...before[8]!, payload: { odd: 1 } }).expect(200)).body;
  expect(outcomes.outcomes.map(({ outcome }: { outcome: string }) => outcome)).toEqual(['known', 'refused']);
  const taken = madeEvent(before[7]!.instrumentId, 'retracted', { eventId: before[7]!.id }, Date.now());
  expect((await browser.postEvents(taken).expect(200)).body.outcomes[0].outcome).toBe('stored');
  const [gone] = library.instruments;
  await browser.remove(`/instruments/${gone!.id}`, gone!.version).expect(204);
  const after = await logOf(browser);
  expect(after.some(({ instrumentId }) => instrumentId === gone!.id)).toBe(false);
  const stay = before.filter(({ instrumentId }) => instrumentId !== gone!.id).map(({ id }) => id);
  expect(after.map(({ id }) => id).filter((id) => id !== taken.id)).toEqual(stay);
}, 60_000);

test('copies past their time are cleared away, and masters once no copy hangs on them', async () => {
  const { browser, library } = await opened();
  const { demos, database } = server;
  const master = (await rowOf(library.id)).base!;
  const hoursOn = (hours: number) => new Date(Date.now() + hours * 3_600_000);
  await demos.clear(hoursOn(13));
  await browser.get('/household').expect(200);
  expect((await logOf(browser)).length).toBeGreaterThan(10_000);
  // Whoever writes meanwhile waits for none of it.
  const other = await household(server);
  const transaction = await database.sequelize.transaction();
  await database.models.Household.findOne({ where: { id: other.household.id }, transaction, lock: true });
  // Where another process is just clearing, it is left to that one.
  await until(async () => {
    await demos.clear(hoursOn(49));
    return (await browser.get('/household')).status === 401;
  });
  await transaction.rollback();
  expect(await database.models.Household.count({ where: { id: master } })).toBe(0);
  expect(await database.models.Event.count({ where: { householdId: master } })).toBe(0);
}, 60_000);

test('of many copies the longest unchanged goes, and of many time zones the nearest clocks serve', async () => {
  const few = new DemoLibraries(server.database, { copies: 2, masters: 1 });
  await few.clear(new Date(Date.now() + 100 * 3_600_000));
  const one = await few.take('Europe/Lisbon');
  const two = await few.take('Asia/Tokyo');
  expect((await rowOf(two.householdId)).timeZone).toBe('Europe/Lisbon');
  await server.database.models.Household.update(
    { openedAt: new Date(Date.now() - 60_000) },
    { where: { id: two.householdId } },
  );
  const three = await few.take('Europe/Lisbon');
  const there = await server.database.models.Household.findAll({ where: { demo: true }, attributes: ['id'] });
  const ids = there.map(({ id }) => id);
  expect(ids).toEqual(expect.arrayContaining([one.householdId, three.householdId]));
  expect(ids).not.toContain(two.householdId);
}, 60_000);

test('two that ask at once for a new time zone have it made once', async () => {
  const other = openServer();
  const both = await Promise.all([server, other].map(({ demos }) => demos.take('Atlantic/Azores')));
  const [one, two] = await Promise.all(both.map(({ householdId }) => rowOf(householdId)));
  expect(one!.base).toBe(two!.base);
  await other.close();
}, 60_000);
