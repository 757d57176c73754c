import fc from 'fast-check';
import { alongLine, firstReaching } from '.';

test('a root is found to the width asked for', () => {
  expect(firstReaching((x) => x * x, 2, 0, 2, 1e-9)).toBeCloseTo(Math.SQRT2, 8);
  expect(firstReaching((x) => x, 5, 0, 2, 1e-9)).toBe(2);
  expect(firstReaching((x) => x, -1, 0, 2, 1e-6)).toBeLessThanOrEqual(1e-6);
});

test('the place found reaches the value, and a step before it does not', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 0.99, noNaN: true }),
      fc.double({ min: 0.5, max: 4, noNaN: true }),
      (share, power) => {
        const rising = (x: number) => x ** power;
        const at = firstReaching(rising, share, 0, 1, 1e-7);
        expect(rising(at)).toBeGreaterThanOrEqual(share);
        expect(rising(at - 1e-7)).toBeLessThanOrEqual(share);
      },
    ),
  ));

test('a line is straight between its points and level beyond them', () => {
  const line = [
    [0, 1],
    [10, 5],
    [20, 5],
  ] as const;
  expect([-5, 0, 5, 10, 15, 99].map((at) => alongLine(line, at))).toEqual([1, 1, 3, 5, 5, 5]);
});
