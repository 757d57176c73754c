import { AsyncLocalStorage } from 'node:async_hooks';
import type { RequestHandler, Response } from 'express';
import { isPassing } from '../database/transaction';
import { unforeseen } from '../problems/problems';
import { toldOf } from '../problems/told';
import type { Happening } from './watch';

/** The answer that is being worked on, wherever the program is just now. */
const answering = new AsyncLocalStorage<Response>();

/** Notes whose request the program works for, so that an error nobody catches ends that request and not another. */
export const noteRequest: RequestHandler = (_request, response, next) => answering.run(response, next);

/** Ends the request that an error escaped from, if it is one's. */
function endRequest(): void {
  const response = answering.getStore();
  if (!response || response.writableEnded) return;
  if (response.headersSent) return void response.destroy();
  response.status(500).type('application/problem+json');
  response.json(unforeseen());
}

/**
 * What becomes of an error that nobody caught: its request ends, and its cause is logged. A promise that failed unheard leaves nothing
 * half done; an error thrown outside any promise may have, so the process ends then, once its open requests are answered.
 * @param happened is told of it
 * @param end ends the process in order; its launcher starts another
 */
export function catchEscaped(happened: (what: Happening, facts: object) => void, end: () => void): void {
  process.on('unhandledRejection', (reason) => {
    endRequest();
    // The driver tells of a connection that is cut while it is made besides whoever waits for it.
    const ends = false;
    happened(isPassing(reason) ? 'no database' : 'error escaped', { failure: toldOf(reason), ends });
  });
  process.on('uncaughtException', (error) => {
    endRequest();
    happened('error escaped', { failure: toldOf(error), ends: true });
    end();
  });
}
