import { DAY_MS, HOUR_MS } from '@tembrin/core';
import session, { type SessionData } from 'express-session';
import { Op } from 'sequelize';
import type { Database } from '../database/connect';
import { v7 as uuid } from 'uuid';
import type { Asked } from '../store/account/passkeys';
import { IDLE_MS, LONGEST_MS } from '../store/account/sign-ins';
import type { SessionRow } from '../database/account-models';
import { PERSON, type PersonKept } from '../store/actor';
import { hashed } from '../store/hashed';

declare module 'express-session' {
  interface SessionData {
    /** When it was last put down that the session is in use, ms. */
    seenAt?: number;
    /** What a browser was asked with about passkeys. */
    asked?: Asked;
    /** On what kind of device it was signed in. */
    device?: string | null;
    /** Who signed in is this person of their household, as read at this request; null: none of it. Never kept. */
    member?: PersonKept | null;
  }
}

/** One that nobody signed in with ends after so long: it is kept for an answer about passkeys. */
const NOBODY_MS = HOUR_MS;
/** That it is in use is put down once in so long, not at every request. */
const SEEN_MS = DAY_MS;

/** A session, and with it who signed in as a person of the household they opened: every request asks for both. */
const FOUND = `SELECT data, expires, createdAt, persons.id IS NOT NULL AS there,
    ${PERSON.map((column) => `persons.${column}`).join(', ')}
  FROM sessions LEFT JOIN persons ON persons.accountId = sessions.accountId AND persons.goneAt IS NULL
    AND persons.householdId = JSON_VALUE(data, '$.identity.householdId')
  WHERE sid = ?`;

/** A row as `FOUND` has it. */
type Found = Pick<SessionRow, 'data' | 'expires' | 'createdAt'> & { there: number } & PersonKept;

type Done<T = void> = (error?: unknown, value?: T) => void;

/** Answers the way a session store does. */
function answer<T>(work: Promise<T>, done?: Done<T>): void {
  work.then(
    (value) => done?.(null, value),
    (error: unknown) => done?.(error),
  );
}

/**
 * Sign-in sessions in the database, so that every server process knows them. Under their ids' hashes: who reads the database can
 * sign in as nobody.
 */
export class SessionStore extends session.Store {
  constructor(private readonly database: Pick<Database, 'models' | 'reads'>) {
    super();
  }

  override get(sid: string, done: Done<SessionData | null>): void {
    answer(this.found(sid), done);
  }

  private async found(sid: string): Promise<SessionData | null> {
    const now = Date.now();
    const [row] = await this.database.reads.rows<Found>(FOUND, [hashed(sid)]);
    if (!row) return null;
    const { data, expires, createdAt, there, ...person } = row;
    if (expires.getTime() <= now || createdAt.getTime() <= now - LONGEST_MS) return null;
    const member = there ? person : null;
    return { ...(JSON.parse(data) as SessionData), seenAt: expires.getTime() - IDLE_MS, member };
  }

  override set(sid: string, { seenAt: _seenAt, member: _member, ...data }: SessionData, done?: Done): void {
    const now = new Date();
    const { device = null, ...kept } = data;
    const accountId = kept.identity?.accountId ?? null;
    const lastsMs = kept.identity ? IDLE_MS : NOBODY_MS;
    const row = { sid: hashed(sid), data: JSON.stringify(kept), expires: new Date(now.getTime() + lastsMs), accountId };
    // What it is called and where it is stay as they were when it was first written.
    answer(
      this.database.models.Session.upsert(
        { ...row, id: uuid(), device, createdAt: now, updatedAt: now },
        { fields: Object.keys(row) as never },
      ).then(() => undefined),
      done,
    );
  }

  override touch(sid: string, { seenAt = 0 }: SessionData, done?: Done): void {
    const now = Date.now();
    const due = now - seenAt > SEEN_MS;
    const seen = () =>
      this.database.models.Session.update(
        { expires: new Date(now + IDLE_MS) },
        { where: { sid: hashed(sid) }, silent: true },
      );
    answer(due ? seen().then(() => undefined) : Promise.resolve(), done);
  }

  override destroy(sid: string, done?: Done): void {
    answer(
      this.database.models.Session.destroy({ where: { sid: hashed(sid) } }).then(() => undefined),
      done,
    );
  }
}

/** Rows that go at a time. */
const SWEPT_AT_ONCE = 5000;

/** Sweeps away sessions that have ended. */
export async function sweepSessions({ models }: Pick<Database, 'models'>, now = Date.now()): Promise<void> {
  await models.Session.destroy({ where: { expires: { [Op.lt]: new Date(now) } }, limit: SWEPT_AT_ONCE });
}
