import { createConnection, type Connection } from 'mariadb';
import { userInfo } from 'node:os';
import { join } from 'node:path';
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

describe('whatever becomes of a connection, a read ends as an answer or an error of its own', () => {
  let owner: Connection;
  beforeAll(async () => {
    const socketPath = join(process.env.DATA_FOLDER!, 'mariadb.sock');
    owner = await createConnection({ socketPath, user: userInfo().username });
  });
  afterAll(async () => {
    await owner.query('SET GLOBAL max_prepared_stmt_count = DEFAULT');
    await owner.end();
  });

  test('where the database takes no more prepared statements', async () => {
    const { reads } = server.database;
    await reads.rows('SELECT ? AS earlier', [1]);
    await owner.query('SET GLOBAL max_prepared_stmt_count = 0');
    const asked = Array.from({ length: 12 }, (_, at) => reads.rows(`SELECT ? AS fresh${at}`, [at]));
    expect(await Promise.all(asked)).toEqual(asked.map((_, at) => [{ [`fresh${at}`]: at }]));
  });

  test('where its statement is killed, or its connection', async () => {
    const { reads } = server.database;
    const ended = reads.rows('SELECT SLEEP(?) AS slept', [20]).catch((error: unknown) => error);
    const running = "SELECT id FROM information_schema.processlist WHERE info LIKE 'SELECT SLEEP(%'";
    const ids = async () => (await owner.query<{ id: bigint }[]>(running)).map(({ id }) => Number(id));
    let [id] = await ids();
    while (id === undefined) [id] = await ids();
    await owner.query(`KILL CONNECTION ${id}`);
    expect(await ended).toMatchObject({ fatal: true });
    expect(await reads.rows('SELECT ? AS later', [1])).toEqual([{ later: 1 }]);
  });

  test('where a table is altered between two reads of it', async () => {
    const { reads } = server.database;
    const database = process.env.DATABASE_NAME!;
    await owner.query(`CREATE OR REPLACE TABLE ${database}.altered (a INT)`);
    await owner.query(`GRANT SELECT ON ${database}.altered TO '${process.env.DATABASE_USER!}'@'127.0.0.1'`);
    await owner.query(`INSERT INTO ${database}.altered VALUES (1)`);
    const read = () => reads.rows('SELECT * FROM altered WHERE a = ?', [1]);
    expect(await read()).toEqual([{ a: 1 }]);
    await owner.query(
      `ALTER TABLE ${database}.altered ADD b DATETIME(3) DEFAULT '2026-03-14 18:05:00.250', ADD c TEXT`,
    );
    expect(await read()).toEqual([{ a: 1, b: new Date('2026-03-14T18:05:00.250Z'), c: null }]);
    await owner.query(`DROP TABLE ${database}.altered`);
  });
});
