import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { API_ROOT, REQUEST_HEADER, type Account } from '@tembrin/contract';
import { QueryTypes } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { sweepPhotos } from './photos/sweep';
import { stayAfterAll, sweepAccounts } from './store/account/leaving';
import { authenticator } from './testing/authenticator';
import { household, madeEvent, openServer, PASSWORD, visitor, type TestServer, type Visitor } from './testing/fixtures';
import { madePhoto } from './testing/photos';

const ORIGIN = 'http://localhost:4317';
const NEXT = 'seven brass lanterns';
const DAY_MS = 86_400_000;

const folder = mkdtempSync(join(tmpdir(), 'tembrin-accounts-'));
let server: TestServer;
beforeAll(() => {
  server = openServer({ PUBLIC_URL: ORIGIN, PHOTOS_DIR: folder });
});
afterAll(async () => {
  await server.close();
  rmSync(folder, { recursive: true, force: true });
});

/** Does what is due, letters among it. */
const deliver = () => server.office.queue.drain();
const signIn = (email: string, password = PASSWORD, browser = visitor(server)) => ({
  browser,
  answer: browser.post('/sign-in', { email, password }),
});
/** Signed in on another device too. */
async function onAnother(email: string, password = PASSWORD): Promise<Visitor> {
  const { browser, answer } = signIn(email, password);
  await answer.expect(200);
  return browser;
}
const accountOf = async ({ get }: Visitor) => (await get('/account').expect(200)).body as Account;
const deeds = async (browser: Visitor) => (await accountOf(browser)).record.map(({ deed }) => deed);
const erase = ({ agent }: Visitor, path: string) => agent.delete(API_ROOT + path).set(REQUEST_HEADER, '1');

describe('a password', () => {
  test.each([
    ['short', /at least 12/],
    ['x'.repeat(129), /at most 128/],
    ['passwordpassword', /easy to guess|commonly used|Repeated/],
    ['qwertyuiop[]asdf', /easy to guess|keyboard/],
    ['aaaaaaaaaaaaaaaaaaaa', /easy to guess/],
  ])('%s is not taken, with what to do', async (password, told) => {
    const account = { email: `${uuid()}@example.org`, password, timeZone: 'UTC' };
    const { body } = await visitor(server).post('/accounts', account).expect(422);
    expect((body as { fields: { password: string } }).fields.password).toMatch(told);
  });

  test('made of its owner’s address is not taken', async () => {
    const account = { email: 'heronmarshgate@example.org', password: 'heronmarshgate', timeZone: 'UTC' };
    await visitor(server).post('/accounts', account).expect(422);
  });

  // Rules of composition keep people from what they remember: none is asked for.
  test.each(['quiet harbour tern boats', '…—–…—– жёлтая цапля', '潮風と静かな弓の音色を聴く', '8263 9174 0582 6613'])(
    '%s is taken',
    async (password) => {
      const email = `${uuid()}@example.org`;
      await visitor(server).post('/accounts', { email, password, timeZone: 'UTC' }).expect(201);
      await signIn(email, password).answer.expect(200);
    },
  );

  test('typed with signs of another form is the same', async () => {
    const email = `${uuid()}@example.org`;
    // Full-width letters, an accent apart, a ligature (Unicode Standard Annex 15).
    await visitor(server)
      .post('/accounts', { email, password: 'Ｑｕａｙ cafe\u0301 ﬁddle', timeZone: 'UTC' })
      .expect(201);
    await signIn(email, 'Quay café fiddle').answer.expect(200);
    await signIn(email, 'Quay cafe fiddle').answer.expect(401);
  });

  test('is judged soon, however long and odd', async () => {
    for (const part of ['p4ssw0rd', 'aA1!', '@4$5sS', '({[<'])
      await visitor(server)
        .post('/accounts', { email: `${uuid()}@example.org`, password: part.repeat(40).slice(0, 128), timeZone: 'UTC' })
        .timeout(2000)
        .ok(({ status }) => status === 422 || status === 201);
  });

  test('is changed with the old one; everywhere else is signed out, and the owner is told', async () => {
    const { browser, email } = await household(server);
    const elsewhere = await onAnother(email);
    const change = (password: string, next: string) => browser.post('/account/password', { password, next });
    expect((await change('not this one', NEXT).expect(422)).body.fields.password).toMatch(/not the password/);
    expect((await change(PASSWORD, 'aaaaaaaaaaaa').expect(422)).body.fields.next).toMatch(/guess/);
    await elsewhere.get('/household').expect(200);
    await change(PASSWORD, NEXT).expect(200);
    await elsewhere.get('/household').expect(401);
    await browser.get('/household').expect(200);
    await signIn(email).answer.expect(401);
    await signIn(email, NEXT).answer.expect(200);
    await deliver();
    expect(server.post.to(email)[0]).toMatchObject({ subject: 'Your password was changed' });
    expect(await deeds(browser)).toEqual(
      expect.arrayContaining(['password-changed', 'sign-in-refused', 'signed-in', 'made']),
    );
  });
});

describe('a forgotten password', () => {
  const forgot = (email: string) => visitor(server).post('/forgotten-password', { email });
  const reset = (key: string, password = NEXT) => visitor(server).post('/forgotten-password/reset', { key, password });

  test('is replaced with the link that was sent, once; everybody is signed out', async () => {
    const { browser, email } = await household(server);
    await forgot(email).expect(204);
    await deliver();
    const key = server.post.keyTo(email);
    // What is too easily guessed does not use the link up.
    await reset(key, 'aaaaaaaaaaaa').expect(422);
    await reset(key).expect(204);
    await browser.get('/household').expect(401);
    await signIn(email).answer.expect(401);
    await signIn(email, NEXT).answer.expect(200);
    expect((await reset(key, 'eleven copper kettles').expect(404)).body.detail).toMatch(/Ask for another/);
    await signIn(email, NEXT).answer.expect(200);
    await deliver();
    expect(server.post.to(email)[0]!.subject).toBe('Your password was replaced');
  });

  test('puts out whoever added a passkey before, and says so', async () => {
    const { browser, email } = await household(server);
    const device = authenticator(ORIGIN);
    const asked = (await browser.post('/account/passkeys/ask', { password: PASSWORD }).expect(200)).body;
    await browser.post('/account/passkeys', { name: 'Theirs', made: device.make(asked) }).expect(201);
    await forgot(email).expect(204);
    await deliver();
    await reset(server.post.keyTo(email)).expect(204);
    const intruder = visitor(server);
    const used = device.use((await intruder.post('/sign-in/passkey/ask').expect(200)).body);
    await intruder.post('/sign-in/passkey', { used }).expect(401);
    await deliver();
    expect(server.post.to(email)[0]!.text).toContain('All passkeys were removed too.');
    const { browser: owner, answer } = signIn(email, NEXT);
    await answer.expect(200);
    expect((await accountOf(owner)).passkeys).toEqual([]);
  });

  test('is answered alike whether the address has an account or not, and nothing is done before the answer', async () => {
    const { email } = await household(server);
    const nobody = `${uuid()}@example.org`;
    const [known, unknown] = [await forgot(email).expect(204), await forgot(nobody).expect(204)];
    expect(unknown.text).toBe(known.text);
    expect(Object.keys(unknown.headers).sort()).toEqual(Object.keys(known.headers).sort());
    // The same was put down for both: a job, that finds nobody in one case.
    const jobs = await server.database.models.Job.findAll({ where: { kind: 'forgotten' }, raw: true });
    expect(jobs.map(({ data }) => JSON.parse(data) as unknown)).toEqual(
      expect.arrayContaining([{ email }, { email: nobody }]),
    );
    await deliver();
    expect(server.post.to(nobody)).toEqual([]);
    expect(server.post.to(email)).toHaveLength(1);
  });

  test('a link is good for half an hour, and only the newest', async () => {
    const { email } = await household(server);
    await forgot(email).expect(204);
    await deliver();
    const first = server.post.keyTo(email);
    await forgot(email).expect(204);
    await deliver();
    const second = server.post.keyTo(email);
    await reset(first).expect(404);
    await server.database.models.AccountLink.update({ expiresAt: new Date(Date.now() - 1) }, { where: {} });
    await reset(second).expect(404);
    await signIn(email).answer.expect(200);
  });

  test.each(['reset.', 'reset.x', `reset.${uuid()}`, `reset.${uuid()}.AAAA`, 'confirm-old.x', '', '\0'])(
    'a link made up is good for nothing: %j',
    async (key) => {
      await reset(key).expect(404);
    },
  );

  test('what the database holds makes no link', async () => {
    const { email } = await household(server);
    await forgot(email).expect(204);
    await deliver();
    const key = server.post.keyTo(email);
    const { models } = server.database;
    const kept = JSON.stringify([
      await models.AccountLink.findAll({ raw: true }),
      await models.Job.findAll({ raw: true }),
    ]);
    expect(kept).not.toContain(key.split('.')[2]);
  });

  test('is asked for a few times an hour for one address', async () => {
    const email = `${uuid()}@example.org`;
    for (let time = 0; time < 5; time++) await forgot(email).expect(204);
    expect((await forgot(email).expect(429)).body.detail).toMatch(/Look for the mail first/);
  });

  test('a mail server that is down keeps the letter until it is up', async () => {
    const { email } = await household(server);
    await forgot(email).expect(204);
    server.post.down = true;
    await deliver();
    server.post.down = false;
    expect(server.post.to(email)).toEqual([]);
    await server.office.queue.drain(() => new Date(Date.now() + 2 * 60_000));
    expect(server.post.to(email)).toHaveLength(1);
  });

  test('without a way out for mail says so to everybody', async () => {
    const { accounts, reminders } = server.office;
    const office = { accounts: { ...accounts, mail: false }, reminders };
    const silent = openServer({ PUBLIC_URL: ORIGIN }, { office });
    expect(
      (await visitor(silent).post('/forgotten-password', { email: 'x@example.org' }).expect(503)).body.detail,
    ).toMatch(/SMTP_URL/);
    await silent.close();
  });
});

describe('another address', () => {
  const ask = (browser: Visitor, email: string, password = PASSWORD) =>
    browser.post('/account/address', { password, email });
  const confirm = (key: string) => visitor(server).post('/account/address/confirm', { key });

  test('is there once both addresses were confirmed', async () => {
    const { browser, email } = await household(server);
    const wanted = `${uuid()}@example.org`;
    await ask(browser, wanted, 'not this one').expect(422);
    await ask(browser, email).expect(422);
    const { body } = await ask(browser, wanted).expect(200);
    expect(body).toMatchObject({ email, change: { email: wanted, atOld: false, atNew: false } });
    await deliver();
    expect((await confirm(server.post.keyTo(wanted)).expect(200)).body).toEqual({
      outcome: 'other-asked',
      email: wanted,
    });
    expect(await accountOf(browser)).toMatchObject({ email, change: { atOld: false, atNew: true } });
    await signIn(wanted).answer.expect(401);
    expect((await confirm(server.post.keyTo(email)).expect(200)).body).toEqual({ outcome: 'changed', email: wanted });
    expect(await accountOf(browser)).toMatchObject({ email: wanted, change: null });
    await signIn(email).answer.expect(401);
    await signIn(wanted).answer.expect(200);
    await deliver();
    for (const to of [email, wanted]) expect(server.post.to(to)[0]!.subject).toBe('Your address was changed');
    await confirm(server.post.keyTo(email)).expect(404);
  });

  test('is there too where both are confirmed at the same moment', async () => {
    for (let time = 0; time < 4; time++) {
      const { browser, email } = await household(server);
      const wanted = `${uuid()}@example.org`;
      await ask(browser, wanted).expect(200);
      await deliver();
      const keys = [server.post.keyTo(wanted), server.post.keyTo(email)];
      const answers = await Promise.all(keys.map((key) => confirm(key).expect(200)));
      const outcomes = answers.map(({ body }) => (body as { outcome: string }).outcome);
      expect(outcomes.sort()).toEqual(['changed', 'other-asked']);
      expect(await accountOf(browser)).toMatchObject({ email: wanted, change: null });
    }
  });

  test('is given up; its links are good for nothing then', async () => {
    const { browser, email } = await household(server);
    const wanted = `${uuid()}@example.org`;
    await ask(browser, wanted).expect(200);
    await deliver();
    expect((await erase(browser, '/account/address').expect(200)).body).toMatchObject({ email, change: null });
    await confirm(server.post.keyTo(wanted)).expect(404);
  });

  test('that somebody has is asked for like any other: only who reads its mail learns of it', async () => {
    const [mine, theirs] = [await household(server), await household(server)];
    await ask(mine.browser, theirs.email).expect(200);
    await deliver();
    await confirm(server.post.keyTo(mine.email)).expect(200);
    expect((await confirm(server.post.keyTo(theirs.email)).expect(409)).body.detail).toMatch(/already/);
    expect(await accountOf(mine.browser)).toMatchObject({ email: mine.email });
  });

  test('that takes no mail is told where the account is looked after', async () => {
    const { browser, email } = await household(server);
    server.post.dead.add(email);
    await visitor(server).post('/forgotten-password', { email }).expect(204);
    await deliver();
    expect((await accountOf(browser)).deadSince).not.toBeNull();
    expect(await server.database.models.Job.count({ where: { kind: 'account-letter' } })).toBe(0);
  });
});

describe('sign-ins', () => {
  test('are listed with their device, and ended one by one or all but this', async () => {
    const { browser, email } = await household(server);
    const phone = visitor(server);
    const agent = 'Mozilla/5.0 (X11; Linux x86_64; rv:130.0) Gecko/20100101 Firefox/130.0';
    await phone.post('/sign-in', { email, password: PASSWORD }).set('User-Agent', agent).expect(200);
    const tablet = await onAnother(email);
    const { signIns } = await accountOf(browser);
    expect(signIns).toHaveLength(3);
    expect(signIns.filter(({ here }) => here)).toHaveLength(1);
    const theirs = signIns.find(({ device }) => device === 'Firefox on Linux')!;
    await erase(browser, `/account/sign-ins/${theirs.id}`).expect(200);
    await phone.get('/household').expect(401);
    await tablet.get('/household').expect(200);
    await erase(browser, `/account/sign-ins/${theirs.id}`).expect(404);
    // Its own is ended by signing out.
    const own = signIns.find(({ here }) => here)!;
    await erase(browser, `/account/sign-ins/${own.id}`).expect(404);
    expect((await erase(browser, '/account/sign-ins').expect(200)).body.signIns).toHaveLength(1);
    await tablet.get('/household').expect(401);
    await browser.get('/household').expect(200);
  });

  test('of another account are not there', async () => {
    const [mine, theirs] = [await household(server), await household(server)];
    const { id } = (await accountOf(theirs.browser)).signIns[0]!;
    await erase(mine.browser, `/account/sign-ins/${id}`).expect(404);
    await erase(mine.browser, `/account/passkeys/${id}`).expect(404);
    await erase(mine.browser, '/account/sign-ins').expect(200);
    await theirs.browser.get('/household').expect(200);
  });

  test('a visitor to a demo library has no account', async () => {
    const browser = visitor(server);
    await browser.post('/demo', { timeZone: 'Europe/Lisbon' }).expect(201);
    expect((await browser.get('/account').expect(403)).body.detail).toMatch(/Start your own/);
  });
});

describe('a passkey', () => {
  const made = async (browser: Visitor, device = authenticator(ORIGIN), name = 'The phone') => {
    const asked = (await browser.post('/account/passkeys/ask', { password: PASSWORD }).expect(200)).body;
    const answer = { name, made: device.make(asked) };
    return { device, answer, response: browser.post('/account/passkeys', answer) };
  };
  const ask = async (browser: Visitor) => (await browser.post('/sign-in/passkey/ask').expect(200)).body;

  test('is made with the password, and signs in without it', async () => {
    const { browser, email, household: mine } = await household(server);
    await browser.post('/account/passkeys/ask', { password: 'not this one' }).expect(422);
    const { device, response } = await made(browser);
    const { body } = await response.expect(201);
    expect(body.passkeys).toMatchObject([{ name: 'The phone', usedAt: null }]);
    const phone = visitor(server);
    const used = device.use(await ask(phone));
    const back = await phone.post('/sign-in/passkey', { used }).expect(200);
    expect(back.body).toMatchObject({ id: mine.id, email });
    expect((await accountOf(phone)).passkeys[0]!.usedAt).not.toBeNull();
    expect(await deeds(phone)).toEqual(expect.arrayContaining(['passkey-added', 'signed-in-passkey']));
    await deliver();
    expect(server.post.to(email)[0]!.subject).toBe('A passkey was added');
  });

  test('its answer is taken once, here, for what was asked, and from who unlocked the device', async () => {
    const { browser } = await household(server);
    const { device, answer, response } = await made(browser);
    await response.expect(201);
    await browser.post('/account/passkeys', answer).expect(422);
    const refused = async (use: (asked: never) => object, status = 401) => {
      const phone = visitor(server);
      const used = use((await ask(phone)) as never);
      await phone.post('/sign-in/passkey', { used }).expect(status);
      await phone.get('/household').expect(401);
    };
    await refused((asked) => device.use(asked, { from: 'https://tembrin.example' }));
    await refused((asked) => device.use(asked, { verified: false }));
    await refused(({ challenge }) => device.use({ challenge, rpId: 'elsewhere.example' }));
    await refused(({ rpId }) => device.use({ challenge: 'AAAA', rpId }));
    await refused((asked) => authenticator(ORIGIN).use(asked));
    const phone = visitor(server);
    const used = device.use((await ask(phone)) as never);
    await phone.post('/sign-in/passkey', { used }).expect(200);
    // The same answer again.
    const thief = visitor(server);
    await ask(thief);
    await thief.post('/sign-in/passkey', { used }).expect(401);
    await visitor(server).post('/sign-in/passkey', { used }).expect(422);
    // The same answer several times at the same moment, on one sign-in page.
    const twice = visitor(server);
    const once = device.use((await ask(twice)) as never);
    const answers = await Promise.all(
      Array.from({ length: 4 }, () => twice.post('/sign-in/passkey', { used: once }).then(({ status }) => status)),
    );
    expect(answers.sort()).toEqual([200, 422, 422, 422]);
    // A copy of the device, whose count is behind.
    device.turnBack(3);
    await refused((asked) => device.use(asked));
  });

  test('several are kept, and one that is removed signs nobody in', async () => {
    const { browser } = await household(server);
    const first = await made(browser);
    await first.response.expect(201);
    const second = await made(browser, authenticator(ORIGIN), 'The tablet');
    await second.response.expect(201);
    const { passkeys } = await accountOf(browser);
    expect(passkeys.map(({ name }) => name)).toEqual(['The phone', 'The tablet']);
    await erase(browser, `/account/passkeys/${passkeys[0]!.id}`).expect(200);
    const phone = visitor(server);
    await phone.post('/sign-in/passkey', { used: first.device.use(await ask(phone)) }).expect(401);
    await phone.post('/sign-in/passkey', { used: second.device.use(await ask(phone)) }).expect(200);
  });
});

describe('leaving', () => {
  const leave = (browser: Visitor, password = PASSWORD) => browser.post('/account/leave', { password });
  const inDays = (days: number) => new Date(Date.now() + days * DAY_MS);

  test('takes seven days, within which all is there and it is taken back', async () => {
    const { browser, email } = await household(server);
    await leave(browser, 'not this one').expect(422);
    const { body } = await leave(browser).expect(200);
    expect(body.taking).toEqual(['My instruments']);
    const days = (Date.parse((body as Account).goesAt!) - Date.now()) / DAY_MS;
    expect(days).toBeGreaterThan(6.99);
    expect(days).toBeLessThanOrEqual(7);
    await sweepAccounts(server.office.accounts, inDays(6.9));
    await browser.get('/export/household.json').expect(200);
    expect((await erase(browser, '/account/leave').expect(200)).body.goesAt).toBeNull();
    await sweepAccounts(server.office.accounts, inDays(8));
    await signIn(email).answer.expect(200);
    await deliver();
    expect(server.post.to(email).map(({ subject }) => subject)).toEqual([
      'Your account stays',
      'Your account will be removed',
    ]);
  });

  test('takes the household with it, its photographs from the disk too', async () => {
    const [mine, theirs] = [await household(server), await household(server)];
    for (const { browser, instrument } of [mine, theirs]) {
      await browser.postEvents(madeEvent(instrument.id, 'rosined', {})).expect(200);
      const photo = madePhoto(instrument.id);
      await browser.agent
        .post(`${API_ROOT}/instruments/${instrument.id}/photos/${photo.hash}`)
        .set(REQUEST_HEADER, '1')
        .type('image/jpeg')
        .send(photo.file)
        .expect(201);
    }
    const pictures = () =>
      readdirSync(folder, { recursive: true, withFileTypes: true }).filter((each) => each.isFile());
    const before = pictures().length;
    await leave(mine.browser).expect(200);
    await sweepAccounts(server.office.accounts, inDays(7.1));
    const { sequelize } = server.database;
    await sequelize.query('UPDATE blobs SET until = UTC_TIMESTAMP(3) - INTERVAL 1 DAY').catch(() => undefined);
    await sweepPhotos(server.database, server.storage);
    expect(pictures()).toHaveLength(before - 1);
    await mine.browser.get('/household').expect(401);
    await signIn(mine.email).answer.expect(401);
    // Not a row names it any more.
    const tables = await sequelize.query<{ name: string }>(
      `SELECT TABLE_NAME AS name FROM information_schema.COLUMNS WHERE TABLE_SCHEMA = DATABASE() AND COLUMN_NAME = 'householdId'`,
      { type: QueryTypes.SELECT },
    );
    expect(tables.length).toBeGreaterThan(10);
    for (const { name: table } of tables) {
      const found = await sequelize.query(`SELECT 1 FROM \`${table}\` WHERE householdId = :id LIMIT 1`, {
        replacements: { id: mine.household.id },
        type: QueryTypes.SELECT,
      });
      expect([table, found]).toEqual([table, []]);
    }
    expect((await theirs.browser.get('/events').expect(200)).body.events).toHaveLength(1);
    await deliver();
    expect(server.post.to(mine.email)[0]!.subject).toBe('Your account was removed');
    // Its address is free.
    await visitor(server).post('/accounts', { email: mine.email, password: PASSWORD, timeZone: 'UTC' }).expect(201);
  });

  test('asked twice goes on the first day; taken back twice is taken back', async () => {
    const { browser } = await household(server);
    const first = (await leave(browser).expect(200)).body as Account;
    expect(((await leave(browser).expect(200)).body as Account).goesAt).toBe(first.goesAt);
    await erase(browser, '/account/leave').expect(200);
    const row = (await server.database.models.Account.findOne({ where: { email: first.email } }))!;
    await stayAfterAll(server.office.accounts, row);
    expect((await accountOf(browser)).goesAt).toBeNull();
  });
});

test('what is done to an account is put down, the oldest let go of', async () => {
  const { browser, email } = await household(server);
  const row = (await server.database.models.Account.findOne({ where: { email } }))!;
  const at = new Date();
  await server.database.models.AccountRecord.bulkCreate(
    Array.from({ length: 400 }, () => ({ no: null, accountId: row.id, at, kind: 'signed-in', detail: null })),
  );
  await onAnother(email);
  expect(await server.database.models.AccountRecord.count({ where: { accountId: row.id } })).toBe(200);
  expect((await accountOf(browser)).record).toHaveLength(60);
  // However often a wrong password is tried, it is put down once an hour.
  for (let time = 0; time < 3; time++) await signIn(email, 'not this one').answer.expect(401);
  await new Promise((resolve) => setTimeout(resolve, 200));
  expect((await deeds(browser)).filter((deed) => deed === 'sign-in-refused')).toHaveLength(1);
});
