import { createHash } from 'node:crypto';
import { MINUTE_MS } from '@tembrin/core';
import { REQUEST_HEADER } from '@tembrin/contract';
import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import { problem } from '../problems/problems';

/** Response headers: the page may load only what this server serves. */
export function securityHeaders(): RequestHandler {
  return helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        // React Native for Web writes its style sheet into the page.
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:'],
        fontSrc: ["'self'"],
        workerSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    // Over plain HTTP on a home network there is no TLS to insist on; browsers ignore this header there.
    strictTransportSecurity: { maxAge: 180 * 24 * 3600 },
  });
}

const SENSOR_PATH = /^\/sensors\/[^/]+\/senml$/;

/**
 * Refuses requests that another site made a browser send: whatever changes something must carry a header of ours,
 * which a foreign page cannot set, and must not name a foreign origin.
 */
export const ownPagesOnly: RequestHandler = (request, response, next) => {
  const { method, headers } = request;
  if (method === 'GET' || method === 'HEAD') return next();
  // A hygrometer is no browser: it has a key of its own instead of a cookie.
  if (SENSOR_PATH.test(request.path)) return next();
  const { origin } = headers;
  const sameOrigin = origin === undefined || (URL.canParse(origin) && new URL(origin).host === headers.host);
  if (headers[REQUEST_HEADER] !== undefined && sameOrigin) return next();
  response.status(403).type('application/problem+json');
  response.json(
    problem(
      403,
      'foreign-request',
      'This request did not come from Tembrin’s own page. Reload the page and try again.',
    ),
  );
};

const WINDOW_MS = 15 * MINUTE_MS;

/** A value of any length as a short one, to count by. */
export const hashed = (value: string) => createHash('sha256').update(value).digest('base64');

/** Readings of one private calendar address a minute, and of any from one place. */
export function addressLimit(): RequestHandler {
  return rateLimit({
    windowMs: MINUTE_MS,
    limit: 30,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_request, response) => {
      response.status(429).type('application/problem+json');
      response.json(problem(429, 'too-often', 'That calendar was read very often. Try again in a minute.'));
    },
  });
}

/** Limits on attempts to sign in: so many failures for one address, so many openings from one place. */
export function attemptLimits(perAddress: number, perPlace: number): RequestHandler[] {
  const common = {
    windowMs: WINDOW_MS,
    standardHeaders: 'draft-8' as const,
    legacyHeaders: false,
    handler: ((_request, response) => {
      response.status(429).type('application/problem+json');
      response.json(problem(429, 'too-many-attempts', 'Too many attempts. Wait a quarter of an hour, then try again.'));
    }) as RequestHandler,
  };
  return [
    rateLimit({ ...common, limit: perPlace }),
    rateLimit({
      ...common,
      limit: perAddress,
      skipSuccessfulRequests: true,
      skip: ({ body }) => typeof (body as { email?: unknown } | undefined)?.email !== 'string',
      // However long an address is that somebody sends, what is kept of it is short.
      keyGenerator: ({ body }) => hashed((body as { email: string }).email.trim().toLowerCase()),
    }),
  ];
}
