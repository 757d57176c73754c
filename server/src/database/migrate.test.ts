import { usualFacts, setUpSchema } from '@tembrin/core';
import { QueryTypes, type Sequelize } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { databaseAddress, readConfig } from '../config';
import { connect } from './connect';
import { migrate } from './migrate';

/** Each statement of all migrations is another run: on a slow machine that takes minutes. */
const SLOW_MS = 300_000;

/** A database of its own, empty at first, with the user that may change its tables. */
const OWNER = {
  ...databaseAddress(readConfig(process.env)),
  name: process.env.MIGRATIONS_DATABASE!,
  user: process.env.DATABASE_OWNER!,
  password: process.env.DATABASE_OWNER_PASSWORD!,
};
const SERVER = process.env.DATABASE_USER!;
let sequelize: Sequelize;
let close: () => Promise<void>;
beforeAll(() => ({ sequelize, close } = connect(OWNER)));
afterAll(() => close());
beforeEach(async () => {
  // A run that is broken off at its rollback is told of on the console.
  jest.spyOn(console, 'warn').mockImplementation(() => undefined);
  await sequelize.query('SET FOREIGN_KEY_CHECKS = 0');
  const drop = (await tables()).map((name) => `DROP TABLE \`${name}\``);
  await sequelize.transaction(async (transaction) => {
    for (const sql of ['SET FOREIGN_KEY_CHECKS = 0', ...drop]) await sequelize.query(sql, { transaction });
  });
});

async function tables(): Promise<string[]> {
  const found = await sequelize.query<Record<string, string>>('SHOW TABLES', { type: QueryTypes.SELECT });
  return found.map((row) => Object.values(row)[0]!);
}

/** How every table is made, by its name. */
async function shape(): Promise<Record<string, string>> {
  const made: Record<string, string> = {};
  for (const name of await tables()) {
    const [row] = await sequelize.query<Record<string, string>>(`SHOW CREATE TABLE \`${name}\``, {
      type: QueryTypes.SELECT,
    });
    made[name] = row!['Create Table']!.replace(/ AUTO_INCREMENT=\d+/, '');
  }
  return made;
}

class Killed extends Error {}

/** Brings it up to date, but for being killed before a statement. @returns whether it came to its end */
async function killedBefore(statement: number): Promise<boolean> {
  let count = 0;
  try {
    await migrate(OWNER, SERVER, undefined, () => {
      if (++count >= statement) throw new Killed();
    });
    return true;
  } catch (error) {
    if (error instanceof Killed) return false;
    throw error;
  }
}

/** How many migrations are on record as carried out. */
async function carriedOut(): Promise<number> {
  if (!(await tables()).includes('migrations')) return 0;
  return (await sequelize.query('SELECT name FROM migrations', { type: QueryTypes.SELECT })).length;
}

/**
 * Each run is killed one statement further on than the one before, on what that one left behind, beginning anew with each
 * migration: so at every statement of each.
 * @param until it goes on while this is not so
 * @returns how many runs it took
 */
async function killedAtEach(until: (done: number) => Promise<boolean> = () => Promise.resolve(false)): Promise<number> {
  let [runs, before] = [0, 0];
  for (let statement = 1; ; statement++) {
    runs++;
    if (await killedBefore(statement)) return runs;
    const done = await carriedOut();
    if (await until(done)) return runs;
    if (done > before) statement = 0;
    before = done;
  }
}

test(
  'killed at any statement, the next start goes on from there, and comes to the same',
  async () => {
    expect(await killedAtEach()).toBeGreaterThan(70);
    const broken = await shape();
    expect(await migrate(OWNER, SERVER)).toEqual([]);

    await sequelize.transaction(async (transaction) => {
      await sequelize.query('SET FOREIGN_KEY_CHECKS = 0', { transaction });
      for (const name of Object.keys(broken)) await sequelize.query(`DROP TABLE \`${name}\``, { transaction });
    });
    expect(await migrate(OWNER, SERVER)).toHaveLength(13);
    expect(await shape()).toEqual(broken);
  },
  SLOW_MS,
);

test('two that start at once do not get in each other’s way', async () => {
  const both = await Promise.all([migrate(OWNER, SERVER), migrate(OWNER, SERVER)]);
  expect(both.map(({ length }) => length).sort()).toEqual([0, 13]);
});

test(
  'what instruments were is kept, however often a broken run began to widen it',
  async () => {
    // As the first version left it, with an instrument of each answer.
    await killedAtEach(async (done) => done === 1);
    const householdId = uuid();
    await sequelize.query(
      "INSERT INTO households (id, name, timeZone, schools, createdAt) VALUES (:householdId, 'Ours', 'UTC', '{}', NOW())",
      {
        replacements: { householdId },
      },
    );
    const before = { rested: { shoulderRest: true, case: 'soft' }, bare: { shoulderRest: false, case: 'none' } };
    for (const [name, setUp] of Object.entries(before))
      await sequelize.query(
        "INSERT INTO instruments (householdId, id, name, family, stringCount, setUp, addedAt) VALUES (:householdId, :id, :name, 'violin', 4, :setUp, NOW())",
        { replacements: { householdId, id: uuid(), name, setUp: JSON.stringify(setUp) } },
      );
    await killedAtEach();
    const rows = await sequelize.query<{ name: string; setUp: string }>('SELECT name, setUp FROM instruments', {
      type: QueryTypes.SELECT,
    });
    const found = Object.fromEntries(rows.map(({ name, setUp }) => [name, setUpSchema.parse(JSON.parse(setUp))]));
    const usual = usualFacts('violin').setUp;
    expect(found).toEqual({
      rested: { ...usual, shoulderRest: 'rest', case: 'soft' },
      bare: { ...usual, shoulderRest: 'none', case: 'none' },
    });
  },
  SLOW_MS,
);
