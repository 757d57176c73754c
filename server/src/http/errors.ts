import type { ErrorRequestHandler, Request, RequestHandler } from 'express';
import { ConnectionError } from 'sequelize';
import { isFull, isPassing } from '../database/transaction';
import type { Happening, Watch } from '../operating/watch';
import { COOKIE_NAMES } from './sessions';
import { problem, ProblemError, unforeseen } from '../problems/problems';
import { toldOf } from '../problems/told';
import type { Problem } from '@tembrin/contract';

export const noSuchRoute: RequestHandler = (_request, response) => {
  response.status(404).type('application/problem+json');
  response.json(problem(404, 'no-such-route', 'There is nothing at this address.'));
};

/** Turns whatever was thrown into a problem document; what nobody foresaw is logged and answered without detail. */
export function problemAnswers(watch: Watch): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (response.headersSent) return next(error);
    const answer = problemOf(error);
    const happened = happeningOf(answer);
    if (happened) watch.happened(happened, answer.status >= 500 ? { failure: toldOf(error) } : {});
    if (answer.status === 401) response.setHeader('WWW-Authenticate', challengeOf(request));
    if (answer.status === 503) response.setHeader('Retry-After', String(RETRY_AFTER_S));
    response.setHeader('Cache-Control', 'no-store');
    response.status(answer.status).type('application/problem+json');
    response.json(answer);
  };
}

const TOLD: Readonly<Record<string, Happening>> = {
  '/problems/wrong-credentials': 'sign-in refused',
  '/problems/wrong-key': 'wrong key of a hygrometer',
  '/problems/no-database': 'no database',
  '/problems/no-room': 'no room on the disk',
};

/** What an answer is told of as; null where it is nobody's but the asker's. */
function happeningOf({ type, status }: Problem): Happening | null {
  return TOLD[type] ?? (status === 500 ? 'request failed' : null);
}

/** After so long it is worth while to ask again, s. */
const RETRY_AFTER_S = 5;

/** How one proves who one is: a hygrometer by its key, a page by the cookie that signing in gives. */
const challengeOf = ({ path, secure }: Request) =>
  path.endsWith('/senml')
    ? 'Bearer realm="hygrometer"'
    : `Cookie realm="Tembrin", cookie-name="${secure ? COOKIE_NAMES.secure : COOKIE_NAMES.plain}"`;

/** What the body parser calls bodies it cannot make out. */
const UNREADABLE: ReadonlySet<string> = new Set([
  'entity.parse.failed',
  'encoding.unsupported',
  'charset.unsupported',
  'request.size.invalid',
  'request.aborted',
]);

function problemOf(error: unknown): Problem {
  if (error instanceof ProblemError) return error.problem;
  if (error instanceof ConnectionError) {
    return problem(503, 'no-database', 'The server cannot reach its database. Nothing is lost; try again in a minute.');
  }
  if (isFull(error))
    return problem(
      503,
      'no-room',
      'The server’s disk is full, so nothing was stored. What you entered is kept on this device and sent again once there is room.',
    );
  if (isPassing(error))
    return problem(
      503,
      'busy',
      'Others are writing at the same place just now. Nothing was changed; try again in a moment.',
    );
  const type = (error as { type?: unknown } | null)?.type;
  if (type === 'entity.too.large' || type === 'parameters.too.many') {
    return problem(413, 'too-large', 'That is more than one request may carry. Send it in smaller parts.');
  }
  if (typeof type === 'string' && UNREADABLE.has(type)) {
    return problem(400, 'unreadable', 'The request is not readable JSON. Check it and send it again.');
  }
  // A body that says it is compressed and is not.
  if (/^Z_/.test(String((error as { code?: unknown } | null)?.code)))
    return problem(400, 'unreadable', 'The body is not compressed as it says. Send it again.');
  const status = (error as { status?: unknown } | null)?.status;
  if (status === 412) return problem(412, 'changed-meanwhile', 'This file is another by now. Ask for it anew.');
  if (status === 416) return problem(416, 'no-such-part', 'The file has no such part. Ask for the whole of it.');
  if (status === 400) return problem(400, 'unreadable', 'The address is not readable. Check it.');
  if (error instanceof URIError) return problem(400, 'unreadable', 'The address is not readable. Check it.');
  return unforeseen();
}
