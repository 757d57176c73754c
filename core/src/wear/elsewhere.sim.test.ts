import fc from 'fast-check';
import { mulberry32, normals } from '../testing/dice';
import { elsewhere, factorAt, LIFE_LOG_SD, lifeFactor, PLAYERS_SHARE, SEEN_LOG_SD, type LifeSeen } from '.';

/** Players with several instruments, and households of several players, against what the model says of the next set. */
const OWN_SD = LIFE_LOG_SD * Math.sqrt(1 - PLAYERS_SHARE);
const PLAYER_SD = LIFE_LOG_SD * Math.sqrt(PLAYERS_SHARE);

/** How often the window holds the next set of an instrument, and how wide it is, with what others tell and without. */
function tried(onePlayer: boolean, others: number, changes: number, own: number, seed: number) {
  const normal = normals(mulberry32(seed));
  const count = 800;
  let [held, width, alone] = [0, 0, 0];
  for (let at = 0; at < count; at++) {
    const player = PLAYER_SD * normal();
    const lives = Array.from({ length: others + 1 }, () =>
      onePlayer ? player + OWN_SD * normal() : LIFE_LOG_SD * normal(),
    );
    const sets = (life: number, number: number) =>
      Array.from({ length: number }, (): LifeSeen => ({ logWear: life + SEEN_LOG_SD * normal(), kind: 'worn' }));
    const prior = elsewhere(lives.slice(1).map((life) => sets(life, changes)))?.prior;
    const seen = sets(lives[0]!, own);
    const [factor, plain] = [lifeFactor(seen, prior), lifeFactor(seen)];
    const next = Math.exp(lives[0]! + SEEN_LOG_SD * normal());
    if (next >= factorAt(factor, 0.1) && next <= factorAt(factor, 0.9)) held++;
    width += Math.log(factorAt(factor, 0.9) / factorAt(factor, 0.1)) / count;
    alone += Math.log(factorAt(plain, 0.9) / factorAt(plain, 0.1)) / count;
  }
  return { held: held / count, narrower: width / alone };
}

test.each([
  [true, 1, 1, 0],
  [true, 1, 4, 0],
  [true, 3, 4, 0],
  [true, 3, 4, 2],
  [false, 1, 1, 0],
  [false, 1, 4, 0],
  [false, 3, 4, 0],
  [false, 3, 4, 2],
])(
  'one player: %s; %d other instruments with %d changes each, %d of its own: held 75 to 85 times in a hundred',
  (onePlayer, others, changes, own) => {
    const { held } = tried(onePlayer, others, changes, own, 5_000 + 100 * others + 10 * changes + own);
    expect(held).toBeGreaterThan(0.75);
    expect(held).toBeLessThan(0.85);
  },
);

test('who plays several instruments gets a narrower window before the first change', () => {
  expect(tried(true, 3, 4, 0, 9).narrower).toBeLessThan(0.97);
});

test('what others tell is bounded: half of it moves the middle at most', () => {
  fc.assert(
    fc.property(fc.double({ min: -0.8, max: 0.8, noNaN: true }), fc.integer({ min: 1, max: 12 }), (logWear, number) => {
      const others = Array.from({ length: number }, () =>
        Array.from({ length: 8 }, () => ({ logWear, kind: 'worn' as const })),
      );
      const moved = Math.log(lifeFactor([], elsewhere(others)?.prior).median);
      expect(Math.abs(moved)).toBeLessThanOrEqual(0.5 * Math.abs(logWear) + 0.02);
      expect(moved * logWear).toBeGreaterThanOrEqual(-1e-9);
    }),
    { numRuns: 30 },
  );
});

test('nothing seen elsewhere changes nothing, to the last digit', () => {
  expect(elsewhere([])).toBeNull();
  expect(elsewhere([[], []])).toBeNull();
});
