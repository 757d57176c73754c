/**
 * Where a rising function first reaches a value, by bisection.
 * @param rising non-decreasing between `low` and `high`
 * @param width how near is near enough, in the unit of the argument
 * @returns the upper end of the last interval, at most `width` above the place; `high` when the value is not reached by then
 * @example firstReaching((x) => x * x, 2, 0, 2, 1e-9) // 1.414213562…
 */
export function firstReaching(
  rising: (at: number) => number,
  value: number,
  low: number,
  high: number,
  width: number,
): number {
  if (rising(high) < value) return high;
  let [below, above] = [low, high];
  while (above - below > width) {
    const middle = (below + above) / 2;
    if (rising(middle) >= value) above = middle;
    else below = middle;
  }
  return above;
}
