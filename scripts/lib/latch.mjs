import { createHash } from 'node:crypto';
import { createConnection, createServer } from 'node:net';
import { DATA } from './project.mjs';

/** Held by the one program that works on this data folder; the system frees it however the program ends. */
const LATCH = `\0tembrin-${createHash('sha256').update(DATA).digest('hex')}`;

function askHolder() {
  return new Promise((resolve) => {
    const socket = createConnection(LATCH);
    let text = '';
    socket.on('data', (chunk) => (text += chunk));
    socket.once('end', () => resolve(text));
    socket.once('error', () => resolve(''));
  });
}

/**
 * Takes the latch.
 * @returns `held`: how to tell who asks where this one runs; or `by`: where another one does, empty while it starts
 */
export async function takeLatch() {
  let text = '';
  const server = createServer((socket) => socket.end(text));
  const taken = await new Promise((resolve, reject) => {
    server.once('error', (error) => (error.code === 'EADDRINUSE' ? resolve(false) : reject(error)));
    server.listen(LATCH, () => resolve(true));
  });
  if (!taken) return { held: null, by: await askHolder() };
  server.unref();
  return { held: (running) => (text = running), by: null };
}
