import type { Request, RequestHandler } from 'express';
import Bowser from 'bowser';
import session from 'express-session';
import type { Database } from '../database/connect';
import type { Identity } from '../store/accounts';
import { LONGEST_MS } from '../store/account/sign-ins';
import { SessionStore } from './session-store';

declare module 'express-session' {
  interface SessionData {
    identity: Identity;
  }
}

/** Name of the cookie, by whether it comes over TLS: there it is bound to this very host. */
export const COOKIE_NAMES = { secure: '__Host-tembrin', plain: 'tembrin' } as const;

/** Sign-in sessions by a cookie that no script sees. */
export function signInSessions(database: Database, secret: string): RequestHandler {
  const sessions = (secure: boolean) =>
    session({
      name: secure ? COOKIE_NAMES.secure : COOKIE_NAMES.plain,
      secret,
      // One for each: the middleware keeps how it makes cookies with its store.
      store: new SessionStore(database),
      resave: false,
      rolling: false,
      saveUninitialized: false,
      cookie: { httpOnly: true, sameSite: 'lax', secure, path: '/', maxAge: LONGEST_MS },
    });
  const [overTls, plain] = [sessions(true), sessions(false)];
  return (request, response, next) => (request.secure ? overTls : plain)(request, response, next);
}

/** Letters of a browser’s name for itself that are looked at. */
const MOST_OF_AGENT = 400;

/** What kind of browser asks, on what kind of device, as far as it says. */
function deviceOf({ headers }: Request): string | null {
  const agent = headers['user-agent']?.slice(0, MOST_OF_AGENT);
  if (!agent) return null;
  const { browser, os } = Bowser.parse(agent);
  return [browser.name, os.name].filter(Boolean).join(' on ').slice(0, 80) || null;
}

/** Signs in under a fresh session id; resolves once it is stored. */
export function beginSession(request: Request, identity: Identity): Promise<void> {
  return new Promise((resolve, reject) => {
    request.session.regenerate((failure: unknown) => {
      if (failure) return reject(failure as Error);
      request.session.identity = identity;
      request.session.device = deviceOf(request);
      request.session.save((error: unknown) => (error ? reject(error as Error) : resolve()));
    });
  });
}

export function endSession(request: Request): Promise<void> {
  return new Promise((resolve, reject) => {
    request.session.destroy((error: unknown) => (error ? reject(error as Error) : resolve()));
  });
}
