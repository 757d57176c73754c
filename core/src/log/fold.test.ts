import fc from 'fast-check';
import { foldLog, hoursBetween, hoursOnDay, hoursUntil, lastDone, type LogEvent } from '.';
import { DAY_MS, HOUR_MS } from '../time';
import { scribe } from '../testing/events';

const NOW = Date.parse('2026-06-01T12:00:00.000Z');
const day = (text: string) => Math.round(Date.parse(`${text}T00:00:00Z`) / DAY_MS);

test('a session is its beginning and its end; a running one has no end yet', () => {
  const { session, event } = scribe();
  const running = event('session-began', '2026-06-01T11:30:00.000Z', {});
  const log = foldLog([...session('2026-05-30T18:00:00.000Z', 0.75), running], NOW, 'UTC');
  expect(log.sessions).toHaveLength(2);
  expect(log.sessions[0]!.endedAt! - log.sessions[0]!.beganAt).toBe(0.75 * HOUR_MS);
  expect(log.running?.id).toBe(running.id);
  expect(hoursUntil(log.playing, NOW)).toBeCloseTo(1.25, 9);
});

test('a session past midnight belongs to the evening it began', () => {
  const { session } = scribe();
  const log = foldLog(session('2026-05-10T22:30:00.000Z', 1.5), NOW, 'Europe/Lisbon');
  expect(log.sessions[0]!.day).toBe(day('2026-05-10'));
  // The same instants are an evening earlier on the other side of the sea.
  expect(foldLog(session('2026-05-10T02:30:00.000Z', 1.5), NOW, 'America/New_York').sessions[0]!.day).toBe(
    day('2026-05-09'),
  );
});

test('changing the clocks neither loses nor adds playing time', () => {
  const { session } = scribe();
  // Lisbon, 29 March 2026, 00:30 to 02:30 on the wall: one hour of playing. 25 October, 00:30 to 02:30: three.
  const spring = foldLog(session('2026-03-29T00:30:00.000Z', 1), NOW, 'Europe/Lisbon');
  expect(hoursUntil(spring.playing, NOW)).toBe(1);
  const autumn = foldLog(session('2025-10-24T23:30:00.000Z', 3), NOW, 'Europe/Lisbon');
  expect(hoursUntil(autumn.playing, NOW)).toBe(3);
  expect(autumn.sessions[0]!.day).toBe(day('2025-10-25'));
});

test('a correction replaces the times; the one recorded last holds; retracting it restores the others', () => {
  const { session, event, retract } = scribe();
  const [began, ended] = session('2026-05-20T18:00:00.000Z', 5);
  const correct = (at: string, endedAt: string) =>
    event('session-corrected', at, { sessionId: began.id, beganAt: '2026-05-20T18:00:00.000Z', endedAt });
  const first = correct('2026-05-21T08:00:00.000Z', '2026-05-20T19:00:00.000Z');
  const second = correct('2026-05-21T09:00:00.000Z', '2026-05-20T19:30:00.000Z');
  const hours = (...more: LogEvent[]) => hoursUntil(foldLog([began, ended, ...more], NOW, 'UTC').playing, NOW);
  expect(hours()).toBe(5);
  expect(hours(first)).toBe(1);
  expect(hours(second, first)).toBe(1.5);
  expect(hours(second, first, retract(second.id, '2026-05-21T10:00:00.000Z'))).toBe(1);
});

test('the end of a session may arrive before its beginning', () => {
  const { session } = scribe();
  const [began, ended] = session('2026-05-20T18:00:00.000Z', 1);
  expect(foldLog([ended], NOW, 'UTC').sessions).toEqual([]);
  expect(foldLog([ended, began], NOW, 'UTC')).toEqual(foldLog([began, ended], NOW, 'UTC'));
});

test('a session ended in two places ended at the earlier time', () => {
  const { session, event } = scribe();
  const [began, ended] = session('2026-05-20T18:00:00.000Z', 1);
  const late = event('session-ended', '2026-05-20T20:00:00.000Z', { sessionId: began.id });
  expect(foldLog([late, began, ended], NOW, 'UTC').sessions[0]!.endedAt).toBe(Date.parse(ended.occurredAt));
});

describe('two devices that recorded the same evening', () => {
  const at = (time: string) => Date.parse(`2026-05-20T${time}:00.000Z`);
  const sessionsOf = (events: readonly LogEvent[]) => foldLog(events, NOW, 'UTC').sessions;

  test('recorded one session: from the earliest beginning to the latest end', () => {
    const { session } = scribe();
    const [a, aEnd] = session('2026-05-20T18:00:00.000Z', 0.75);
    const [b, bEnd] = session('2026-05-20T18:02:00.000Z', 0.8);
    const found = sessionsOf([b, bEnd, a, aEnd]);
    expect(found).toMatchObject([{ id: a.id, parts: [a.id, b.id], beganAt: at('18:00'), endedAt: at('18:50') }]);
    expect(found[0]!.endEventIds).toEqual([aEnd.id, bEnd.id]);
  });

  test('a clock that only one of them stopped is stopped', () => {
    const { session, event } = scribe();
    const [a, aEnd] = session('2026-05-20T18:00:00.000Z', 0.5);
    const forgotten = event('session-began', '2026-05-20T18:05:00.000Z', {});
    const later = session('2026-05-20T20:00:00.000Z', 0.5);
    const log = foldLog([a, aEnd, forgotten, ...later], NOW, 'UTC');
    expect(log.running).toBeNull();
    expect(log.sessions.map(({ beganAt, endedAt }) => [beganAt, endedAt])).toEqual([
      [at('18:00'), at('18:30')],
      [at('20:00'), at('20:30')],
    ]);
  });

  test('two clocks still running are one', () => {
    const { event } = scribe();
    const [one, two] = [event('session-began', NOW - 2 * HOUR_MS, {}), event('session-began', NOW - HOUR_MS, {})];
    const log = foldLog([two, one], NOW, 'UTC');
    expect(log.running).toMatchObject({ id: one.id, parts: [one.id, two.id] });
    expect(hoursUntil(log.playing, NOW)).toBe(2);
  });

  test('a correction of either sets the times of both', () => {
    const { session, event } = scribe();
    const [a, aEnd] = session('2026-05-20T18:00:00.000Z', 0.75);
    const [b, bEnd] = session('2026-05-20T18:02:00.000Z', 5);
    const correction = event('session-corrected', NOW, {
      sessionId: b.id,
      beganAt: '2026-05-20T18:00:00.000Z',
      endedAt: '2026-05-20T18:40:00.000Z',
    });
    expect(sessionsOf([a, aEnd, b, bEnd, correction])).toMatchObject([{ endedAt: at('18:40'), corrected: true }]);
  });

  test('one evening after another stays two', () => {
    const { session } = scribe();
    expect(
      sessionsOf([...session('2026-05-20T18:00:00.000Z', 1), ...session('2026-05-20T19:00:00.000Z', 1)]),
    ).toHaveLength(2);
  });
});

test('sessions that overlap are counted once', () => {
  const { session } = scribe();
  const log = foldLog(
    [...session('2026-05-20T18:00:00.000Z', 2), ...session('2026-05-20T19:00:00.000Z', 2)],
    NOW,
    'UTC',
  );
  expect(hoursUntil(log.playing, NOW)).toBe(3);
});

test('a clock left running counts for a day at most', () => {
  const { event } = scribe();
  const log = foldLog([event('session-began', NOW - 5 * DAY_MS, {})], NOW, 'UTC');
  expect(hoursUntil(log.playing, NOW)).toBe(24);
});

test('what is dated later than now does not count yet', () => {
  const { event } = scribe();
  const log = foldLog([event('rosined', NOW + HOUR_MS, {}), event('session-began', NOW + HOUR_MS, {})], NOW, 'UTC');
  expect(log.rosinings).toEqual([]);
  expect(log.running).toBeNull();
});

test('the last time a step was done is not the last time it was skipped', () => {
  const { event } = scribe();
  const done = event('step-done', NOW - 2 * DAY_MS, { step: 'slacken', sessionId: null });
  const skipped = event('step-skipped', NOW - DAY_MS, { step: 'slacken', sessionId: null });
  expect(lastDone(foldLog([skipped, done], NOW, 'UTC'), 'slacken')).toBe(NOW - 2 * DAY_MS);
});

/** Sessions of up to four hours anywhere in thirty days, some overlapping. */
const spans = fc.array(fc.tuple(fc.integer({ min: 0, max: 30 * 24 * 60 }), fc.integer({ min: 1, max: 240 })), {
  maxLength: 40,
});
const START = NOW - 31 * DAY_MS;
const MINUTE = 60_000;

test('hours played between two instants equal a count minute by minute', () => {
  fc.assert(
    fc.property(spans, fc.integer({ min: 0, max: 31 * 1440 }), fc.integer({ min: 0, max: 31 * 1440 }), (plan, a, b) => {
      const { session } = scribe();
      const events = plan.flatMap(([from, minutes]) => session(START + from * MINUTE, minutes / 60));
      const { playing } = foldLog(events, NOW, 'UTC');
      const played = new Set(plan.flatMap(([from, minutes]) => Array.from({ length: minutes }, (_, at) => from + at)));
      const [from, to] = [Math.min(a, b), Math.max(a, b)];
      const counted = [...played].filter((minute) => minute >= from && minute < to).length;
      expect(hoursBetween(playing, START + from * MINUTE, START + to * MINUTE) * 60).toBeCloseTo(counted, 6);
    }),
  );
});

test('the fold depends on the set of events, not on their order or number of copies', () => {
  const log = spans.map((plan) => {
    const { session, event } = scribe();
    return plan.flatMap(([from, minutes], at): LogEvent[] => {
      const [began, ended] = session(START + from * MINUTE, minutes / 60);
      const step = event('step-done', ended.occurredAt, { step: 'slacken', sessionId: began.id });
      return at % 3 === 0 ? [began, ended, step] : at % 3 === 1 ? [began, ended] : [ended, began];
    });
  });
  fc.assert(
    fc.property(
      log.chain((events) =>
        fc.tuple(fc.constant(events), fc.shuffledSubarray(events, { minLength: events.length }), fc.subarray(events)),
      ),
      ([events, other, twice]) =>
        expect(foldLog([...other, ...twice], NOW, 'Europe/Lisbon')).toEqual(foldLog(events, NOW, 'Europe/Lisbon')),
    ),
    { numRuns: 60 },
  );
});

test('hours of a day are those of the sessions that began on it', () => {
  const { session, event } = scribe();
  const running = event('session-began', NOW - 0.5 * HOUR_MS, {});
  const log = foldLog(
    [...session('2026-05-31T22:00:00.000Z', 1.5), ...session('2026-06-01T08:00:00.000Z', 1), running],
    NOW,
    'UTC',
  );
  expect(hoursOnDay(log, day('2026-05-31'))).toBe(1.5);
  expect(hoursOnDay(log, day('2026-06-01'))).toBe(1.5);
  expect(hoursOnDay(log, day('2026-05-01'))).toBe(0);
});

describe('a clock that nobody stopped', () => {
  const { event } = scribe();
  const began = (at: string) => event('session-began', at, {});
  const ends = (...events: LogEvent[]) =>
    foldLog(events, NOW, 'UTC').sessions.map(({ beganAt, endedAt }) => endedAt && (endedAt - beganAt) / HOUR_MS);

  test('ended where the next session began', () => {
    expect(ends(began('2026-05-01T10:00:00.000Z'), began('2026-05-02T08:00:00.000Z'))).toEqual([22, null]);
  });

  test('ended after a day at most, however late the next', () => {
    expect(ends(began('2026-05-01T10:00:00.000Z'), began('2026-05-04T10:00:00.000Z'))).toEqual([24, null]);
  });

  test('the last of all runs on', () => {
    expect(ends(began('2026-05-01T10:00:00.000Z'))).toEqual([null]);
    expect(ends()).toEqual([]);
  });

  test('one that was stopped keeps its end', () => {
    const first = began('2026-05-01T10:00:00.000Z');
    const stop = event('session-ended', '2026-05-01T11:30:00.000Z', { sessionId: first.id });
    expect(ends(first, stop, began('2026-05-04T10:00:00.000Z'))).toEqual([1.5, null]);
  });
});
