import type { RequestHandler } from 'express';
import { SECOND_MS } from '@tembrin/core';
import type { Watch } from '../operating/watch';
import { problem } from '../problems/problems';

/** How a body may dawdle: so long without a byte; and after a while, so many bytes a second on the whole. */
export interface Patience {
  quietMs: number;
  graceMs: number;
  bytesPerS: number;
}
/** From memory: what a phone with a poor connection still reaches. */
const USUAL: Patience = { quietMs: 20 * SECOND_MS, graceMs: 30 * SECOND_MS, bytesPerS: 500 };
const LOOKED = 8;

/** Lets go of who sends a body so slowly that nothing comes of it. What waits for this server, not for its sender, is no fault. */
export function bodyPatience(watch: Watch, { quietMs, graceMs, bytesPerS }: Patience = USUAL): RequestHandler {
  return (request, response, next) => {
    const { headers } = request;
    const hasBody = headers['transfer-encoding'] !== undefined || Number(headers['content-length'] ?? 0) > 0;
    if (!hasBody || request.complete) return next();
    const { socket } = request;
    const began = Date.now();
    const before = socket.bytesRead;
    let seen = { at: began, bytes: before };
    const timer = setInterval(() => {
      const now = Date.now();
      const { bytesRead } = socket;
      if (request.complete) return clearInterval(timer);
      // What has come and is not read yet waits for this server.
      const waits = request.readableLength > 0;
      if (bytesRead !== seen.bytes || waits) seen = { at: now, bytes: bytesRead };
      const quiet = now - seen.at > quietMs;
      const slow = !waits && now - began > graceMs && ((bytesRead - before) * 1000) / (now - began) < bytesPerS;
      if (!quiet && !slow) return;
      clearInterval(timer);
      watch.happened('too slow a body given up');
      if (response.headersSent) return void socket.destroy();
      response.status(408).set('Connection', 'close').type('application/problem+json');
      response.json(
        problem(
          408,
          'too-slow',
          'It came too slowly, so it was given up. Nothing was kept; send it again where the connection is better.',
        ),
      );
      response.once('finish', () => socket.destroy());
    }, quietMs / LOOKED);
    timer.unref();
    const stop = () => clearInterval(timer);
    request.once('end', stop);
    request.once('close', stop);
    response.once('finish', stop);
    next();
  };
}
