import { API_ROOT } from '@tembrin/contract';
import request from 'supertest';
import { v7 as uuid } from 'uuid';
import { household, openServer, PASSWORD, visitor, type TestServer, type Visitor } from '../testing/fixtures';
import { sweepSessions } from './session-store';
import { hashed } from '../store/hashed';

let server: TestServer;
beforeAll(() => {
  server = openServer();
});
afterAll(() => server.close());

const account = (email = `${uuid()}@example.org`) => ({ email, password: PASSWORD, timeZone: 'Europe/Lisbon' });

describe('sessions', () => {
  test('the cookie is kept from scripts and other sites, and is secure behind TLS', async () => {
    const proxied = openServer({ TRUSTED_PROXIES: '1' });
    const cookieOf = async (scheme: string) => {
      const answer = await visitor(proxied).post('/accounts', account()).set('X-Forwarded-Proto', scheme).expect(201);
      return String(answer.headers['set-cookie']);
    };
    const plain = await cookieOf('http');
    expect(plain).toMatch(/HttpOnly/);
    expect(plain).toMatch(/SameSite=Lax/);
    expect(plain).not.toMatch(/Secure/);
    const secure = await cookieOf('https');
    expect(secure).toMatch(/Secure/);
    // Bound to this very host: no other of its domain can set it.
    expect(secure).toMatch(/^__Host-tembrin=/);
    expect(secure).not.toMatch(/Domain=/i);
    expect(secure).toMatch(/Path=\//);
    await proxied.close();
  });

  describe('in the database', () => {
    const sessionOf = (browser: Visitor) => {
      const cookies = browser.agent.jar.getCookies({ domain: '127.0.0.1', path: '/', secure: false, script: false });
      const sid = decodeURIComponent(cookies.find(({ name }) => name === 'tembrin')!.value)
        .slice(2)
        .split('.')[0]!;
      return { sid, where: { sid: hashed(sid) } };
    };
    test('are kept under their hashes, and not written at every request', async () => {
      const { browser } = await household(server);
      const { sid, where } = sessionOf(browser);
      const { models } = server.database;
      expect(await models.Session.count({ where: { sid } })).toBe(0);
      const before = (await models.Session.findOne({ where }))!;
      await browser.get('/household').expect(200);
      const after = (await models.Session.findOne({ where }))!;
      expect(after.expires).toEqual(before.expires);
    });

    test('end after thirty days without use, and ninety in all', async () => {
      const day = 86_400_000;
      const { browser } = await household(server);
      const { where } = sessionOf(browser);
      const { models } = server.database;
      const set = (change: { expires?: Date; createdAt?: Date }) =>
        models.Session.update(change, { where, silent: true });
      const inDays = (days: number) => new Date(Date.now() + days * day);
      // Used two days ago for the last time: put down anew.
      await set({ expires: inDays(28) });
      await browser.get('/household').expect(200);
      const { expires } = (await models.Session.findOne({ where }))!;
      expect(expires.getTime()).toBeGreaterThan(inDays(29.9).getTime());
      await set({ createdAt: inDays(-89) });
      await browser.get('/household').expect(200);
      await set({ createdAt: inDays(-91) });
      await browser.get('/household').expect(401);
      await set({ createdAt: inDays(-1), expires: inDays(-0.001) });
      await browser.get('/household').expect(401);
      await sweepSessions(server.database);
      expect(await models.Session.count({ where })).toBe(0);
    });
  });

  test('a second server on the same database knows them', async () => {
    const other = openServer();
    const browser = visitor(server);
    const made = await browser.post('/accounts', account()).expect(201);
    const cookie = String(made.headers['set-cookie']).split(';')[0]!;
    const answer = await request(other.app).get(`${API_ROOT}/household`).set('Cookie', cookie).expect(200);
    expect(answer.body.id).toBe(made.body.id);
    await other.close();
  });

  test('an expired one is signed out, with a sentence', async () => {
    const { browser, household: mine } = await household(server);
    await server.database.sequelize.query(`UPDATE sessions SET expires = '2020-01-01' WHERE data LIKE :id`, {
      replacements: { id: `%${mine.id}%` },
    });
    const answer = await browser.get('/household').expect(401);
    expect(answer.body.detail).toMatch(/Sign in again/);
  });

  test('a household that is gone signs its people out', async () => {
    const { browser, household: mine } = await household(server);
    await server.database.models.Household.destroy({ where: { id: mine.id } });
    await browser.get('/household').expect(401);
  });
});
