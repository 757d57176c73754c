/**
 * Where a rising function first reaches a value: by the secant as far as that helps, never slower than halving by more than a step
 * [published: Oliveira and Takahashi 2020, ITP].
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
  let [below, above] = [low, high];
  let [under, over] = [rising(below) - value, rising(above) - value];
  if (over < 0) return high;
  if (under >= 0) return Math.min(high, low + width);
  const most = Math.ceil(Math.log2((above - below) / width)) + 1;
  const pull = 0.2 / (above - below);
  for (let step = 0; above - below > width; step++) {
    const half = (below + above) / 2;
    const secant = (over * below - under * above) / (over - under);
    const towards = Math.sign(half - secant);
    const nudge = pull * (above - below) ** 2;
    const tried = nudge <= Math.abs(half - secant) ? secant + towards * nudge : half;
    // So far from the middle it may go without losing more than one step to halving.
    const reach = Math.max(0, (width / 2) * 2 ** (most - step) - (above - below) / 2);
    const at = Math.abs(tried - half) <= reach ? tried : half - towards * reach;
    const off = rising(at) - value;
    if (off >= 0) [above, over] = [at, off];
    else [below, under] = [at, off];
  }
  return above;
}
