import fc from 'fast-check';
import {
  bowGap,
  bowAt,
  bowTension,
  HAIR_LIFE,
  leavesAtTurns,
  rosinBudget,
  ROSIN_BUDGET,
  rosinVerdict,
  straightAtTurns,
  TIGHT_COSTS_AT_MOST,
  tightWear,
} from '.';
import { foldLog, type LogEvent } from '../log';
import { DAY_MS, HOUR_MS } from '../time';
import { scribe } from '../testing/events';
import type { BowedFamily } from '../instruments';

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

  test('what was before an instant and what was after it is all there was', () => {
    const days = fc.array(fc.record({ hours: fc.integer({ min: 1, max: 5 }), slackened: fc.option(fc.nat(30)) }), {
      maxLength: 12,
    });
    fc.assert(
      fc.property(days, fc.nat(15 * 24), (played, hoursAgo) => {
        const writer = scribe();
        const events = played.flatMap(({ hours, slackened: after }, at): LogEvent[] => {
          const began = NOW - (14 - at) * DAY_MS;
          const both = writer.session(began, hours);
          if (after === null) return both;
          const payload = { step: 'slacken', sessionId: both[0].id } as const;
          return [...both, writer.event('step-done', began + (hours + after) * HOUR_MS, payload)];
        });
        const log = foldLog(events, NOW, 'UTC');
        const since = NOW - hoursAgo * HOUR_MS;
        const [all, before, after] = [bowTension(log), bowTension({ ...log, nowMs: since }), bowTension(log, since)];
        expect(before.idleHours + after.idleHours).toBeCloseTo(all.idleHours, 9);
        expect(after.tightSince).toBe(all.tightSince);
      }),
    );
  });
});

describe('the rosin budget and both rules of the trade', () => {
  /** Rosinings a week that the budget asks of so many minutes a day. */
  const aWeek = (minutes: number) => (minutes * 7) / ROSIN_BUDGET.budget;

  test('10 to 15 minutes a day make about one rosining a week', () => {
    // common practice: a light player rosins weekly.
    expect(aWeek(10)).toBeGreaterThan(0.7);
    expect(aWeek(15)).toBeLessThan(1.3);
    expect(Math.round(aWeek(12.5))).toBe(1);
  });

  test('60 to 90 minutes a day make it daily', () => {
    // common practice: one of 60 to 90 minutes a day rosins daily.
    expect(ROSIN_BUDGET.dueFrom).toBeLessThanOrEqual(60);
    expect(aWeek(90)).toBe(7);
    expect(aWeek(60)).toBeGreaterThan(4);
  });

  test('the bounds are those the two rules span', () => {
    // derived: 10 × 7 = 70 and 15 × 7 = 105; 60 to 90 a day.
    expect(ROSIN_BUDGET).toEqual({ dueFrom: 60, budget: 90, overduePast: 15 * 7 });
  });
});

describe('the rosin verdict', () => {
  const { event, session } = scribe();
  const verdict = (minutes: number, ...more: LogEvent[]) =>
    rosinVerdict(
      foldLog(
        [event('rosined', NOW - 10 * DAY_MS, {}), ...session(NOW - 2 * DAY_MS, minutes / 60), ...more],
        NOW,
        'UTC',
      ),
    );

  test('62 minutes since the last rosining: four passes', () => {
    expect(verdict(62)).toMatchObject({ kind: 'due', passes: 4 });
  });

  test('less than the budget’s beginning: none; much more: eight at most', () => {
    expect(verdict(59)).toMatchObject({ kind: 'enough', passes: 0 });
    expect(verdict(60)).toMatchObject({ kind: 'due', passes: 4 });
    expect(verdict(600)).toMatchObject({ kind: 'due', passes: 8 });
  });

  test('new hair takes minutes, until it has been rosined', () => {
    const rehair = event('rehaired', NOW - DAY_MS, { reason: 'worn', known: true });
    expect(verdict(10, rehair).kind).toBe('new-hair');
    expect(verdict(10, rehair, event('rosined', NOW - 3600_000, {})).kind).toBe('enough');
    expect(verdict(10, event('rehaired', NOW - DAY_MS, { reason: 'on-record', known: false })).kind).toBe('enough');
  });
});

describe('the bow as a bent beam', () => {
  const families: BowedFamily[] = ['violin', 'viola', 'cello', 'bass'];

  test.each(families)('%s: the gap never falls as turns are added, and rises once the hair pulls', (family) => {
    const turn = fc.double({ min: -4, max: 14, noNaN: true });
    fc.assert(
      fc.property(turn, turn, (one, two) => {
        const [less, more] = [bowAt(family, Math.min(one, two)), bowAt(family, Math.max(one, two))];
        expect(more.gapMm).toBeGreaterThanOrEqual(less.gapMm);
        if (less.pullN > 0 && more.turns - less.turns > 0.01) expect(more.gapMm).toBeGreaterThan(less.gapMm);
        expect(more.looseMm).toBeLessThanOrEqual(less.looseMm);
      }),
    );
  });

  test.each(families)('%s: the stick is straight just where it is too tight, and bends outwards past it', (family) => {
    const straight = straightAtTurns(family);
    expect(bowAt(family, straight).camberMm).toBeCloseTo(0, 3);
    expect(bowAt(family, straight + 0.2).camberMm).toBeLessThan(0);
    expect(bowAt(family, straight + 0.2).state).toBe('straight');
    expect(bowAt(family, straight - 0.5).state).toBe('tight');
  });

  test.each(families)('%s: six to eight turns from slack give the gap', (family) => {
    // common practice: beginners count six to eight turns; the gaps are those of the trade.
    const { least, most } = bowGap(family);
    const right = [6, 6.5, 7, 7.5, 8].filter((turns) => bowAt(family, turns).state === 'right');
    expect(right.length).toBeGreaterThanOrEqual(2);
    for (const turns of right) {
      expect(bowAt(family, turns).gapMm).toBeGreaterThanOrEqual(least);
      expect(bowAt(family, turns).gapMm).toBeLessThanOrEqual(most);
      expect(bowAt(family, turns).camberMm).toBeGreaterThan(3);
    }
  });

  test('the gaps are those people look for', () => {
    // common practice: violin and viola 6–9 mm, cello 9–12, bass 12 and up.
    expect(bowGap('violin')).toMatchObject({ least: 6, most: 9 });
    expect(bowGap('cello')).toMatchObject({ least: 9, most: 12 });
    expect(bowGap('bass').least).toBe(12);
  });

  test('backed off too far the screw is about to leave', () => {
    expect(bowAt('violin', 0).state).toBe('slack');
    expect(bowAt('violin', leavesAtTurns('violin') + 1).state).toBe('leaving');
  });

  test('stretched hair takes more turns for the same gap', () => {
    expect(bowAt('cello', 9, 2).gapMm).toBeCloseTo(bowAt('cello', 7).gapMm, 6);
  });
});

test('hair left tight wears, in proportion and within bounds', () => {
  expect(tightWear(0)).toBe(0);
  expect(tightWear(40)).toBeCloseTo((40 * 0.25) / HAIR_LIFE.hours, 9);
  expect(tightWear(1e6)).toBe(TIGHT_COSTS_AT_MOST);
});
