import { assess } from '@tembrin/core/assess';
import { schoolsFor, usualFacts } from '@tembrin/core/instruments';
import { foldLog, type LogEvent } from '@tembrin/core/log';
import { DAY_MS, HOUR_MS } from '@tembrin/core/time';
import fc from 'fast-check';
import { sent } from '@/testing/sent';
import { heardAgain } from './heard-again';
import { toldAgain } from './told-again';

const NOW = Date.parse('2026-06-01T21:00:00.000Z');
const DAYS = 600;

/** An evening of playing, so many days ago, with the bow slackened and the hair rosined. */
function evening(day: number): LogEvent[] {
  const at = NOW - day * DAY_MS - 2 * HOUR_MS;
  const event = (type: string, ms: number, payload: object) => {
    const time = new Date(ms).toISOString();
    return {
      id: `${type}-${day}`,
      instrumentId: 'heron',
      type,
      occurredAt: time,
      recordedAt: time,
      payload,
    } as LogEvent;
  };
  const sessionId = `session-began-${day}`;
  return [
    event('session-began', at, {}),
    event('session-ended', at + HOUR_MS, { sessionId }),
    event('step-done', at + HOUR_MS, { step: 'slacken', sessionId }),
    event('rosined', at, {}),
  ];
}

const days = (from: number, to: number) => Array.from({ length: to - from }, (_, at) => at + from);
const facts = usualFacts('violin');
const judged = (evenings: readonly number[]) =>
  assess(facts, foldLog(evenings.flatMap(evening), NOW, 'UTC'), {
    schools: schoolsFor('violin'),
    observedFrom: NOW - DAYS * DAY_MS,
  });

test('an evening more is told in a fraction of what it is told in whole', () => {
  const [before, now] = [judged(days(1, DAYS)), judged(days(0, DAYS))];
  const more = toldAgain(before, now);
  expect(JSON.stringify(more).length).toBeLessThan(JSON.stringify(toldAgain(undefined, now)).length / 5);
  const heard = heardAgain(before, sent(more));
  expect(heard).toEqual(now);
  expect(heard.log.sessions[0]).toBe(before.log.sessions[0]);
  // The bow that is the only one has the instrument's own log.
  expect(heard.bows[0]!.log).toBe(heard.log);
});

test('whatever was told before, or nothing, what is heard is what was judged', () => {
  const evenings = fc.uniqueArray(fc.integer({ min: 0, max: DAYS }), { minLength: 0, maxLength: 150 });
  fc.assert(
    fc.property(fc.option(evenings, { nil: undefined }), evenings, (before, now) => {
      const told = before && judged(before);
      expect(heardAgain(told, sent(toldAgain(told, judged(now))))).toEqual(judged(now));
    }),
    { numRuns: 25 },
  );
});
