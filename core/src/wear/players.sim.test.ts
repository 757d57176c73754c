import { firstReaching } from '../maths';
import { stringLife } from '../strings';
import { mulberry32, normals } from '../testing/dice';
import { players, TODAY, type PlayerKind, type SimulatedPlayer } from '../testing/players';
import { DAY_MS } from '../time';
import { chanceSpent, NEXT_LOG_SD, paceFrom, STARTING_HOURS_PER_DAY, type Life } from '.';

/**
 * Forecasts against players who were drawn by the day: the 80 % window is to hold 75 to 85 of a hundred true ends, and its
 * middle to lie within a twentieth of theirs.
 */
const LIFE: Life = { ...stringLife('violin', null), logSd: NEXT_LOG_SD };
const COUNT = 2000;
/** Players whose middle is looked for; the window's ends need no search. */
const MIDDLES = 1000;

const anyone = (normal: () => number) => STARTING_HOURS_PER_DAY * Math.exp(0.8 * normal());
const busy = (normal: () => number) => 3 * STARTING_HOURS_PER_DAY * Math.exp(0.2 * normal());
const usual: PlayerKind = { meanHours: anyone, plays: 0.7, logDays: 60, pausedDays: 0, said: true };

const KINDS: readonly [string, PlayerKind & { fittedDaysAgo: number }][] = [
  ['new, having said', { ...usual, logDays: 0, fittedDaysAgo: 0 }],
  ['new, who do not know', { ...usual, logDays: 0, said: false, fittedDaysAgo: 0 }],
  ['new, strings put on half a year before', { ...usual, logDays: 0, fittedDaysAgo: 180 }],
  ['of ten days', { ...usual, logDays: 10, fittedDaysAgo: 10 }],
  ['of ten days, who do not know', { ...usual, logDays: 10, said: false, fittedDaysAgo: 10 }],
  ['of sixty days', { ...usual, fittedDaysAgo: 60 }],
  ['of three hundred days', { ...usual, logDays: 300, fittedDaysAgo: 100 }],
  ['who play on Saturdays', { ...usual, logDays: 180, plays: [5], fittedDaysAgo: 60 }],
  ['who play a third of the days', { ...usual, logDays: 180, plays: 0.33, fittedDaysAgo: 60 }],
  ['who have just paused', { ...usual, logDays: 200, pausedDays: 10, fittedDaysAgo: 60 }],
  ['who have paused for two months', { ...usual, logDays: 260, pausedDays: 60, fittedDaysAgo: 90 }],
  ['three times busier, new', { ...usual, meanHours: busy, logDays: 0, fittedDaysAgo: 0 }],
  ['three times busier, of sixty days', { ...usual, meanHours: busy, fittedDaysAgo: 30 }],
];

/** Day, counted from fitting, on which strings of a life are spent. */
function spentAfter({ hours }: SimulatedPlayer, logDays: number, fittedDaysAgo: number, life: number, rate: number) {
  let wear = 0;
  for (let day = 1; ; day++) {
    const at = logDays - fittedDaysAgo + day - 1;
    // Before the log, and past the days that were drawn, they played as they do on average.
    wear += (at < 0 ? rate : (hours[at] ?? rate)) / LIFE.hours + 1 / LIFE.days;
    if (wear >= life) return day;
  }
}

test.each(KINDS)('players %s', (_name, { fittedDaysAgo, ...kind }) => {
  const dice = normals(mulberry32(5));
  const ratios: number[] = [];
  let held = 0;
  players(kind, COUNT, 20_260_601).forEach((player, at) => {
    const { log, said, observedFrom, hours } = player;
    const pace = paceFrom(log, { observedFrom, said, since: null, away: [] });
    const fittedAt = TODAY - fittedDaysAgo * DAY_MS;
    const mean = hours.reduce((sum, each) => sum + each, 0) / hours.length;
    const life = Math.exp(NEXT_LOG_SD * dice());
    const end = fittedAt + spentAfter(player, kind.logDays, fittedDaysAgo, life, mean) * DAY_MS;
    // The end lies within the window where its chance lies from a tenth to nine tenths.
    const spent = chanceSpent(LIFE, log, pace, fittedAt);
    const chance = spent(end);
    if (chance >= 0.1 && chance <= 0.9) held++;
    if (at >= MIDDLES) return;
    const middle = firstReaching(spent, 0.5, fittedAt, fittedAt + 20 * 365 * DAY_MS, DAY_MS);
    ratios.push((end - fittedAt) / (middle - fittedAt));
  });
  const median = ratios.sort((a, b) => a - b)[MIDDLES / 2]!;
  expect(held / COUNT).toBeGreaterThan(0.75);
  expect(held / COUNT).toBeLessThan(0.85);
  expect(median).toBeGreaterThan(0.95);
  expect(median).toBeLessThan(1.05);
});
