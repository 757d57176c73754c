import fc from 'fast-check';
import { budgetReached, chanceSpent, paceFrom, spentWindow, wear, wornAt, type Life } from '.';
import { HAIR_LIFE } from '../bow/index';
import { foldLog, type InstrumentLog } from '../log/index';
import { stringLife } from '../strings/index';
import { DAY_MS, HOUR_MS, MONTH_DAYS } from '../time/index';
import { dailySessions } from '../testing/events';
import { exactPace } from '../testing/players';

const FITTED = Date.parse('2026-01-01T12:00:00.000Z');
const VIOLIN = stringLife('violin', null);
const GUITAR = stringLife('guitar', 'steel');

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
  const window = spentWindow(life, emptyLog(FITTED), exactPace(hoursPerDay), FITTED);
  expect(months(FITTED, window.middle)).toBeCloseTo(expected, 1);
});

test.each(RULES)(
  'the same out of a log of daily playing, a month after fitting: %s',
  (_, life, hoursPerDay, expected) => {
    const log = foldLog(dailySessions('2025-01-01', 395, hoursPerDay), Date.parse('2026-01-31T12:00:00.000Z'), 'UTC');
    const pace = paceFrom(log, {
      observedFrom: Date.parse('2025-01-01T09:00:00.000Z'),
      said: null,
      since: null,
      away: [],
    });
    const window = spentWindow(life, log, pace, FITTED);
    expect(months(FITTED, window.middle) / expected).toBeCloseTo(1, 1);
  },
);

test('strings age unplayed: an unplayed set is spent after D days', () => {
  const window = spentWindow(VIOLIN, emptyLog(FITTED), exactPace(0), FITTED);
  expect((window.middle - FITTED) / DAY_MS).toBeCloseTo(547, 0);
});

test('with the playing known, the window is the spread of lives alone', () => {
  const window = spentWindow(VIOLIN, emptyLog(FITTED), exactPace(1), FITTED);
  const days = (at: number) => (at - FITTED) / DAY_MS;
  // Quantiles of a log-normal: exp(±1.2816 sd) [published: any table of the normal distribution].
  expect(days(window.early) / days(window.middle)).toBeCloseTo(Math.exp(-1.2816 * VIOLIN.logSd), 2);
  expect(days(window.late) / days(window.middle)).toBeCloseTo(Math.exp(1.2816 * VIOLIN.logSd), 2);
});

test('playing that is uncertain widens the window on both sides and leaves its middle', () => {
  const known = spentWindow(VIOLIN, emptyLog(FITTED), exactPace(2, 0), FITTED);
  const unknown = spentWindow(VIOLIN, emptyLog(FITTED), exactPace(2, 0.5), FITTED);
  expect(unknown.early).toBeLessThan(known.early);
  expect(unknown.late).toBeGreaterThan(known.late);
  expect(Math.abs(unknown.middle - known.middle) / DAY_MS).toBeLessThan(4);
});

test('what lies in the past is taken from the log: an overdue set has its window behind it', () => {
  const log = foldLog(dailySessions('2026-01-01', 200, 3), Date.parse('2026-07-20T12:00:00.000Z'), 'UTC');
  const window = spentWindow(GUITAR, log, exactPace(3), FITTED);
  expect(window.late).toBeLessThan(log.nowMs);
  // At three hours a day u reaches 1 after 1 / (3/183 + 1/362) = 52 days.
  expect((window.middle - FITTED) / DAY_MS).toBeCloseTo(52, 0);
  expect(chanceSpent(GUITAR, log, exactPace(3), FITTED)(log.nowMs)).toBeGreaterThan(0.99);
});

test('the chance never falls, is nothing before fitting, and has no step at now', () => {
  const log = foldLog(dailySessions('2026-01-01', 90, 1), Date.parse('2026-04-01T12:00:00.000Z'), 'UTC');
  const pace = exactPace(1, 0.2);
  const chance = chanceSpent(VIOLIN, log, pace, FITTED);
  expect(chance(FITTED - DAY_MS)).toBe(0);
  expect(wornAt(VIOLIN, log.playing, pace.before, FITTED, FITTED - DAY_MS)).toEqual({ told: 0, reckoned: 0 });
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
        const less = spentWindow(HAIR_LIFE, emptyLog(FITTED), exactPace(rate), FITTED);
        const faster = spentWindow(HAIR_LIFE, emptyLog(FITTED), exactPace(rate + more), FITTED);
        expect(faster.middle).toBeLessThanOrEqual(less.middle + HOUR_MS);
      },
    ),
    { numRuns: 40 },
  );
});

test('a budget of playing runs out when the projection says, or did when the log says', () => {
  const log = foldLog(dailySessions('2026-03-01', 10, 1), Date.parse('2026-03-10T23:00:00.000Z'), 'UTC');
  expect(budgetReached(5, log, exactPace(1)) - log.nowMs).toBeCloseTo(5 * DAY_MS, -7);
  // Two and a half hours ago in playing: the middle of the session three days back.
  expect(budgetReached(-2.5, log, exactPace(1))).toBe(Date.parse('2026-03-08T18:30:00.000Z'));
  expect(budgetReached(-100, log, exactPace(1))).toBe(Date.parse('2026-03-01T18:00:00.000Z'));
  expect(budgetReached(0, emptyLog(FITTED), exactPace(1))).toBe(FITTED);
});

describe('what was played before the log began', () => {
  const begun = FITTED + 365 * DAY_MS;
  const basis = { observedFrom: begun, since: null, away: [] };
  const log = emptyLog(begun);
  const at = (hour: 'half-hour' | 'two-hours' | 'minutes' | null) => paceFrom(log, { ...basis, said: hour });

  test('counts: a set put on a year ago by a player of half an hour a day is at its end', () => {
    // Handbook 10: at their end, not at two thirds.
    const pace = at('half-hour');
    const { told, reckoned } = wornAt(VIOLIN, log.playing, pace.before, FITTED, begun);
    expect(told).toBeCloseTo(365 / 547, 2);
    expect(told + reckoned).toBeCloseTo(1, 2);
    const { early, middle, late } = spentWindow(VIOLIN, log, pace, FITTED);
    expect(Math.abs(middle - begun) / DAY_MS).toBeLessThan(10);
    const apart = (late - early) / DAY_MS;
    const known = spentWindow(VIOLIN, log, { ...pace, before: { ...pace.before, logSd: 0 } }, FITTED);
    expect(apart).toBeGreaterThan((known.late - known.early) / DAY_MS + 5);
  });

  test('two years of bowing at half an hour a day are the life of hair', () => {
    const pace = paceFrom(emptyLog(FITTED + 730 * DAY_MS), {
      ...basis,
      observedFrom: FITTED + 730 * DAY_MS,
      said: 'half-hour',
    });
    const { middle } = spentWindow(HAIR_LIFE, emptyLog(FITTED + 730 * DAY_MS), pace, FITTED);
    expect(Math.abs((middle - FITTED) / DAY_MS / 730 - 1)).toBeLessThan(0.02);
  });

  test('is more for who plays more, and unsure for who does not know', () => {
    const middle = (said: Parameters<typeof at>[0]) => spentWindow(VIOLIN, log, at(said), FITTED).middle;
    expect(middle('two-hours')).toBeLessThan(middle('half-hour') - 90 * DAY_MS);
    expect(middle('minutes')).toBeGreaterThan(middle('half-hour') + 50 * DAY_MS);
    expect(at(null).before.logSd).toBeGreaterThan(2 * at('half-hour').before.logSd);
  });

  test('counts only from when it came into the player’s hands', () => {
    const since = Math.floor(begun / DAY_MS) - 30;
    const { before } = paceFrom(log, { ...basis, said: 'half-hour', since });
    expect(wornAt(VIOLIN, log.playing, before, FITTED, begun).reckoned * VIOLIN.hours).toBeCloseTo(15, 0);
  });
});

test('what was found still good lasts at least so long', () => {
  const log = emptyLog(FITTED + 500 * DAY_MS);
  const plain = spentWindow(VIOLIN, log, exactPace(0.5), FITTED);
  const proven = { ...VIOLIN, proven: { told: wear(VIOLIN, 0, 500), reckoned: 0 } };
  const looked = spentWindow(proven, log, exactPace(0.5), FITTED);
  expect(plain.early).toBeLessThan(log.nowMs);
  expect(looked.early).toBeGreaterThan(log.nowMs);
  expect(looked.middle).toBeGreaterThan(plain.middle);
  // The conditional chance, by its definition.
  const at = FITTED + 700 * DAY_MS;
  const [spent, before] = [
    chanceSpent(VIOLIN, log, exactPace(0), FITTED)(at),
    chanceSpent(VIOLIN, log, exactPace(0), FITTED)(log.nowMs),
  ];
  expect(chanceSpent(proven, log, exactPace(0), FITTED)(at)).toBeCloseTo((spent - before) / (1 - before), 6);
});

test('days away that are known put the end off, and a pause does so by what it may still last', () => {
  const log = emptyLog(FITTED);
  const pace = exactPace(2);
  const plain = spentWindow(VIOLIN, log, pace, FITTED).middle;
  const away = [{ from: FITTED + 20 * DAY_MS, to: FITTED + 50 * DAY_MS }];
  const later = (spentWindow(VIOLIN, log, { ...pace, away }, FITTED).middle - plain) / DAY_MS;
  // Thirty days without two hours of playing, made up for at two hours and a day's age each day.
  expect(later).toBeCloseTo((30 * 2) / 547 / (2 / 547 + 1 / 547), 0);
  const paused = spentWindow(VIOLIN, log, { ...pace, pause: { chance: 1, days: 60 } }, FITTED);
  expect(paused.middle).toBeGreaterThan(plain + 10 * DAY_MS);
  expect(paused.late - paused.early).toBeGreaterThan(
    spentWindow(VIOLIN, log, pace, FITTED).late - spentWindow(VIOLIN, log, pace, FITTED).early,
  );
});
