import { household, openServer, type TestServer } from '../testing/fixtures';
import { placeholders } from './reads';

let server: TestServer;
beforeAll(() => {
  server = openServer();
});
afterAll(() => server.close());

test('what is read past the models is what they read', async () => {
  const { household: mine } = await household(server);
  const { reads, models } = server.database;
  const [row] = await reads.rows<Record<string, unknown>>('SELECT * FROM households WHERE id = ?', [mine.id]);
  const theirs = (await models.Household.findOne({ where: { id: mine.id } }))!.get({ plain: true });
  expect({ ...row, demo: Boolean(row!.demo) }).toMatchObject({
    ...theirs,
    logNumber: Number(theirs.logNumber),
    baseNumber: Number(theirs.baseNumber),
  });
  // To the millisecond, whatever the clock of this machine shows.
  expect(row!.createdAt).toEqual(theirs.createdAt);
});

test('a list is asked for with a place for each of it, however long it is', async () => {
  const { household: mine, instrument } = await household(server);
  const { reads } = server.database;
  for (const length of [1, 200]) {
    const ids = Array.from({ length }, (_, at) => (at === length - 1 ? instrument.id : `none-${at}`));
    const sql = `SELECT id FROM instruments WHERE householdId = ? AND id IN ${placeholders(ids)}`;
    expect(await reads.rows(sql, [mine.id, ...ids])).toEqual([{ id: instrument.id }]);
  }
});

test('more askers than connections are all answered, and it is told how many are in use', async () => {
  const { reads } = server.database;
  const asked = Array.from({ length: 40 }, (_, at) =>
    reads.rows<{ one: number }>('SELECT ? + SLEEP(0.05) AS one', [at]),
  );
  await new Promise((resolve) => setTimeout(resolve, 200));
  expect(reads.used).toBeGreaterThan(1);
  expect((await Promise.all(asked)).map(([row]) => Number(row!.one))).toEqual(
    Array.from({ length: 40 }, (_, at) => at),
  );
  expect(reads.used).toBe(0);
});

test('what cannot be asked fails, and the next is answered', async () => {
  const { reads } = server.database;
  await expect(reads.rows('SELECT nothing FROM households', [])).rejects.toMatchObject({ errno: 1054 });
  expect(await reads.rows('SELECT 1 AS one', [])).toEqual([{ one: 1 }]);
});
