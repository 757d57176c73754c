import { bowTension, rosinBudget, ROSIN_BUDGET } from '.';
import { foldLog, type LogEvent } from '../log';
import { DAY_MS, HOUR_MS } from '../time';
import { scribe } from '../testing/events';

const NOW = Date.parse('2026-06-01T12:00:00.000Z');

describe('rosin budget', () => {
  /** Rosinings before each of so many sessions of the given minutes. */
  function budgetAfter(minutes: readonly number[]) {
    const { event, session } = scribe();
    const start = NOW - 60 * DAY_MS;
    const events = minutes.flatMap((length, at): LogEvent[] => [
      event('rosined', start + at * DAY_MS, {}),
      ...session(start + at * DAY_MS + HOUR_MS, length / 60),
    ]);
    return rosinBudget(foldLog(events, NOW, 'UTC'));
  }

  test('is the trade’s until three rosinings are on record', () => {
    expect(budgetAfter([200, 200])).toEqual({ ...ROSIN_BUDGET, scale: 1, rosinings: 2 });
  });

  test('then follows the player’s own habit', () => {
    const { scale, budget, dueFrom, overduePast } = budgetAfter([120, 120, 120]);
    expect(scale).toBeCloseTo(120 / 90, 6);
    expect([dueFrom, budget, overduePast].map(Math.round)).toEqual([80, 120, 140]);
  });

  test('within half and double, whatever the habit', () => {
    expect(budgetAfter([600, 600, 600, 600]).scale).toBe(2);
    expect(budgetAfter([15, 15, 15, 15]).scale).toBe(0.5);
  });

  test('takes two rosinings in a row for one', () => {
    const { event, session } = scribe();
    const events = [0, 1, 2, 3].flatMap((at): LogEvent[] => {
      const time = NOW - (20 - at) * DAY_MS;
      return [event('rosined', time, {}), event('rosined', time + 60_000, {}), ...session(time + HOUR_MS, 1.5)];
    });
    expect(rosinBudget(foldLog(events, NOW, 'UTC')).scale).toBeCloseTo(1, 6);
  });
});

describe('bow under tension while not played', () => {
  const { event, session } = scribe();
  const tensionOf = (...events: LogEvent[]) => bowTension(foldLog(events, NOW, 'UTC'));
  const [began, ended] = session(NOW - 30 * HOUR_MS, 1);
  const slackened = (hoursAgo: number) =>
    event('step-done', NOW - hoursAgo * HOUR_MS, { step: 'slacken', sessionId: began.id });

  test('is nothing when it is slackened at once', () => {
    expect(tensionOf(began, ended, slackened(29))).toEqual({ idleHours: 0, times: 0, tightSince: null });
  });

  test('runs from the end of the session to the slackening', () => {
    expect(tensionOf(began, ended, slackened(9))).toEqual({ idleHours: 20, times: 1, tightSince: null });
  });

  test('runs until now while nobody slackens; a skipped step slackens nothing', () => {
    const skipped = event('step-skipped', NOW - 29 * HOUR_MS, { step: 'slacken', sessionId: began.id });
    expect(tensionOf(began, ended, skipped)).toEqual({ idleHours: 29, times: 1, tightSince: NOW - 29 * HOUR_MS });
  });

  test('stops at the next session, and does not run during it', () => {
    const running = event('session-began', NOW - 5 * HOUR_MS, {});
    expect(tensionOf(began, ended, running)).toEqual({ idleHours: 24, times: 1, tightSince: null });
  });

  test('counts from an instant on when asked to', () => {
    expect(bowTension(foldLog([began, ended], NOW, 'UTC'), NOW - 4 * HOUR_MS).idleHours).toBe(4);
  });
});
