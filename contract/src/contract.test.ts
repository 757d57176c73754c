import {
  householdChangeSchema,
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
  expect(open.sort()).toEqual(['createAccount', 'health', 'openDemo', 'signIn', 'signOut']);
});

const issue = (result: { error?: { issues: { message: string }[] } }) => result.error?.issues[0]?.message;

test('accounts: addresses are put in order, and what is wrong is said', () => {
  const account = { email: '  Ines@Example.ORG ', password: 'quiet harbour tern', timeZone: 'Europe/Lisbon' };
  expect(newAccountSchema.parse(account).email).toBe('ines@example.org');
  expect(issue(newAccountSchema.safeParse({ ...account, email: 'ines' }))).toMatch(/like name@example.org/);
  expect(issue(newAccountSchema.safeParse({ ...account, password: 'short' }))).toMatch(/at least 10/);
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
