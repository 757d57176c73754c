import { foldLog } from '../log';
import { stringLife } from '../strings';
import { mulberry32, normals } from '../testing/dice';
import { exactPace } from '../testing/players';
import { DAY_MS } from '../time';
import { factorAt, LIFE_LOG_SD, lifeFactor, SEEN_LOG_SD, spentWindow, type LifeSeen } from '.';

/** Lives of players and strings by the thousand, against what the model says of them. */
const FITTED = Date.parse('2026-01-01T12:00:00.000Z');
const VIOLIN = stringLife('violin', null);
const PACE = exactPace(1.2, 0.3);

test.each([0, 1, 3, 6])('after %d changes the window holds the next set 75 to 85 times in a hundred', (changes) => {
  const uniform = mulberry32(20_260_314 + changes);
  const normal = normals(uniform);
  let held = 0;
  const players = 2000;
  for (let player = 0; player < players; player++) {
    const truth = LIFE_LOG_SD * normal();
    const seen = Array.from({ length: changes }, (): LifeSeen => {
      const worn = truth + SEEN_LOG_SD * normal();
      // Now and then a string breaks, at any time before.
      const broke = uniform() < 0.3 ? Math.log(Math.exp(worn) * uniform() + 1e-3) : null;
      return broke === null ? { logWear: worn, kind: 'worn' } : { logWear: broke, kind: 'atLeast' };
    });
    const next = Math.exp(truth + SEEN_LOG_SD * normal());
    const factor = lifeFactor(seen);
    if (next >= factorAt(factor, 0.1) && next <= factorAt(factor, 0.9)) held++;
  }
  expect(held / players).toBeGreaterThan(0.75);
  expect(held / players).toBeLessThan(0.85);
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
