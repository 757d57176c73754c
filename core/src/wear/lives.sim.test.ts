import { foldLog } from '../log';
import { stringLife } from '../strings';
import { mulberry32, normals } from '../testing/dice';
import { DAY_MS } from '../time';
import { factorAt, LIFE_LOG_SD, lifeFactor, SEEN_LOG_SD, spentWindow, type LifeSeen, type Pace } from '.';

/** Lives of players and strings by the thousand, against what the model says of them. */
const FITTED = Date.parse('2026-01-01T12:00:00.000Z');
const VIOLIN = stringLife('violin', null);
const PACE: Pace = {
  hoursOn: new Array<number>(7).fill(1.2),
  hoursPerDay: 1.2,
  daysObserved: 1000,
  effectiveDays: 60,
  logSd: 0.3,
  startedFrom: 0.5,
};

test('its 80 % window holds the true life of simulated players 75 to 85 times in a hundred', () => {
  const uniform = mulberry32(20_260_314);
  const normal = normals(uniform);
  let held = 0;
  let narrower = 0;
  const players = 3000;
  for (let player = 0; player < players; player++) {
    const truth = LIFE_LOG_SD * normal();
    const changes = Math.floor(uniform() * 6);
    const seen = Array.from({ length: changes }, (): LifeSeen => {
      const worn = truth + SEEN_LOG_SD * normal();
      // Now and then a string breaks, at any time before.
      const broke = uniform() < 0.3 ? Math.log(Math.exp(worn) * uniform() + 1e-3) : null;
      return broke === null ? { logWear: worn, kind: 'worn' } : { logWear: broke, kind: 'atLeast' };
    });
    const factor = lifeFactor(seen);
    const [early, late] = [factorAt(factor, 0.1), factorAt(factor, 0.9)];
    if (Math.exp(truth) >= early && Math.exp(truth) <= late) held++;
    if (seen.length >= 3 && factor.logSd < 0.2) narrower++;
  }
  expect(held / players).toBeGreaterThan(0.75);
  expect(held / players).toBeLessThan(0.85);
  expect(narrower).toBeGreaterThan(players / 6);
});

test('the window agrees with thousands of simulated lives', () => {
  const dice = normals(mulberry32(7));
  const spentDays = Array.from({ length: 20_000 }, () => {
    const life = Math.exp(VIOLIN.logSd * dice());
    const rate = PACE.hoursPerDay * Math.exp(PACE.logSd * dice());
    return life / (rate / VIOLIN.hours + 1 / VIOLIN.days);
  }).sort((a, b) => a - b);
  const window = spentWindow(VIOLIN, foldLog([], FITTED, 'UTC'), PACE, FITTED);
  for (const [share, at] of [
    [0.1, window.early],
    [0.5, window.middle],
    [0.9, window.late],
  ] as const) {
    const simulated = spentDays[Math.floor(share * spentDays.length)]!;
    expect((at - FITTED) / DAY_MS / simulated).toBeCloseTo(1, 1);
  }
});
