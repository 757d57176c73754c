import { API_ROOT, operations } from '@tembrin/contract';
import { usualFacts } from '@tembrin/core';
import request from 'supertest';
import { v7 as uuid } from 'uuid';
import { household, madeEvent, openServer, PASSWORD, visitor, type TestServer } from './testing/fixtures';

let server: TestServer;
beforeAll(() => {
  server = openServer();
});
afterAll(() => server.close());

const account = (email = `${uuid()}@example.org`) => ({ email, password: PASSWORD, timeZone: 'Europe/Lisbon' });

describe('accounts', () => {
  test('are made, signed out of and signed in to again', async () => {
    const { browser, email, household: mine } = await household(server);
    await browser.post('/sign-out').expect(204);
    await browser.get('/household').expect(401);
    const back = await browser.post('/sign-in', { email: email.toUpperCase(), password: PASSWORD }).expect(200);
    expect(back.body).toMatchObject({ id: mine.id, email, instruments: [{ name: 'Heron' }] });
  });

  test('an address is taken once, and nothing half-made is left', async () => {
    const { email } = await household(server);
    const before = await server.database.models.Household.count();
    const again = await visitor(server).post('/accounts', account(email)).expect(409);
    expect(again.body.fields.email).toMatch(/already/);
    expect(await server.database.models.Household.count()).toBe(before);
  });

  test('a wrong password and an unknown address are answered alike', async () => {
    const { email } = await household(server);
    const wrong = await visitor(server).post('/sign-in', { email, password: 'not this one' }).expect(401);
    const unknown = await visitor(server).post('/sign-in', account()).expect(422);
    const nobody = await visitor(server)
      .post('/sign-in', { email: `${uuid()}@example.org`, password: 'not this one' })
      .expect(401);
    expect(nobody.body).toEqual(wrong.body);
    expect(unknown.body.detail).toMatch(/timeZone/);
  });

  test('passwords are kept as argon2id hashes', async () => {
    const { email } = await household(server);
    const row = await server.database.models.Account.findOne({ where: { email } });
    expect(row!.passwordHash).toMatch(/^\$argon2id\$/);
  });
});

describe('requests from elsewhere', () => {
  test('need our header and our origin', async () => {
    const { browser, instrument } = await household(server);
    const post = () =>
      browser.agent.post(`${API_ROOT}/events`).send({ events: [madeEvent(instrument.id, 'rosined', {})] });
    expect((await post().expect(403)).body.detail).toMatch(/Reload/);
    await post().set('x-tembrin', '1').set('Origin', 'https://elsewhere.example').expect(403);
    await post().set('x-tembrin', '1').set('Origin', 'null').expect(403);
    await post().set('x-tembrin', '1').expect(200);
  });

  test('a protected page is not changed from its unprotected twin', async () => {
    const proxied = openServer({ TRUSTED_PROXIES: '1' });
    const from = (origin: string, scheme: string) =>
      visitor(proxied)
        .post('/sign-in', { email: `${uuid()}@example.org`, password: 'not this one' })
        .set({ Host: 'tembrin.example', Origin: origin, 'X-Forwarded-Proto': scheme });
    await from('http://tembrin.example', 'https').expect(403);
    await from('https://tembrin.example', 'https').expect(401);
    await from('http://tembrin.example', 'http').expect(401);
    await from('ftp://tembrin.example', 'http').expect(403);
    await proxied.close();
  });

  test('are told how to prove who they are', async () => {
    const page = await visitor(server).get('/household').expect(401);
    expect(page.headers['www-authenticate']).toMatch(/^Cookie realm="Tembrin", cookie-name="tembrin"/);
    const sensor = await request(server.app)
      .post(`${API_ROOT}/sensors/${uuid()}/senml`)
      .send([{ n: 'rh', u: '%RH', v: 45 }])
      .expect(401);
    expect(sensor.headers['www-authenticate']).toMatch(/^Bearer /);
  });
});

describe('bad requests', () => {
  test('get a problem document each', async () => {
    const { browser } = await household(server);
    const raw = (body: string, type = 'application/json') => browser.post('/instruments').type(type).send(body);
    expect((await raw('{"id":').expect(400)).body.detail).toMatch(/readable JSON/);
    expect((await raw(JSON.stringify({ name: 'x'.repeat(2_000_000) })).expect(413)).body.detail).toMatch(
      /smaller parts/,
    );
    expect((await raw('name=Heron', 'application/x-www-form-urlencoded').expect(415)).type).toBe(
      'application/problem+json',
    );
    expect((await raw('[]').expect(422)).body.status).toBe(422);
    expect((await raw('{"__proto__": {"name": "x"}}').expect(422)).type).toBe('application/problem+json');
    await browser
      .get('/nothing/here')
      .expect(404)
      .expect('Content-Type', /problem\+json/);
    expect((await browser.get('/instruments/%E0%A4%A').expect(400)).body.detail).toMatch(/address/);
  });

  test('hostile text is stored as text', async () => {
    const { browser } = await household(server);
    const name = `'; DROP TABLE events; -- <script>`;
    const added = await browser.post('/instruments', { id: uuid(), name, ...usualFacts('viola') }).expect(201);
    expect(added.body.name).toBe(name);
    await browser.get('/events').expect(200);
  });
});

describe('instruments', () => {
  test('adding one twice adds one', async () => {
    const { browser } = await household(server);
    const wanted = { id: uuid(), name: 'Curlew', ...usualFacts('viola') };
    await browser.post('/instruments', wanted).expect(201);
    await browser.post('/instruments', wanted).expect(201);
    expect((await browser.get('/household')).body.instruments).toHaveLength(2);
  });

  test('a change needs the version last seen', async () => {
    const { browser, instrument } = await household(server);
    const { id, version, addedAt: _addedAt, ...facts } = instrument;
    const changed = await browser.put(`/instruments/${id}`, version, { ...facts, name: 'Egret' }).expect(200);
    expect(changed.body).toMatchObject({ name: 'Egret', version: version + 1 });
    expect(changed.headers.etag).toBe('"2"');
    expect((await browser.put(`/instruments/${id}`, version, facts).expect(412)).body.detail).toMatch(/meanwhile/);
    await browser.agent.put(`${API_ROOT}/instruments/${id}`).set('x-tembrin', '1').send(facts).expect(428);
    const family = await browser.put(`/instruments/${id}`, 2, { name: 'Egret', ...usualFacts('guitar') }).expect(422);
    expect(family.body.fields.family).toMatch(/keeps its family/);
  });

  test('keeps its set-up and its own schools, and refuses what its family does not have', async () => {
    const { browser, instrument } = await household(server);
    const { id, version, addedAt: _addedAt, ...facts } = instrument;
    expect(facts.setUp).toEqual(usualFacts('violin').setUp);
    expect(facts.schools).toEqual({});
    const setUp = { ...facts.setUp, shoulderRest: 'pad', humidifier: true, finish: 'valuable', player: 'child' };
    const change = { ...facts, setUp, schools: { slack: 'B', cleaner: 'B' } };
    await browser.put(`/instruments/${id}`, version, change).expect(200);
    const { body } = await browser.get('/household').expect(200);
    expect(body.instruments[0]).toMatchObject({ setUp, schools: { slack: 'B', cleaner: 'B' } });
    const refused = async (part: object, path: string) => {
      const answer = await browser.put(`/instruments/${id}`, version + 1, { ...change, ...part }).expect(422);
      expect(Object.keys(answer.body.fields)).toContainEqual(expect.stringContaining(path));
    };
    await refused({ setUp: { ...setUp, endpin: true } }, 'setUp.endpin');
    await refused({ setUp: { ...setUp, finish: 'glossy' } }, 'setUp.finish');
    await refused({ schools: { slack: 'C' } }, 'schools');
    await refused({ schools: { posture: 'A' } }, 'schools');
  });

  test('removing one takes its log with it', async () => {
    const { browser, instrument } = await household(server);
    await browser.postEvents(madeEvent(instrument.id, 'rosined', {})).expect(200);
    await browser.remove(`/instruments/${instrument.id}`, 1).expect(204);
    expect((await browser.get('/events')).body.events).toEqual([]);
    await browser.remove(`/instruments/${instrument.id}`, 1).expect(404);
  });
});

test('the household changes its name, zone and schools', async () => {
  const { browser, household: mine } = await household(server);
  const settings = { timeZone: 'America/New_York', schools: { checkup: 'B', cloths: 'B' } };
  const change = { name: 'Quayside', ...settings, currency: 'EUR' };
  expect((await browser.put('/household', mine.version, change).expect(200)).body).toMatchObject({
    ...change,
    version: 2,
  });
  await browser.put('/household', mine.version, change).expect(412);
  await browser.put('/household', 2, { ...change, timeZone: 'Quayside' }).expect(422);
  // A whole is put in place of a whole: what is left out is not taken to be nothing.
  await browser.put('/household', 2, { name: 'Quayside', ...settings }).expect(422);
});

describe('what the server says of itself', () => {
  test('alive as long as it answers, ready while its database, its disk and its thread are', async () => {
    let delayMs = 0;
    const dying = openServer({}, { loop: { longestMs: () => delayMs } });
    const { body } = await visitor(dying).get('/ready').expect(200);
    expect(body).toMatchObject({ status: 'ready', database: true, disk: true, thread: true });
    expect(body.roomMb).toBeGreaterThan(0);
    delayMs = 8_000;
    expect((await visitor(dying).get('/ready').expect(503)).body.detail).toBe('Not ready: thread.');
    delayMs = 0;
    await dying.close();
    const answer = await visitor(dying).get('/ready').expect(503);
    expect(answer.body.detail).toBe('Not ready: database.');
    expect(answer.headers['retry-after']).toBe('5');
    await visitor(dying).get('/health').expect(200, { status: 'ok' });
  });

  test('an OpenAPI document made from the contract', async () => {
    const { body } = await visitor(server).get('/openapi.json').expect(200);
    expect(body.openapi).toBe('3.1.0');
    const described = Object.entries(body.paths as Record<string, Record<string, { operationId: string }>>).flatMap(
      ([path, methods]) =>
        Object.entries(methods).map(
          ([method, { operationId }]) => `${operationId} ${method} ${path.replaceAll(/\{(\w+)\}/g, ':$1')}`,
        ),
    );
    expect(described.sort()).toEqual(
      Object.entries(operations)
        .map(([id, { method, path }]) => `${id} ${method} ${API_ROOT}${path}`)
        .sort(),
    );
    expect(JSON.stringify(body)).toContain('session-began');
  });

  test('headers that keep the page to itself', async () => {
    const { headers } = await visitor(server).get('/health');
    expect(headers['content-security-policy']).toMatch(/default-src 'self'/);
    expect(headers['content-security-policy']).not.toMatch(/unsafe-eval/);
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['x-powered-by']).toBeUndefined();
    expect(headers['cache-control']).toBe('no-store');
    expect(headers['permissions-policy']).toContain('geolocation=()');
  });
});
