import { QueryTypes } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { household, madeEvent, openServer, PASSWORD, visitor, type TestServer } from '../testing/fixtures';
import { until } from '../testing/until';
import { hashed } from '../store/hashed';
import { forgetLimits } from './shared-counts';

describe('attempts', () => {
  const settings = { SIGN_IN_LIMIT: '3', TRUSTED_PROXIES: '1' };
  let strict: TestServer;
  let other: TestServer;
  beforeAll(() => {
    [strict, other] = [openServer(settings), openServer(settings)];
  });
  afterAll(() => Promise.all([strict.close(), other.close()]));
  /** A place of its own for each test. */
  let places = 0;
  const aPlace = () => `198.51.100.${++places}`;
  const attempt = (to: string, from: string, password = 'not this one', at = () => strict) =>
    visitor(at()).post('/sign-in', { email: to, password }).set('X-Forwarded-For', from);

  test('on one address from one place are limited, by all processes together; others go on', async () => {
    const { email } = await household(strict);
    const [here, there] = [aPlace(), aPlace()];
    await attempt(email, here).expect(401);
    await attempt(email, here, undefined, () => other).expect(401);
    await attempt(email, here).expect(401);
    const refused = await attempt(email.toUpperCase(), here, PASSWORD, () => other).expect(429);
    expect(refused.body.detail).toMatch(/Wait/);
    expect(Number(refused.headers['retry-after'])).toBeGreaterThan(0);
    // Somebody else's wrong guesses do not lock the owner out.
    await attempt(email, there, PASSWORD).expect(200);
    await attempt(`${uuid()}@example.org`, here).expect(401);
  });

  test('from anywhere on one address are limited, but for places somebody signed in from', async () => {
    const { email } = await household(strict);
    const home = aPlace();
    await attempt(email, home, PASSWORD).expect(200);
    // What a success takes back and remembers is written after its answer.
    const { sequelize } = strict.database;
    const hits = async () => {
      const named = { name: `guess-anywhere ${hashed(email)}` };
      const asked = 'SELECT hits FROM limits WHERE name = :name';
      const rows = await sequelize.query<{ hits: number }>(asked, { replacements: named, type: QueryTypes.SELECT });
      return rows[0]?.hits;
    };
    await until(async () => (await hits()) === 0);
    await sequelize.query(
      `INSERT INTO limits (name, hits, until) VALUES (:name, 200, UTC_TIMESTAMP(3) + INTERVAL 1 HOUR)
       ON DUPLICATE KEY UPDATE hits = 200`,
      { replacements: { name: `guess-anywhere ${hashed(email)}` } },
    );
    await attempt(email, aPlace()).expect(429);
    // The place is remembered after the answer, too.
    await until(async () => (await attempt(email, home, PASSWORD)).status === 200);
  });

  test('from a place that never signed in stay limited, whatever address it names to an operation that asks for none', async () => {
    const { email } = await household(strict);
    const stranger = aPlace();
    const ask = visitor(strict).post('/sign-in/passkey/ask', { email }).set('X-Forwarded-For', stranger);
    expect((await ask.expect(400)).body).toMatchObject({ type: '/problems/no-body' });
    await visitor(strict).post('/reminders/unsubscribe/none', { email }).set('X-Forwarded-For', stranger);
    const rows = await strict.database.sequelize.query('SELECT 1 FROM limits WHERE name = :name', {
      replacements: { name: `known ${hashed(`${email} ${stranger}`)}` },
      type: QueryTypes.SELECT,
    });
    expect(rows).toEqual([]);
  });

  test('at having letters sent to one address are limited, whichever account and page asks', async () => {
    const victim = `${uuid()}@example.org`;
    const statuses: number[] = [];
    for (let each = 0; each < 7; each++) {
      const { browser } = await household(strict);
      const body = { password: PASSWORD, email: victim };
      const asked = await browser.post('/account/address', body).set('X-Forwarded-For', aPlace());
      statuses.push(asked.status);
    }
    expect(statuses).toEqual([200, 200, 200, 200, 200, 429, 429]);
    await visitor(strict).post('/forgotten-password', { email: victim }).set('X-Forwarded-For', aPlace()).expect(429);
  });

  test('are forgotten once they are past', async () => {
    const { sequelize } = strict.database;
    const count = async () =>
      (await sequelize.query("SELECT 1 FROM limits WHERE name LIKE 'guess %'", { type: QueryTypes.SELECT })).length;
    await attempt(`${uuid()}@example.org`, aPlace()).expect(401);
    expect(await count()).toBeGreaterThan(0);
    await sequelize.query("UPDATE limits SET until = '2020-01-01' WHERE name LIKE 'guess %'");
    await forgetLimits(strict.database);
    expect(await count()).toBe(0);
  });
});

test('a household that changes too much at once is told to wait, and others are not', async () => {
  const strict = openServer({ HOUSEHOLD_LIMIT: '4' });
  const [mine, theirs] = [await household(strict), await household(strict)];
  const post = ({ browser, instrument }: typeof mine) => browser.postEvents(madeEvent(instrument.id, 'rosined', {}));
  for (let posts = 0; posts < 3; posts++) await post(mine).expect(200);
  expect((await post(mine).expect(429)).body.detail).toMatch(/kept on this device/);
  await post(theirs).expect(200);
  await mine.browser.get('/household').expect(200);
  await strict.close();
});
