import type { Problem } from '@tembrin/contract';
import { refusedSession, stepsAnew } from './refused';
import type { LogEvent } from '@tembrin/core/log';

const problem: Problem = {
  type: 'about:blank',
  title: 'Overlap',
  status: 422,
  detail: 'It overlaps.',
};
const at = (minutes: number) => new Date(Date.parse('2026-05-20T18:00:00.000Z') + minutes * 60_000).toISOString();
const entry = (id: string, type: LogEvent['type'], minutes: number, payload: object) => ({
  event: { id, instrumentId: 'v', type, occurredAt: at(minutes), recordedAt: at(minutes), payload } as LogEvent,
  problem,
});
const evening = [
  entry('a', 'session-began', 0, {}),
  entry('b', 'session-ended', 40, { sessionId: 'a' }),
  entry('c', 'step-done', 41, { step: 'slacken', sessionId: 'a' }),
  entry('d', 'step-skipped', 42, { step: 'wipe-stick', sessionId: 'a' }),
  entry('e', 'step-done', 42, { step: 'slacken', sessionId: 'other' }),
  entry('f', 'rosined', 1, {}),
];

test('a refused session is put together again from what was refused with it, and nothing else', () => {
  const found = refusedSession(evening, 'a')!;
  expect([found.beganAt, found.endedAt]).toEqual([Date.parse(at(0)), Date.parse(at(40))]);
  expect(found.ids).toEqual(['a', 'b', 'c', 'd']);
  expect(found.steps.map(({ id }) => id)).toEqual(['c', 'd']);
});

test('one entered by hand brings its end along; one never stopped has none; others are not sessions', () => {
  const entered = entry('g', 'session-entered', 0, { endedAt: at(30) });
  expect(refusedSession([entered], 'g')).toMatchObject({ endedAt: Date.parse(at(30)), steps: [], ids: ['g'] });
  expect(refusedSession([evening[0]!], 'a')).toMatchObject({ endedAt: null });
  expect(refusedSession(evening, 'f')).toBeNull();
  expect(refusedSession(evening, 'nowhere')).toBeNull();
  expect(refusedSession(evening, undefined)).toBeNull();
});

test('its closing round is written anew for the session in its place', () => {
  const end = Date.parse(at(55));
  const steps = stepsAnew(refusedSession(evening, 'a')!, 'v', 'new', end);
  expect(steps.map(({ type, payload, occurredAt }) => [type, payload, Date.parse(occurredAt)])).toEqual([
    ['step-done', { step: 'slacken', sessionId: 'new' }, end],
    ['step-skipped', { step: 'wipe-stick', sessionId: 'new' }, end],
  ]);
  expect(new Set([...steps, ...evening.map(({ event }) => event)].map(({ id }) => id)).size).toBe(8);
});
