import fc from 'fast-check';
import { chanceAtWear, factorAt, LIFE_LOG_SD, lifeFactor, SEEN_LOG_SD } from '../wear';

describe('how long strings last this player', () => {
  test('is the rule itself while nothing was seen', () => {
    const none = lifeFactor([]);
    expect(none.median).toBeCloseTo(1, 3);
    expect(none.logSd).toBeCloseTo(LIFE_LOG_SD, 2);
    // Handbook 4: log-life N(0, 0.35²), and sets 0.2 about it; the 10 and 90 % points of a normal lie 1.2816 sd out.
    const sd = Math.hypot(0.35, 0.2);
    expect(factorAt(none, 0.1)).toBeCloseTo(Math.exp(-1.2816 * sd), 2);
    expect(factorAt(none, 0.9)).toBeCloseTo(Math.exp(1.2816 * sd), 2);
  });

  test('with worn changes only is the exact normal posterior', () => {
    // Published: conjugate normal updating, any textbook of Bayesian statistics.
    fc.assert(
      fc.property(fc.array(fc.double({ min: -0.6, max: 0.6, noNaN: true }), { minLength: 1, maxLength: 8 }), (seen) => {
        const precision = 1 / LIFE_LOG_SD ** 2 + seen.length / SEEN_LOG_SD ** 2;
        const mean = seen.reduce((sum, each) => sum + each, 0) / SEEN_LOG_SD ** 2 / precision;
        const factor = lifeFactor(seen.map((logWear) => ({ logWear, kind: 'worn' })));
        expect(Math.log(factor.median)).toBeCloseTo(mean, 2);
        expect(factor.logSd).toBeCloseTo(Math.sqrt(1 / precision), 2);
      }),
    );
  });

  test('a string that broke early says little, one that came off late says a lot', () => {
    const at = (logWear: number) => lifeFactor([{ logWear, kind: 'atLeast' }]).median;
    expect(at(-2)).toBeCloseTo(1, 2);
    expect(at(0)).toBeGreaterThan(1.1);
    expect(at(0.8)).toBeGreaterThan(at(0.2));
    expect(Number.isFinite(at(6))).toBe(true);
  });

  test('the chance never passes certainty, not even by a rounding', () => {
    const factor = lifeFactor([1, 2, 3].map(() => ({ logWear: 0, kind: 'worn' })));
    expect(chanceAtWear(factor, 2.3953794838111895)).toBeLessThanOrEqual(1);
  });

  test('the chance rises with wear from nothing to certainty', () => {
    const seen = fc.array(
      fc.record({
        logWear: fc.double({ min: -1, max: 1, noNaN: true }),
        kind: fc.constantFrom('worn' as const, 'atLeast' as const),
      }),
      { maxLength: 6 },
    );
    fc.assert(
      fc.property(
        seen,
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (lives, a, b) => {
          const factor = lifeFactor(lives);
          const [low, high] = [chanceAtWear(factor, Math.min(a, b)), chanceAtWear(factor, Math.max(a, b))];
          expect(low).toBeLessThanOrEqual(high + 1e-12);
          expect(low).toBeGreaterThanOrEqual(0);
          expect(high).toBeLessThanOrEqual(1);
          for (const level of [0.1, 0.5, 0.9])
            expect(chanceAtWear(factor, factorAt(factor, level))).toBeCloseTo(level, 2);
        },
      ),
    );
  });
});
