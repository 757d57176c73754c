import { createHash } from 'node:crypto';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '@tembrin/core';
import type { Operation } from '@tembrin/contract';
import type { Request, RequestHandler } from 'express';
import { ipKeyGenerator, rateLimit, type ClientRateLimitInfo, type Options, type Store } from 'express-rate-limit';
import { QueryTypes, type Sequelize } from 'sequelize';
import type { Config } from '../config';
import type { Database } from '../database/connect';
import { retried } from '../database/transaction';
import { problem } from '../problems/problems';

/** A value of any length as a short one, to count by. */
export const hashed = (value: string) => createHash('sha256').update(value).digest('base64');

/** Network of a request's sender: an address, or the block of addresses one line has in IPv6. */
const placeOf = ({ ip }: Request) => ipKeyGenerator(ip ?? '', 56);

/** Counts hits in the database, so that all processes count together. */
class SharedCounts implements Store {
  private windowS = 60;
  readonly localKeys = false;

  constructor(
    private readonly sequelize: Sequelize,
    private readonly what: string,
  ) {}

  init({ windowMs }: Options): void {
    this.windowS = Math.ceil(windowMs / 1000);
  }

  private name = (key: string) => `${this.what} ${hashed(key)}`;

  async increment(key: string): Promise<ClientRateLimitInfo> {
    const [row] = await retried(() =>
      this.sequelize.query<{ hits: number; until: Date }>(
        `INSERT INTO limits (name, hits, until) VALUES (:name, 1, UTC_TIMESTAMP(3) + INTERVAL :windowS SECOND)
         ON DUPLICATE KEY UPDATE
           hits = IF(until < UTC_TIMESTAMP(3), 1, hits + 1),
           until = IF(until < UTC_TIMESTAMP(3), VALUES(until), until)
         RETURNING hits, until`,
        { replacements: { name: this.name(key), windowS: this.windowS }, type: QueryTypes.SELECT },
      ),
    );
    return { totalHits: row!.hits, resetTime: row!.until };
  }

  async decrement(key: string): Promise<void> {
    await this.sequelize.query('UPDATE limits SET hits = GREATEST(hits - 1, 0) WHERE name = :name', {
      replacements: { name: this.name(key) },
    });
  }

  async resetKey(key: string): Promise<void> {
    await this.sequelize.query('DELETE FROM limits WHERE name = :name', { replacements: { name: this.name(key) } });
  }
}

/** What is forgotten at a time, so that nobody waits for it. */
const FORGOTTEN_AT_ONCE = 5000;

/** Forgets what was counted and is past. */
export async function forgetLimits({ sequelize }: Pick<Database, 'sequelize'>): Promise<void> {
  await sequelize.query(`DELETE FROM limits WHERE until < UTC_TIMESTAMP(3) LIMIT ${FORGOTTEN_AT_ONCE}`);
}

/** Whoever signed in from a place is not kept out there by what others try elsewhere, for so long. */
const KNOWN_MS = 90 * DAY_MS;

/** Places from which somebody signed in with an address. */
class KnownPlaces {
  constructor(private readonly sequelize: Sequelize) {}

  private name = (request: Request) => `known ${hashed(`${emailOf(request)} ${placeOf(request)}`)}`;

  async has(request: Request): Promise<boolean> {
    const rows = await this.sequelize.query(
      'SELECT 1 FROM limits WHERE name = :name AND until > UTC_TIMESTAMP(3)',
      { replacements: { name: this.name(request) }, type: QueryTypes.SELECT },
    );
    return rows.length > 0;
  }

  async remember(request: Request): Promise<void> {
    await this.sequelize.query(
      `INSERT INTO limits (name, hits, until) VALUES (:name, 0, UTC_TIMESTAMP(3) + INTERVAL :knownS SECOND)
       ON DUPLICATE KEY UPDATE until = VALUES(until)`,
      { replacements: { name: this.name(request), knownS: KNOWN_MS / 1000 } },
    );
  }
}

/** The email address a request names; empty where it names none. */
function emailOf({ body }: Request): string {
  const { email } = (body ?? {}) as { email?: unknown };
  return typeof email === 'string' ? email.trim().toLowerCase() : '';
}

type LimitSettings = Pick<Config, 'SIGN_IN_LIMIT' | 'OPENING_LIMIT' | 'SENSOR_LIMIT' | 'HOUSEHOLD_LIMIT'>;

/** Guesses at one address from anywhere, an hour. From memory: what is usual for online guessing. */
const GUESSES_ANYWHERE = 100;
/** Readings of one private calendar address, and of any from one place, a minute. */
const CALENDAR_READINGS = { address: 30, place: 120 } as const;
/** Sensors that may stand at one place and send as often as they may. */
const SENSORS_AT_PLACE = 10;
/** Files, tables and previews of one household in ten minutes. */
const COSTLY = 120;

const ATTEMPTS = ['too-many-attempts', 'Too many attempts. Wait a quarter of an hour, then try again.'] as const;

/** Limits on what is asked, counted in the database and so for all processes together; keys are short, and forgotten in time. */
export function limitsOf({ sequelize }: Pick<Database, 'sequelize'>, settings: LimitSettings) {
  const limit = (
    what: string,
    windowMs: number,
    most: number,
    [type, detail]: readonly [string, string],
    more: Partial<Options> & Required<Pick<Options, 'keyGenerator'>>,
  ) =>
    rateLimit({
      windowMs,
      limit: most,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      store: new SharedCounts(sequelize, what),
      handler: (_request, response) => {
        response.status(429).type('application/problem+json');
        response.json(problem(429, type, detail));
      },
      ...more,
    });
  const known = new KnownPlaces(sequelize);
  const failures = { skipSuccessfulRequests: true };
  /** So many openings from one place; failures by address and place; and failures by address, wherever they come from. */
  const attempts: RequestHandler[] = [
    limit('opening', 15 * MINUTE_MS, settings.OPENING_LIMIT, ATTEMPTS, { keyGenerator: placeOf }),
    limit('guess', 15 * MINUTE_MS, settings.SIGN_IN_LIMIT, ATTEMPTS, {
      ...failures,
      skip: (request) => emailOf(request) === '',
      keyGenerator: (request) => `${emailOf(request)} ${placeOf(request)}`,
    }),
    limit('guess-anywhere', HOUR_MS, GUESSES_ANYWHERE, ATTEMPTS, {
      ...failures,
      skip: async (request) => emailOf(request) === '' || (await known.has(request)),
      keyGenerator: emailOf,
    }),
    (request, response, next) => {
      response.once('finish', () => {
        if (response.statusCode < 300 && emailOf(request) !== '') void known.remember(request).catch(() => undefined);
      });
      next();
    },
  ];
  const perMinute = `At most ${settings.SENSOR_LIMIT} packs a minute. Gather readings and send them in one pack.`;
  const sensor = [
    limit('sensor-place', MINUTE_MS, settings.SENSOR_LIMIT * SENSORS_AT_PLACE, ['too-often', perMinute], {
      keyGenerator: placeOf,
    }),
    limit('sensor', MINUTE_MS, settings.SENSOR_LIMIT, ['too-often', perMinute], {
      keyGenerator: ({ params, headers }) => `${String(params.id)} ${headers.authorization ?? ''}`,
    }),
  ];
  const often = ['too-often', 'That calendar was read very often. Try again in a minute.'] as const;
  const address = [
    limit('calendar-place', MINUTE_MS, CALENDAR_READINGS.place, often, { keyGenerator: placeOf }),
    limit('calendar', MINUTE_MS, CALENDAR_READINGS.address, often, { keyGenerator: ({ params }) => String(params.key) }),
  ];
  const ofHousehold = {
    skip: ({ session }: Request) => !session.identity,
    keyGenerator: ({ session }: Request) => session.identity!.householdId,
  };
  const writes = limit(
    'writes',
    MINUTE_MS,
    settings.HOUSEHOLD_LIMIT,
    ['too-often', 'Your household changes very much at once. What you entered is kept on this device; it goes on in a minute.'],
    ofHousehold,
  );
  const costly = limit(
    'costly',
    10 * MINUTE_MS,
    COSTLY,
    ['too-often', 'Your household has brought in or taken out many files just now. Go on in ten minutes.'],
    ofHousehold,
  );
  /** What guards an operation. */
  return ({ limited, access, method, stream, file, costly: takesLong }: Operation): RequestHandler[] => {
    if (limited) return attempts;
    if (access === 'sensor') return sensor;
    if (access === 'address') return address;
    if (access !== 'household') return [];
    return [...(method === 'get' ? [] : [writes]), ...(stream || file || takesLong ? [costly] : [])];
  };
}
