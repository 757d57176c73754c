import fc from 'fast-check';
import { usualFacts } from '../instruments';
import { HOUR_MS } from '../time';
import { refusalOf, type AdmissionContext, type LogEvent } from '.';
import { liveEvents } from './retraction';
import { sessionIndex, spanOf } from './session-index';
import { sessionRefusal } from './session-admission';
import { FORGOTTEN_H, LONGEST_SESSION_H, mergedSessions } from './sessions';

/** An event is judged by the sessions beside it; the answer is that of judging by all of them. */
const T0 = Date.parse('2026-03-01T00:00:00.000Z');
const NOW = T0 + 1000 * HOUR_MS;
const at = (hours: number) => new Date(T0 + hours * HOUR_MS).toISOString();
const idOf = (count: number) => `00000000-0000-4000-8000-${String(count).padStart(12, '0')}`;

/** The rule over the whole log, as it reads: what stands before the event, what after it, and what became different. */
function byAll(event: LogEvent, events: readonly LogEvent[]): string | null {
  const before = mergedSessions(liveEvents(events));
  const live = liveEvents([...events, event]);
  const after = mergedSessions(live);
  const known = new Map(before.map((session) => [session.id, session]));
  const typed = new Set(live.flatMap(({ id, type }) => (type === 'session-entered' ? [id] : [])));
  for (const [place, { id, beganAt, endedAt, parts }] of after.entries()) {
    const was = known.get(id);
    if (was?.beganAt === beganAt && was.endedAt === endedAt && was.parts.length === parts.length) continue;
    if (((endedAt ?? beganAt) - beganAt) / HOUR_MS > LONGEST_SESSION_H) return 'too-long';
    const [earlier, later] = [after[place - 1], after[place + 1]];
    if (earlier && (earlier.endedAt ?? Infinity) > beganAt) return 'overlap';
    if (later && (endedAt ?? Infinity) > later.beganAt) return 'overlap';
    if (event.type === 'session-began' || event.type === 'session-ended' || parts.length === 1) continue;
    const joined = before.filter((each) => each.parts.some((part) => parts.includes(part)));
    if (joined[0]?.parts.length === parts.length || !parts.some((part) => typed.has(part))) continue;
    if (joined.length > 0) return 'overlap';
  }
  return null;
}

type Move = { kind: number; target: number; from: number; lasts: number };
const moves = fc.array(
  fc.record({
    kind: fc.integer({ min: 0, max: 9 }),
    target: fc.nat(30),
    from: fc.integer({ min: 0, max: 240 }),
    lasts: fc.integer({ min: 0, max: 26 }),
  }),
  { minLength: 1, maxLength: 40 },
);

/** An event of one of the five types, about one of those before where it is about any. */
function made({ kind, target, from, lasts }: Move, count: number, before: readonly LogEvent[]): LogEvent {
  const other = before.length > 0 ? before[target % before.length]!.id : idOf(999);
  const [begins, ends] = [at(from / 2), at(from / 2 + lasts / 2)];
  const event = (type: string, occurredAt: string, payload: object) =>
    ({ id: idOf(count), instrumentId: 'v', type, occurredAt, recordedAt: at(500 + count), payload }) as LogEvent;
  if (kind < 3) return event('session-began', begins, {});
  if (kind < 5) return event('session-ended', ends, { sessionId: other });
  if (kind < 7) return event('session-entered', begins, { endedAt: ends });
  if (kind < 8) return event('session-corrected', at(500), { sessionId: other, beganAt: begins, endedAt: ends });
  return event('retracted', at(500), { eventId: other });
}

test('when a session was is the same however plain it is', () => {
  fc.assert(
    fc.property(moves, (list) => {
      const events: LogEvent[] = [];
      for (const [count, move] of list.entries()) events.push(made(move, count, events));
      for (const { id } of events) {
        const own = sessionIndex(events).eventsOf(id);
        const [session] = mergedSessions(liveEvents(own));
        const ends = [session?.beganAt ?? NaN, session?.endedAt ?? (session?.beganAt ?? NaN) + FORGOTTEN_H * HOUR_MS];
        expect(spanOf(own)).toEqual(session ? ends.sort((a, b) => a - b) : null);
      }
    }),
  );
});

test('what is judged beside it is judged as by the whole log, whatever stands in it', () => {
  fc.assert(
    fc.property(moves, fc.boolean(), (list, strict) => {
      const events: LogEvent[] = [];
      for (const [count, move] of list.entries()) {
        const event = made(move, count, events);
        const context = { events } as unknown as AdmissionContext;
        expect(sessionRefusal(event, context)?.code ?? null).toBe(byAll(event, events));
        // A log as it is admitted, or one in which anything stands.
        if (!strict || byAll(event, events) === null) events.push(event);
      }
    }),
    { numRuns: 600 },
  );
});

test('the answer does not rest on what was asked before', () => {
  fc.assert(
    fc.property(moves, moves, (list, asked) => {
      const events: LogEvent[] = [];
      for (const [count, move] of list.entries()) events.push(made(move, count, events));
      for (const [count, move] of asked.entries()) {
        const event = made(move, 100 + count, events);
        const fresh = sessionRefusal(event, { events: [...events].reverse() } as unknown as AdmissionContext);
        expect(sessionRefusal(event, { events } as unknown as AdmissionContext)?.code).toBe(fresh?.code);
      }
    }),
    { numRuns: 200 },
  );
});

test('an event in a log of many is not judged by the many', () => {
  // Ten sessions a week for years: what is looked at is counted by how often a date is read.
  const events: LogEvent[] = Array.from({ length: 4000 }, (_, count) => ({
    id: idOf(count),
    instrumentId: 'v',
    type: 'session-entered',
    occurredAt: at(-24 * 4000 + count * 24),
    recordedAt: at(0),
    payload: { endedAt: at(-24 * 4000 + count * 24 + 1) },
  }));
  const context: AdmissionContext = {
    facts: usualFacts('violin'),
    events,
    has: () => true,
    hasPlace: () => true,
    hasBow: () => true,
    nowMs: NOW,
    timeZone: 'UTC',
  };
  const judge = (count: number) =>
    refusalOf(
      {
        ...events[0]!,
        id: idOf(5000 + count),
        occurredAt: at(-24 * count - 12),
        payload: { endedAt: at(-24 * count - 11) },
      } as LogEvent,
      context,
    );
  expect(judge(1)).toBeNull();
  const parse = jest.spyOn(Date, 'parse');
  for (let count = 2; count < 22; count++) expect(judge(count)).toBeNull();
  expect(parse.mock.calls.length).toBeLessThan(20 * 40);
  parse.mockRestore();
});
