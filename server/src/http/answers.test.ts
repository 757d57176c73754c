import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { API_ROOT, REQUEST_HEADER } from '@tembrin/contract';
import request from 'supertest';
import { household, openServer, visitor, type TestServer } from '../testing/fixtures';
import { hashed } from '../store/hashed';

let server: TestServer;
/** A file named by its content. */
const OLD = `part-${'a'.repeat(32)}.js`;
const folder = mkdtempSync(join(tmpdir(), 'tembrin-pages-'));
beforeAll(() => {
  writeFileSync(join(folder, 'index.html'), '<!doctype html><title>Page</title>');
  mkdirSync(join(folder, 'before'));
  for (const name of ['index.html', OLD]) writeFileSync(join(folder, 'before', name), 'of the build before');
  server = openServer({ STATIC_DIR: folder, STATIC_BEFORE_DIR: join(folder, 'before') });
});
afterAll(async () => {
  await server.close();
  rmSync(folder, { recursive: true, force: true });
});

test('a way that an address does not know is told with those it knows', async () => {
  const { body, headers } = await visitor(server).put('/events', 1, {}).expect(405);
  expect(headers.allow).toBe('GET, HEAD, POST');
  expect(body).toMatchObject({ status: 405, detail: expect.stringContaining('GET, HEAD, POST') });
  await visitor(server).get('/no-such-thing').expect(404).expect('Cache-Control', 'no-store');
});

test('a body of a kind that is not read is told so, and one that is none of what it says', async () => {
  const { browser } = await household(server);
  const post = (type: string) => browser.agent.post(`${API_ROOT}/events`).set(REQUEST_HEADER, '1').type(type);
  await post('application/cbor')
    .send(Buffer.from([0xa0]))
    .expect(415);
  await post('application/json').send('{"events":').expect(400);
  const squeezed = post('application/json').set('Content-Encoding', 'gzip');
  squeezed.write(Buffer.from('no gzip at all'));
  expect((await squeezed).status).toBe(400);
});

test('what is asked of a file and cannot be is the fault of who asks', async () => {
  const get = (path: string) => request(server.app).get(path);
  await get('/%').expect(400);
  await get('/index.html').set('Range', 'bytes=9999-').expect(416).expect('Cache-Control', 'no-store');
  await get(`/${OLD}`).set('If-Match', '"another"').expect(412).expect('Cache-Control', 'no-store');
  const moved = await get(`${API_ROOT}/reminders/unsubscribe/key`).expect(303).expect('Cache-Control', 'no-store');
  expect(moved.headers['permissions-policy']).toContain('camera=(self)');
  await get('/index.html').set('If-Match', '"another"').expect(412);
  await get('/').expect(200);
});

test('a page that is open since before a new build still gets its files', async () => {
  const get = (path: string) => request(server.app).get(path);
  expect((await get(`/${OLD}`).expect(200)).headers['cache-control']).toMatch(/immutable/);
  expect((await get('/').expect(200)).text).toContain('<title>Page</title>');
  await get(`/part-${'b'.repeat(32)}.js`).expect(404);
});

test('what attempts are counted by is short, however long it was', () => {
  expect(hashed('a'.repeat(900_000))).toHaveLength(44);
  expect(hashed('one')).not.toBe(hashed('other'));
});
