import { DAY_MS, HOUR_MS, MINUTE_MS } from '@tembrin/core';
import type { Operation } from '@tembrin/contract';
import type { Request, RequestHandler } from 'express';
import { ipKeyGenerator, rateLimit, type Options } from 'express-rate-limit';
import { QueryTypes, type Sequelize } from 'sequelize';
import type { Config } from '../config';
import type { Database } from '../database/connect';
import type { Watch } from '../operating/watch';
import { problem } from '../problems/problems';
import { SharedCounts } from './shared-counts';
import { hashed } from '../store/hashed';

/** Network of a request's sender: an address, or the block of addresses one line has in IPv6. */
const placeOf = ({ ip }: Request) => ipKeyGenerator(ip ?? '', 56);

/** Whoever signed in from a place is not kept out there by what others try elsewhere, for so long. */
const KNOWN_MS = 90 * DAY_MS;

/** Places from which somebody signed in with an address. */
class KnownPlaces {
  constructor(private readonly sequelize: Sequelize) {}

  private name = (request: Request) => `known ${hashed(`${emailOf(request)} ${placeOf(request)}`)}`;

  async has(request: Request): Promise<boolean> {
    const rows = await this.sequelize.query('SELECT 1 FROM limits WHERE name = :name AND until > UTC_TIMESTAMP(3)', {
      replacements: { name: this.name(request) },
      type: QueryTypes.SELECT,
    });
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

/** What a limit is made of. */
interface LimitOf extends Partial<Options> {
  what: string;
  windowMs: number;
  most: number;
  /** Told where it is met. */
  told: readonly [type: string, detail: string];
  /** The same as a page, where somebody looks at it. */
  page?: () => string;
  keyGenerator: Options['keyGenerator'];
}

type MakeLimit = (of: LimitOf) => RequestHandler;

/** So many openings from one place; failures by address and place; and failures by address, wherever they come from. */
function attemptLimits(limit: MakeLimit, known: KnownPlaces, settings: LimitSettings): RequestHandler[] {
  const attempts = { windowMs: 15 * MINUTE_MS, told: ATTEMPTS };
  const failures = { ...attempts, skipSuccessfulRequests: true };
  return [
    limit({ what: 'opening', ...attempts, most: settings.OPENING_LIMIT, keyGenerator: placeOf }),
    limit({
      what: 'guess',
      ...failures,
      most: settings.SIGN_IN_LIMIT,
      skip: (request) => emailOf(request) === '',
      keyGenerator: (request) => `${emailOf(request)} ${placeOf(request)}`,
    }),
    limit({
      what: 'guess-anywhere',
      ...failures,
      windowMs: HOUR_MS,
      most: GUESSES_ANYWHERE,
      skip: async (request) => emailOf(request) === '' || (await known.has(request)),
      keyGenerator: emailOf,
    }),
  ];
}

/** Remembers the place of who got through. */
const rememberPlace =
  (known: KnownPlaces): RequestHandler =>
  (request, response, next) => {
    response.once('finish', () => {
      if (response.statusCode < 300) void known.remember(request).catch(() => undefined);
    });
    next();
  };

function sensorLimits(limit: MakeLimit, perMinute: number): RequestHandler[] {
  const told = [
    'too-often',
    `At most ${perMinute} packs a minute. Gather readings and send them in one pack.`,
  ] as const;
  const packs = { windowMs: MINUTE_MS, told };
  return [
    limit({ what: 'sensor-place', ...packs, most: perMinute * SENSORS_AT_PLACE, keyGenerator: placeOf }),
    limit({
      what: 'sensor',
      ...packs,
      most: perMinute,
      keyGenerator: ({ params, headers }) => `${String(params.id)} ${headers.authorization ?? ''}`,
    }),
  ];
}

function calendarLimits(limit: MakeLimit): RequestHandler[] {
  const told = ['too-often', 'That calendar was read very often. Try again in a minute.'] as const;
  const readings = { windowMs: MINUTE_MS, told };
  return [
    limit({ what: 'calendar-place', ...readings, most: CALENDAR_READINGS.place, keyGenerator: placeOf }),
    limit({
      what: 'calendar',
      ...readings,
      most: CALENDAR_READINGS.address,
      keyGenerator: ({ params }) => String(params.key),
    }),
  ];
}

/** Letters that anybody may have sent to one address, and from one place to any, an hour. */
const LETTERS = { address: 5, place: 100 } as const;

function mailLimits(limit: MakeLimit): RequestHandler[] {
  const told = [
    'too-often',
    'That was asked for several times. Look for the mail first; ask again in an hour.',
  ] as const;
  // An invitation that is handed over as a link sends nothing.
  const letters = { windowMs: HOUR_MS, told, skip: (request: Request) => emailOf(request) === '' };
  return [
    limit({ what: 'letter-place', ...letters, most: LETTERS.place, keyGenerator: placeOf }),
    limit({ what: 'letter', ...letters, most: LETTERS.address, keyGenerator: emailOf }),
  ];
}

/** Changes of an account in an hour, and wrong passwords given with them by who is signed in already. */
const ACCOUNT_CHANGES = 60;

function accountLimits(limit: MakeLimit, guesses: number): RequestHandler[] {
  const ofAccount = {
    skip: ({ session }: Request) => !session.identity?.accountId,
    keyGenerator: ({ session }: Request) => session.identity!.accountId!,
  };
  return [
    limit({ what: 'account', windowMs: HOUR_MS, told: ATTEMPTS, most: ACCOUNT_CHANGES, ...ofAccount }),
    limit({
      what: 'account-guess',
      windowMs: 15 * MINUTE_MS,
      told: ATTEMPTS,
      most: guesses,
      skipSuccessfulRequests: true,
      ...ofAccount,
    }),
  ];
}

/** What a household may change, and how many files it may bring in or take out. */
function householdLimits(limit: MakeLimit, writes: number): Record<'writes' | 'costly', RequestHandler> {
  const ofHousehold = {
    skip: ({ session }: Request) => !session.identity,
    keyGenerator: ({ session }: Request) => session.identity!.householdId,
  };
  return {
    writes: limit({
      what: 'writes',
      windowMs: MINUTE_MS,
      most: writes,
      told: [
        'too-often',
        'Your household changes very much at once. What you entered is kept on this device; it goes on in a minute.',
      ],
      ...ofHousehold,
    }),
    costly: limit({
      what: 'costly',
      windowMs: 10 * MINUTE_MS,
      most: COSTLY,
      told: ['too-often', 'Your household has brought in or taken out many files just now. Go on in ten minutes.'],
      ...ofHousehold,
    }),
  };
}

type Counting = Pick<Database, 'sequelize' | 'reads'>;

/** How limits are made that all processes count together. */
function limitsIn(database: Counting, watch: Watch): MakeLimit {
  return ({ what, most, told: [type, detail], page, ...more }) =>
    rateLimit({
      limit: most,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      store: new SharedCounts(database, what),
      handler: (_request, response) => {
        watch.happened('too many requests refused', { limit: what });
        if (page) return void response.status(429).type('text/html').send(page());
        response.status(429).type('application/problem+json');
        response.json(problem(429, type, detail));
      },
      ...more,
    });
}

/** What is asked under the link of a workshop, from one place and under one link: pages, photographs, answers, prints. */
const WORKSHOP_ASKS = {
  open: { place: 300, link: 300, windowMs: MINUTE_MS },
  answer: { place: 40, link: 12, windowMs: 10 * MINUTE_MS },
  print: { place: 40, link: 12, windowMs: 10 * MINUTE_MS },
} as const;

/**
 * Limits on what is asked under the link of a workshop.
 * @param page what is answered where one is met
 */
export function workshopLimits(
  database: Counting,
  watch: Watch,
  page: () => string,
): (what: keyof typeof WORKSHOP_ASKS) => RequestHandler[] {
  const limit = limitsIn(database, watch);
  const made = (what: keyof typeof WORKSHOP_ASKS) => {
    const { place, link, windowMs } = WORKSHOP_ASKS[what];
    const told = ['too-often', 'That was asked for very often. Try again in ten minutes.'] as const;
    return [
      limit({ what: `workshop-${what}-place`, windowMs, told, page, most: place, keyGenerator: placeOf }),
      limit({
        what: `workshop-${what}`,
        windowMs,
        told,
        page,
        most: link,
        keyGenerator: ({ params }) => String(params.key),
      }),
    ];
  };
  return (what) => made(what);
}

/**
 * Limits on what is asked, counted in the database and so for all processes together; keys are short, and forgotten in time.
 * @returns what guards an operation
 */
export function limitsOf(
  database: Counting,
  settings: LimitSettings,
  watch: Watch,
): (operation: Operation) => RequestHandler[] {
  const limit = limitsIn(database, watch);
  const known = new KnownPlaces(database.sequelize);
  const attempts = attemptLimits(limit, known, settings);
  const sensor = sensorLimits(limit, settings.SENSOR_LIMIT);
  const address = calendarLimits(limit);
  const { writes, costly } = householdLimits(limit, settings.HOUSEHOLD_LIMIT);
  const mail = mailLimits(limit);
  const account = accountLimits(limit, settings.SIGN_IN_LIMIT);
  return ({ limited, showsWho, access, method, stream, small, file, costly: takesLong }) => {
    if (access === 'account') return method === 'get' ? [] : [...account, ...(limited === 'mail' ? mail : [])];
    if (limited === 'mail') return mail;
    if (limited) return showsWho ? [...attempts, rememberPlace(known)] : attempts;
    if (access === 'sensor') return sensor;
    if (access === 'address') return address;
    if (access !== 'household') return [];
    return [...(method === 'get' ? [] : [writes]), ...((stream && !small) || file || takesLong ? [costly] : [])];
  };
}
