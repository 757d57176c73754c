import express from 'express';
import type { AddressInfo } from 'node:net';
import { catchEscaped, noteRequest } from '../operating/escaped';

/** A server whose requests fail where nobody catches it, for tests: it tells its parent what happened. */
const SLOW_MS = 700;
const app = express();
app.use(noteRequest);
app.get('/slow', (_request, response) => void setTimeout(() => response.json({ answered: true }), SLOW_MS));
app.get('/thrown', () => {
  setTimeout(() => {
    throw new TypeError('thrown outside any promise');
  }, 20);
});
app.get('/unheard', () => {
  void Promise.resolve().then(() => Promise.reject(new RangeError('nobody listens')));
});
const server = app.listen(0, '127.0.0.1', () => process.send?.({ listening: (server.address() as AddressInfo).port }));
catchEscaped(
  (what, facts) => process.send?.({ what, facts }),
  () => server.close(() => process.exit(1)),
);
