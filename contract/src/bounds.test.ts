import fc from 'fast-check';
import {
  CARDS_PER_POST,
  cardPostSchema,
  CHECK_FAULT_SENTENCES,
  credentialsSchema,
  diaryImportQuerySchema,
  loggerImportQuerySchema,
  loggerPreviewQuerySchema,
  newAccountSchema,
  operations,
  plannedWords,
  readingFaultSentence,
  readingPostSchema,
  READINGS_PER_POST,
  YEAR_DAYS,
  yearQuerySchema,
  type Operation,
} from '.';
import type { PlannedItem } from '@tembrin/core/year';

const says = (result: { error?: { issues: { message: string }[] } }) => result.error?.issues[0]?.message;
const ID = '00000000-0000-4000-8000-000000000001';

describe('what comes from outside is bounded', () => {
  const reading = { at: '2026-06-01T20:00:00Z', percent: 45, tempC: null, lowPercent: null, highPercent: null };
  const occasion = { title: 'Concert', kind: 'performance', instrumentId: null, source: null };
  const card = { id: ID, kind: 'occasion', facts: { ...occasion, spans: [{ from: '2026-07-01', to: '2026-07-01' }] } };

  it('readings of one request', () => {
    const post = (count: number) => readingPostSchema.safeParse({ readings: Array(count).fill(reading) });
    expect(post(READINGS_PER_POST).success).toBe(true);
    expect(says(post(READINGS_PER_POST + 1))).toBe(`Send at most ${READINGS_PER_POST} readings at a time.`);
    expect(says(post(0))).toBe('Send at least one reading.');
  });

  it('cards of one request', () => {
    const post = (count: number) => cardPostSchema.safeParse({ cards: Array(count).fill(card) });
    expect(post(CARDS_PER_POST).success).toBe(true);
    expect(says(post(CARDS_PER_POST + 1))).toMatch(/at most 500 cards/);
    expect(says(post(0))).toMatch(/at least one/);
  });

  it('days of one chart', () => {
    const ask = (days: number) => yearQuerySchema.safeParse({ from: '20000', to: String(20_000 + days) });
    expect(ask(YEAR_DAYS).success).toBe(true);
    expect(ask(YEAR_DAYS + 1).success).toBe(false);
    expect(ask(0).success).toBe(false);
    expect(ask(-3).success).toBe(false);
  });

  it('passwords and addresses', () => {
    const account = { email: 'ines@example.org', password: 'quiet harbour tern', timeZone: 'UTC' };
    expect(newAccountSchema.safeParse({ ...account, password: 'a'.repeat(128) }).success).toBe(true);
    expect(newAccountSchema.safeParse({ ...account, password: 'a'.repeat(129) }).success).toBe(false);
    expect(newAccountSchema.safeParse({ ...account, email: `${'a'.repeat(250)}@example.org` }).success).toBe(false);
    expect(credentialsSchema.safeParse({ email: account.email, password: 'a'.repeat(1_000_000) }).success).toBe(false);
    // A time zone is looked up only where its name can be one.
    expect(newAccountSchema.safeParse({ ...account, timeZone: 'A'.repeat(100_000) }).success).toBe(false);
  });
});

describe('plans in addresses', () => {
  const plan = {
    delimiter: ';',
    skip: 1,
    date: 0,
    clock: null,
    rh: 1,
    temp: null,
    order: 'dmy',
    tempUnit: 'C',
    rhUnit: 'percent',
  };
  const ask = (text: string) => loggerImportQuerySchema.safeParse({ plan: text });

  it('are read as they were written', () => {
    expect(ask(JSON.stringify(plan)).data).toEqual({ plan });
    expect(loggerPreviewQuerySchema.parse({})).toEqual({});
  });

  it('whatever else is written there is refused, never thrown at', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string({ maxLength: 200 }), fc.json()), (text) => {
        expect(ask(text).success).toBe(false);
      }),
    );
    expect(says(ask('{'))).toBe('The plan is not readable JSON.');
    expect(ask(JSON.stringify({ ...plan, note: 'x'.repeat(1000) })).success).toBe(false);
  });

  it('a column is one of the first two hundred, and lines skipped are few', () => {
    fc.assert(
      fc.property(fc.integer({ min: -5, max: 300 }), fc.integer({ min: -5, max: 700 }), (rh, skip) => {
        const fits = rh >= 0 && rh <= 200 && skip >= 0 && skip <= 500;
        expect(ask(JSON.stringify({ ...plan, rh, skip })).success).toBe(fits);
      }),
    );
  });

  it('a diary’s says what becomes of what is on record already; nothing is assumed', () => {
    const diary = { delimiter: ',', skip: 0, date: 0, order: 'dmy', length: 1, unit: 'minutes', instrument: null };
    const query = { plan: JSON.stringify(diary), onRecord: 'leave', leaveFaulty: 'false', instrumentId: ID };
    expect(diaryImportQuerySchema.parse(query)).toMatchObject({ plan: diary, leaveFaulty: false });
    const { onRecord: _onRecord, ...unsaid } = query;
    expect(diaryImportQuerySchema.safeParse(unsaid).success).toBe(false);
    expect(diaryImportQuerySchema.safeParse({ ...query, leaveFaulty: 'perhaps' }).success).toBe(false);
  });
});

describe('sentences', () => {
  it('for every fault of a reading: what is wrong, and a full stop', () => {
    const faults = [
      'no-number',
      'rh-negative',
      'rh-above-100',
      'rh-fraction',
      'temp-out-of-range',
      'low-above-high',
      'in-the-future',
      'clock-not-set',
      'no-date',
      'too-few-columns',
      'no-humidity',
      'unit',
      'must-understand',
    ] as const;
    const sentences = faults.map(readingFaultSentence);
    expect(new Set(sentences).size).toBe(faults.length);
    for (const sentence of [...sentences, ...Object.values(CHECK_FAULT_SENTENCES)])
      expect(sentence).toMatch(/^[A-Z].*\.$/);
  });

  it('for why something is planned when it is', () => {
    const day = 20_620;
    const noon = day * 86_400_000 + 43_200_000;
    const item = {
      instrumentId: 'v',
      part: 'hair',
      who: 'workshop',
      day,
      window: { early: noon - 30 * 86_400_000, middle: noon, late: noon + 30 * 86_400_000 },
      clash: null,
    };
    const words = (more: object) => plannedWords({ ...item, ...more } as unknown as PlannedItem, 'UTC');
    const occasion = { title: 'Lighthouse concert' };
    expect(words({ placed: { by: 'window' } })).toBe(
      'Due between 17 May 2026 and 16 Jul 2026; planned for 16 Jun 2026, the middle of that. Done by: workshop.',
    );
    expect(words({ placed: { by: 'today' } })).toMatch(/: the middle of that is past\./);
    expect(words({ placed: { by: 'player' } })).toMatch(/, as you set it\./);
    expect(words({ placed: { by: 'performance', side: 'after', occasion } })).toMatch(
      / after Lighthouse concert, to leave/,
    );
    expect(words({ placed: { by: 'visit', with: 1 } })).toMatch(/with one other in one visit/);
    expect(words({ placed: { by: 'visit', with: 4 } })).toMatch(/with 4 others in one visit/);
    expect(words({ placed: { by: 'player' }, clash: occasion })).toMatch(/too close before Lighthouse concert\./);
  });
});

describe('operations', () => {
  const all = Object.entries(operations) as [string, Operation][];

  it('what changes something that has a version asks for the version seen', () => {
    const changes = all.filter(
      ([, { method, path }]) => method === 'put' || (method === 'delete' && /:id$/.test(path)),
    );
    const unversioned = changes.filter(([, { versioned }]) => !versioned).map(([id]) => id);
    // A new address or key takes the place of whatever there was; what is closed or withdrawn has no versions.
    const free = [
      'endSignIn',
      'removePasskey',
      'removePushDevice',
      'renewCalendarAddress',
      'renewKey',
      'revokeInvitation',
      'revokeShare',
      'withdrawOffer',
    ];
    expect(unversioned.sort()).toEqual(free.filter((id) => unversioned.includes(id)));
  });

  it('every address has the parameters its schema names, and no other', () => {
    for (const [id, { path, params }] of all) {
      const named = [...path.matchAll(/:(\w+)/g)].map(([, name]) => name);
      const shape = params ? Object.keys((params as { shape?: object }).shape ?? {}) : [];
      expect([id, named.sort()]).toEqual([id, shape.sort()]);
    }
  });

  it('what is answered as a file has a name, and a text its type', () => {
    for (const [id, { file, text, bytes }] of all) if (file) expect([id, text ?? bytes]).not.toEqual([id, undefined]);
  });
});
