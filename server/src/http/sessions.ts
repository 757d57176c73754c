import { DAY_MS, HOUR_MS } from '@tembrin/core';
import connectSessionSequelize from 'connect-session-sequelize';
import type { Request, RequestHandler } from 'express';
import session from 'express-session';
import { Op } from 'sequelize';
import type { Database } from '../database/connect';
import type { Identity } from '../store/accounts';

declare module 'express-session' {
  interface SessionData {
    identity: Identity;
  }
}

const SIGNED_IN_MS = 60 * DAY_MS;
const SWEEP_MS = HOUR_MS;

/** Sign-in sessions, kept in the database so that every server process knows them. Call `stop` before closing it. */
export function signInSessions(
  { sequelize, models }: Database,
  secret: string,
): { handler: RequestHandler; stop: () => void } {
  const Store = connectSessionSequelize(session.Store);
  /** The package leaves expired rows readable until they are swept away; here they are gone at once. */
  class PunctualStore extends Store {
    override get = (sid: string, done: (error: unknown, data?: session.SessionData | null) => void) => {
      models.Session.findOne({ where: { sid, expires: { [Op.gt]: new Date() } } }).then(
        (row) => done(null, row && (JSON.parse(row.data) as session.SessionData)),
        (error: unknown) => done(error),
      );
    };
  }
  const store = new PunctualStore({
    db: sequelize,
    table: 'Session',
    checkExpirationInterval: SWEEP_MS,
    expiration: SIGNED_IN_MS,
  });
  const handler = session({
    name: 'tembrin',
    secret,
    store,
    resave: false,
    rolling: true,
    saveUninitialized: false,
    cookie: { httpOnly: true, sameSite: 'lax', secure: 'auto', maxAge: SIGNED_IN_MS },
  });
  return { handler, stop: () => store.stopExpiringSessions() };
}

/** Signs in under a fresh session id; resolves once it is stored. */
export function beginSession(request: Request, identity: Identity): Promise<void> {
  return new Promise((resolve, reject) => {
    request.session.regenerate((failure: unknown) => {
      if (failure) return reject(failure as Error);
      request.session.identity = identity;
      request.session.save((error: unknown) => (error ? reject(error as Error) : resolve()));
    });
  });
}

export function endSession(request: Request): Promise<void> {
  return new Promise((resolve, reject) => {
    request.session.destroy((error: unknown) => (error ? reject(error as Error) : resolve()));
  });
}
