import { once } from 'node:events';
import type { Server } from 'node:http';
import { connect, type AddressInfo } from 'node:net';
import { API_ROOT, REQUEST_HEADER } from '@tembrin/contract';
import { openServer, type TestServer } from '../testing/fixtures';

/** Slow senders, against a server that is less patient than usual. */
const PATIENCE = { quietMs: 300, graceMs: 600, bytesPerS: 2000 };

let server: TestServer;
let listening: Server;
beforeAll(async () => {
  server = openServer({}, { patience: PATIENCE });
  listening = server.app.listen(0, '127.0.0.1');
  await once(listening, 'listening');
});
afterAll(async () => {
  listening.close();
  await server.close();
});

/** Begins a sign-in and sends its body piece by piece. @returns the answer, and after how long it came */
async function dribble(pieces: readonly string[], everyMs: number, length = pieces.join('').length) {
  const socket = connect((listening.address() as AddressInfo).port, '127.0.0.1');
  const began = Date.now();
  let text = '';
  socket.on('data', (part: Buffer) => (text += part.toString()));
  socket.on('error', () => undefined);
  const closed = once(socket, 'close');
  socket.write(
    `POST ${API_ROOT}/sign-in HTTP/1.1\r\nHost: x\r\n${REQUEST_HEADER}: 1\r\nContent-Type: application/json\r\nContent-Length: ${length}\r\n\r\n`,
  );
  for (const piece of pieces) {
    await new Promise((resolve) => setTimeout(resolve, everyMs));
    if (socket.destroyed) break;
    socket.write(piece);
    if (text !== '') break;
  }
  const patience = new Promise((resolve) => setTimeout(resolve, 4_000).unref());
  if (length > pieces.join('').length || text === '')
    await Promise.race([closed, patience, once(socket, 'data').catch(() => undefined)]);
  const ms = Date.now() - began;
  socket.destroy();
  return { status: Number(/^HTTP\/1\.1 (\d+)/.exec(text)?.[1]), ms };
}

test('a body that does not come is given up, and one that dribbles in', async () => {
  const silent = await dribble([], 0, 100);
  expect(silent.status).toBe(408);
  expect(silent.ms).toBeLessThan(2_000);
  const slow = await dribble(Array<string>(100).fill(' '), 50);
  expect(slow.status).toBe(408);
}, 20_000);

test('a body that comes in pieces in good time is read', async () => {
  const body = JSON.stringify({ email: 'someone@example.org', password: 'not this one' });
  const { status } = await dribble([body.slice(0, 10), body.slice(10)], 100);
  expect(status).toBe(401);
});

test('sixteen slow senders keep nobody from the database', async () => {
  const slow = Array.from({ length: 16 }, () => dribble([], 0, 1000));
  const began = Date.now();
  const { port } = listening.address() as AddressInfo;
  const answers = await Promise.all(
    Array.from({ length: 16 }, () => fetch(`http://127.0.0.1:${port}${API_ROOT}/ready`)),
  );
  expect(answers.map(({ status }) => status)).toEqual(Array(16).fill(200));
  expect(Date.now() - began).toBeLessThan(2_000);
  expect((await Promise.all(slow)).map(({ status }) => status)).toEqual(Array(16).fill(408));
}, 20_000);
