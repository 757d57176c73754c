import {
  householdChangeSchema,
  instrumentSchema,
  newCardSchema,
  newInstrumentSchema,
  newPlaceSchema,
  newSensorSchema,
  instrumentChangeSchema,
  newAccountSchema,
  operations,
  refusalSentence,
  type Operation,
} from '.';
import { usualFacts } from '@tembrin/core/instruments';

const all = Object.entries(operations) as [string, Operation][];

test('no two operations share a method and path', () => {
  const keys = all.map(([, { method, path }]) => `${method} ${path}`);
  expect(new Set(keys).size).toBe(keys.length);
});

test('whatever has a parameter, a body or an answer says what it looks like', () => {
  for (const [id, { path, params, status, response, method, body }] of all) {
    expect([id, path.includes(':')]).toEqual([id, params !== undefined]);
    expect([id, status === 204]).toEqual([id, response === undefined]);
    if (method === 'put') expect([id, body]).not.toEqual([id, undefined]);
  }
});

test('only the door is open to everyone', () => {
  const open = all.filter(([, { access }]) => access === 'open').map(([id]) => id);
  expect(open.sort()).toEqual([
    'answerNoticeAt',
    'askForPasskey',
    'confirmAddress',
    'createAccount',
    'forgotPassword',
    'health',
    'lookAtInvitation',
    'lookAtNotice',
    'openDemo',
    'ready',
    'resetPassword',
    'signIn',
    'signInByPasskey',
    'signOut',
    'unsubscribe',
  ]);
});

const issue = (result: { error?: { issues: { message: string }[] } }) => result.error?.issues[0]?.message;

test('accounts: addresses are put in order, and what is wrong is said', () => {
  const account = { email: '  Ines@Example.ORG ', password: 'quiet harbour tern', timeZone: 'Europe/Lisbon' };
  expect(newAccountSchema.parse(account).email).toBe('ines@example.org');
  expect(issue(newAccountSchema.safeParse({ ...account, email: 'ines' }))).toMatch(/like name@example.org/);
  expect(issue(newAccountSchema.safeParse({ ...account, password: 'short' }))).toMatch(/at least 12/);
  expect(issue(newAccountSchema.safeParse({ ...account, timeZone: 'Quayside' }))).toMatch(/IANA/);
  expect(newAccountSchema.safeParse({ ...account, admin: true }).success).toBe(false);
});

test('instruments: facts that contradict each other are refused beside their field', () => {
  const violin = { name: 'Heron', ...usualFacts('violin') };
  expect(instrumentChangeSchema.safeParse(violin).success).toBe(true);
  expect(instrumentChangeSchema.safeParse({ ...violin, kind: 'pedal' }).error?.issues[0]?.path).toEqual(['kind']);
  const cello = { name: 'Bittern', ...usualFacts('cello') };
  const rested = { ...cello, setUp: { ...cello.setUp, shoulderRest: 'rest' } };
  expect(instrumentChangeSchema.safeParse(rested).error?.issues[0]?.path).toEqual(['setUp', 'shoulderRest']);
  expect(issue(instrumentChangeSchema.safeParse({ ...violin, name: '   ' }))).toBe('Give it a name.');
  expect(issue(instrumentChangeSchema.safeParse({ ...violin, stringCount: Number.NaN }))).toBe(
    'Give the number of strings.',
  );
  expect(issue(instrumentChangeSchema.safeParse({ ...violin, since: '2026-02-31' }))).toMatch(/year-month-day/);
});

test('households keep to known schools and zones', () => {
  const household = {
    name: 'Quayside',
    timeZone: 'Europe/Lisbon',
    schools: { checkup: 'A', cloths: 'B' },
    currency: 'EUR',
  };
  expect(householdChangeSchema.safeParse(household).success).toBe(true);
  expect(householdChangeSchema.safeParse({ ...household, schools: { checkup: 'C', cloths: 'B' } }).success).toBe(false);
  // What nobody chose follows the family’s default.
  expect(householdChangeSchema.safeParse({ ...household, schools: {} }).success).toBe(true);
});

test('refusals say what is wrong and what to do, in the household’s own time', () => {
  const at = Date.parse('2026-06-10T18:30:00.000Z');
  const say = (refusal: Parameters<typeof refusalSentence>[0]) => refusalSentence(refusal, 'Europe/Lisbon');
  expect(say({ code: 'in-the-future', at })).toMatch(/10 Jun 2026.*19:30.*clock/);
  expect(say({ code: 'overlap', beganAt: at, endedAt: at + 3_600_000 })).toMatch(/19:30.*20:30.*retract/);
  expect(say({ code: 'overlap', beganAt: at, endedAt: null })).toMatch(/running since.*19:30.*Finish/);
  expect(say({ code: 'too-long', hours: 31.2 })).toMatch(/32 hours.*at most 24/);
  expect(say({ code: 'before-instrument', at, since: '2026-07-01' })).toMatch(/since 2026-07-01.*later date/);
  expect(say({ code: 'no-such-string', stringCount: 4 })).toMatch(/4 strings/);
  expect(say({ code: 'set-does-not-fit', wanted: 6, given: 4 })).toMatch(/4 strings were described, and 6 are meant/);
  for (const code of ['ends-before-start', 'no-such-session', 'no-such-event', 'no-bow'] as const) {
    expect(say({ code })).toMatch(/\.$/);
  }
});

describe('names', () => {
  const refused = (schema: { safeParse: (value: unknown) => { success: boolean } }, value: object, path: string) => {
    const at = (name: string) => {
      const copy = JSON.parse(JSON.stringify(value)) as Record<string, Record<string, unknown>>;
      if (path === 'name') (copy as Record<string, unknown>).name = name;
      else copy.facts!.title = name;
      return schema.safeParse(copy).success;
    };
    expect(at('Grandmother’s cello, 3/4 — ö 琴')).toBe(true);
    // A line break, a turn of the writing, half a character, a tab.
    for (const bad of ['Her\non', 'Her\u202Eon', 'Her\uD800on', 'Her\u0007on', '\u2066Heron'])
      expect([bad, at(bad)]).toEqual([bad, false]);
  };
  const id = '01a219a5-2d2f-75f7-891c-1b8d793b18cf';

  test('are plain wherever they come in', () => {
    refused(newInstrumentSchema, { id, ...usualFacts('violin'), name: '' }, 'name');
    refused(householdChangeSchema, { name: '', timeZone: 'UTC', schools: {}, currency: null }, 'name');
    refused(newSensorSchema, { id, kind: 'hand', placeId: id, name: '' }, 'name');
    const room = {
      kind: 'room',
      roomId: null,
      volumeM3: 40,
      draught: 'ordinary',
      heating: null,
      tankG: null,
      dryerG: null,
    };
    refused(newPlaceSchema, { id, ...room, name: '' }, 'name');
    const spans = [{ from: '2026-06-01', to: '2026-06-01' }];
    refused(
      newCardSchema,
      { id, kind: 'occasion', facts: { title: '', kind: 'exam', instrumentId: null, spans, source: null } },
      'title',
    );
  });

  test('that were stored before are read all the same', () => {
    const old = { id, ...usualFacts('violin'), name: 'He\u202Eron', addedAt: '2026-01-01T00:00:00.000Z', version: 1 };
    expect(instrumentSchema.safeParse(old).success).toBe(true);
  });
});
