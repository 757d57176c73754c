import { refusalOf, usualFacts, type LogEvent } from '@tembrin/core';
import fc from 'fast-check';
import { inTransaction } from '../database/transaction';
import { household, madeEvent, openServer, type TestServer } from '../testing/fixtures';
import { HouseholdScope } from './scope';
import { sessionsNear } from './sessions-near';

let server: TestServer;
beforeAll(() => {
  server = openServer({ HOUSEHOLD_LIMIT: '100000' });
});
afterAll(() => server.close());

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const NOW = Date.now();
const START = NOW - 120 * DAY;

type Act = 'began' | 'entered' | 'ended' | 'corrected' | 'retracted' | 'rosined';
interface Step {
  act: Act;
  day: number;
  hour: number;
  hours: number;
  which: number;
}
const step: fc.Arbitrary<Step> = fc.record({
  act: fc.constantFrom<Act>('began', 'entered', 'entered', 'entered', 'ended', 'corrected', 'retracted', 'rosined'),
  day: fc.integer({ min: 0, max: 115 }),
  hour: fc.integer({ min: 0, max: 23 }),
  hours: fc.double({ min: 0.2, max: 20, noNaN: true }),
  which: fc.nat(),
});

/** An event of a step; what it speaks of is one of those before. */
function eventOf(id: string, before: readonly LogEvent[], { act, day, hour, hours, which }: Step): LogEvent {
  const at = START + day * DAY + hour * HOUR;
  const [beganAt, endedAt] = [at, at + hours * HOUR].map((ms) => new Date(ms).toISOString()) as [string, string];
  const sessions = before.filter(({ type }) => type === 'session-began' || type === 'session-entered');
  const session = sessions[which % Math.max(1, sessions.length)];
  const any = before[which % Math.max(1, before.length)];
  if (act === 'began') return madeEvent(id, 'session-began', {}, at);
  if (act === 'rosined' || !session || !any) return madeEvent(id, 'rosined', {}, at);
  if (act === 'entered') return madeEvent(id, 'session-entered', { endedAt }, at);
  if (act === 'ended')
    return madeEvent(id, 'session-ended', { sessionId: session.id }, Date.parse(session.occurredAt) + hours * HOUR);
  if (act === 'corrected')
    return madeEvent(id, 'session-corrected', { sessionId: session.id, beganAt, endedAt }, NOW - HOUR);
  return madeEvent(id, 'retracted', { eventId: any.id }, NOW - HOUR);
}

test.each([11, 12, 13])(
  'sessions beside an event in time judge it as all of them would (%i)',
  async (seed) => {
    const party = await household(server);
    const { id } = party.instrument;
    const scope = new HouseholdScope(server.database, { householdId: party.household.id, accountId: null });
    // A log of its own making: what may not join it does not.
    const steps = fc.sample(step, { numRuns: 400, seed });
    for (let from = 0; from < steps.length; from += 40) {
      const before = await scope.log();
      const events = steps.slice(from, from + 40).map((each) => eventOf(id, before, each));
      await party.browser.postEvents(...events).expect(200);
    }
    const all = await scope.log();
    expect(all.filter(({ type }) => type === 'session-corrected').length).toBeGreaterThan(5);
    expect(all.filter(({ type }) => type === 'retracted').length).toBeGreaterThan(20);
    const ids = new Set(all.map((event) => event.id));
    const judged = (event: LogEvent, events: readonly LogEvent[]) =>
      refusalOf(event, {
        facts: usualFacts('violin'),
        events,
        has: (other) => ids.has(other),
        hasPlace: () => true,
        hasBow: () => true,
        nowMs: NOW,
        timeZone: 'Europe/Lisbon',
      });
    const verdicts = new Map<string, number>();
    for (const each of fc.sample(step, { numRuns: 250, seed: seed + 100 })) {
      const event = eventOf(id, all, each);
      const near = await inTransaction(server.database, (transaction) => sessionsNear(scope, id, [event], transaction));
      const verdict = judged(event, all);
      expect(judged(event, near)).toEqual(verdict);
      const code = verdict?.code ?? 'joins';
      verdicts.set(code, (verdicts.get(code) ?? 0) + 1);
    }
    // Of each there were enough to tell.
    expect(verdicts.get('joins')).toBeGreaterThan(30);
    expect(verdicts.get('overlap')).toBeGreaterThan(30);
  },
  120_000,
);
