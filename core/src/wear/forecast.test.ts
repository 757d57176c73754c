import fc from 'fast-check';
import { budgetReached, chanceSpent, paceFrom, spentWindow, wear, wearAt, type Life, type Pace } from '.';
import { HAIR_LIFE } from '../bow/index';
import { foldLog, type InstrumentLog } from '../log/index';
import { stringLife } from '../strings/index';
import { DAY_MS, HOUR_MS, MONTH_DAYS } from '../time/index';
import { dailySessions } from '../testing/events';

const FITTED = Date.parse('2026-01-01T12:00:00.000Z');
const VIOLIN = stringLife('violin', null);
const GUITAR = stringLife('guitar', 'steel');

/** A pace that is exactly known, for checking the arithmetic of the rule by itself. */
const exact = (hoursPerDay: number, logSd = 0): Pace => ({
  hoursOn: new Array<number>(7).fill(hoursPerDay),
  hoursPerDay,
  daysObserved: 1000,
  effectiveDays: 60,
  logSd,
  startedFrom: 0.5,
});
const emptyLog = (nowMs: number): InstrumentLog => foldLog([], nowMs, 'UTC');
const months = (fromMs: number, toMs: number) => (toMs - fromMs) / DAY_MS / MONTH_DAYS;

// common practice: bowed strings 12 months on average, 6 at heavy use; guitar 6 and 3; hair 24 and 6 months.
const RULES: readonly [what: string, life: Life, hoursPerDay: number, months: number][] = [
  ['bowed strings, half an hour a day', VIOLIN, 0.5, 12],
  ['bowed strings, two hours a day', VIOLIN, 2, 6],
  ['guitar strings, half an hour a day', GUITAR, 0.5, 6],
  ['guitar strings, an hour and a half a day', GUITAR, 1.5, 3],
  ['bow hair, half an hour a day', HAIR_LIFE, 0.5, 24],
  ['bow hair, three and a half hours a day', HAIR_LIFE, 3.5, 6],
];

test.each(RULES)('the rule: %s', (_, life, hoursPerDay, expected) => {
  expect(wear(life, hoursPerDay * expected * MONTH_DAYS, expected * MONTH_DAYS)).toBeCloseTo(1, 1);
  const window = spentWindow(life, emptyLog(FITTED), exact(hoursPerDay), FITTED);
  expect(months(FITTED, window.middle)).toBeCloseTo(expected, 1);
});

test.each(RULES)(
  'the same out of a log of daily playing, a month after fitting: %s',
  (_, life, hoursPerDay, expected) => {
    const log = foldLog(dailySessions('2025-01-01', 395, hoursPerDay), Date.parse('2026-01-31T12:00:00.000Z'), 'UTC');
    const pace = paceFrom(log, Date.parse('2025-01-01T09:00:00.000Z'));
    const window = spentWindow(life, log, pace, FITTED);
    expect(months(FITTED, window.middle) / expected).toBeCloseTo(1, 1);
  },
);

test('strings age unplayed: an unplayed set is spent after D days', () => {
  const window = spentWindow(VIOLIN, emptyLog(FITTED), exact(0), FITTED);
  expect((window.middle - FITTED) / DAY_MS).toBeCloseTo(547, 0);
});

test('with the playing known, the window is the spread of lives alone', () => {
  const window = spentWindow(VIOLIN, emptyLog(FITTED), exact(1), FITTED);
  const days = (at: number) => (at - FITTED) / DAY_MS;
  // Quantiles of a log-normal of sd 0.35: exp(±1.2816 · 0.35) [published: any table of the normal distribution].
  expect(days(window.early) / days(window.middle)).toBeCloseTo(Math.exp(-1.2816 * 0.35), 2);
  expect(days(window.late) / days(window.middle)).toBeCloseTo(Math.exp(1.2816 * 0.35), 2);
});

test('playing that is uncertain widens the window on both sides and leaves its middle', () => {
  const known = spentWindow(VIOLIN, emptyLog(FITTED), exact(2, 0), FITTED);
  const unknown = spentWindow(VIOLIN, emptyLog(FITTED), exact(2, 0.5), FITTED);
  expect(unknown.early).toBeLessThan(known.early);
  expect(unknown.late).toBeGreaterThan(known.late);
  expect(Math.abs(unknown.middle - known.middle) / DAY_MS).toBeLessThan(4);
});

test('what lies in the past is taken from the log: an overdue set has its window behind it', () => {
  const log = foldLog(dailySessions('2026-01-01', 200, 3), Date.parse('2026-07-20T12:00:00.000Z'), 'UTC');
  const window = spentWindow(GUITAR, log, exact(3), FITTED);
  expect(window.late).toBeLessThan(log.nowMs);
  // At three hours a day u reaches 1 after 1 / (3/183 + 1/362) = 52 days.
  expect((window.middle - FITTED) / DAY_MS).toBeCloseTo(52, 0);
  expect(chanceSpent(GUITAR, log, exact(3), FITTED, log.nowMs)).toBeGreaterThan(0.99);
});

test('the chance never falls, is nothing before fitting, and has no step at now', () => {
  const log = foldLog(dailySessions('2026-01-01', 90, 1), Date.parse('2026-04-01T12:00:00.000Z'), 'UTC');
  const pace = exact(1, 0.2);
  const chance = (at: number) => chanceSpent(VIOLIN, log, pace, FITTED, at);
  expect(chance(FITTED - DAY_MS)).toBe(0);
  expect(wearAt(VIOLIN, log.playing, FITTED, FITTED - DAY_MS)).toBe(0);
  expect(chance(log.nowMs + 1000) - chance(log.nowMs)).toBeLessThan(1e-4);
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 1500 }), fc.integer({ min: 0, max: 300 }), (day, more) => {
      expect(chance(FITTED + (day + more) * DAY_MS)).toBeGreaterThanOrEqual(chance(FITTED + day * DAY_MS) - 1e-12);
    }),
  );
});

test('more playing never makes a part last longer', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 8, noNaN: true }),
      fc.double({ min: 0, max: 2, noNaN: true }),
      (rate, more) => {
        const less = spentWindow(HAIR_LIFE, emptyLog(FITTED), exact(rate), FITTED);
        const faster = spentWindow(HAIR_LIFE, emptyLog(FITTED), exact(rate + more), FITTED);
        expect(faster.middle).toBeLessThanOrEqual(less.middle + HOUR_MS);
      },
    ),
    { numRuns: 40 },
  );
});

test('a budget of playing runs out when the projection says, or did when the log says', () => {
  const log = foldLog(dailySessions('2026-03-01', 10, 1), Date.parse('2026-03-10T23:00:00.000Z'), 'UTC');
  expect(budgetReached(5, log, exact(1)) - log.nowMs).toBeCloseTo(5 * DAY_MS, -7);
  // Two and a half hours ago in playing: the middle of the session three days back.
  expect(budgetReached(-2.5, log, exact(1))).toBe(Date.parse('2026-03-08T18:30:00.000Z'));
  expect(budgetReached(-100, log, exact(1))).toBe(Date.parse('2026-03-01T18:00:00.000Z'));
  expect(budgetReached(0, emptyLog(FITTED), exact(1))).toBe(FITTED);
});
