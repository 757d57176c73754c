import { REQUEST_HEADER } from '@tembrin/contract';
import type { Request, RequestHandler } from 'express';
import helmet from 'helmet';
import type { Watch } from '../operating/watch';
import { problem } from '../problems/problems';

/** What of a device a page may ask for: the camera and the microphone are for measuring, the rest is nobody's business here. */
const PERMISSIONS = [
  'camera=(self)',
  'microphone=(self)',
  ...['bluetooth', 'display-capture', 'geolocation', 'hid', 'midi', 'payment', 'serial', 'usb'].map(
    (feature) => `${feature}=()`,
  ),
].join(', ');

/** Answers are kept by nobody unless they say otherwise, and pages ask a device for what Tembrin needs. */
export const answerHeaders: RequestHandler = (_request, response, next) => {
  response.setHeader('Cache-Control', 'no-store');
  response.setHeader('Permissions-Policy', PERMISSIONS);
  next();
};

/** Response headers: the page may load only what this server serves. */
export function securityHeaders(): RequestHandler {
  return helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        // React Native for Web writes its style sheet into the page.
        styleSrc: ["'self'", "'unsafe-inline'"],
        // Photographs that wait on the device are shown from its memory.
        imgSrc: ["'self'", 'data:', 'blob:'],
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

/** Whether a page's origin is this server: the same host, and not the unprotected twin of a protected one. */
function isOwn(origin: string, { headers, secure }: Request): boolean {
  if (!URL.canParse(origin)) return false;
  const { host, protocol } = new URL(origin);
  return host === headers.host && (protocol === 'https:' || (protocol === 'http:' && !secure));
}

const UNSUBSCRIBE_PATH = /^\/reminders\/unsubscribe\/[^/]+$/;
const SENSOR_PATH = /^\/sensors\/[^/]+\/senml$/;

/**
 * Refuses requests that another site made a browser send: whatever changes something must carry a header of ours,
 * which a foreign page cannot set, and must not name a foreign origin.
 */
export const ownPagesOnly =
  (watch: Watch): RequestHandler =>
  (request, response, next) => {
    const { method, headers } = request;
    if (method === 'GET' || method === 'HEAD') return next();
    // A hygrometer, or a mail program that ends letters, is no browser: it has a key of its own instead of a cookie.
    if (SENSOR_PATH.test(request.path) || UNSUBSCRIBE_PATH.test(request.path)) return next();
    const { origin } = headers;
    if (headers[REQUEST_HEADER] !== undefined && (origin === undefined || isOwn(origin, request))) return next();
    watch.happened('foreign request refused');
    response.status(403).type('application/problem+json');
    response.json(
      problem(
        403,
        'foreign-request',
        'This request did not come from Tembrin’s own page. Reload the page and try again.',
      ),
    );
  };
