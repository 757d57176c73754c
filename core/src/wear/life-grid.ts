import { errorFunction } from 'simple-statistics';

/** Spread of string and hair life, as the sd of its natural logarithm [handbook 4]. */
export const LIFE_LOG_SD = 0.35;
/** Spread of a single set about the player's own life, sd of the natural logarithm [handbook 4]. */
export const SEEN_LOG_SD = 0.2;

/** What one change tells of how long this player's strings last: the natural logarithm of the wear at which they were changed. */
export interface LifeSeen {
  logWear: number;
  /** worn: they were spent there; atLeast: they came off for another reason, and would have lasted at least so long. */
  kind: 'worn' | 'atLeast';
  /** Uncertainty of that wear itself, where playing before the log is among it: sd of its natural logarithm. */
  logSd?: number;
}

/** The grid of factors' logarithms reaches so far to either side: a twentieth to twenty times the rule. */
const REACH = 3;
export const STEPS = 300;
export const FROM = -REACH;
export const STEP = (2 * REACH) / STEPS;
export const GRID: readonly number[] = Array.from({ length: STEPS + 1 }, (_, at) => FROM + at * STEP);

/** Logarithm of the upper tail of the standard normal; far out by its asymptotic series, where the difference to 1 is lost. */
function logUpperTail(z: number): number {
  if (z <= 3) return Math.log(0.5 * (1 - errorFunction(z / Math.SQRT2)));
  const square = z * z;
  return (
    -0.5 * square - Math.log(z * Math.sqrt(2 * Math.PI)) + Math.log1p(-1 / square + 3 / square ** 2 - 15 / square ** 3)
  );
}

/** How likely changes are for each factor of the grid, as a logarithm but for a constant. */
export function logLikelihood(seen: readonly LifeSeen[]): number[] {
  const sights = seen.map(({ logWear, kind, logSd = 0 }) => ({ logWear, kind, sd: Math.hypot(SEEN_LOG_SD, logSd) }));
  return GRID.map((factor) =>
    sights.reduce((sum, { logWear, kind, sd }) => {
      const z = (logWear - factor) / sd;
      return sum + (kind === 'worn' ? -0.5 * z * z : logUpperTail(z));
    }, 0),
  );
}

/** Weights that come to 1 from logarithms that are right but for a constant. */
export function weightsOf(logs: readonly number[]): number[] {
  const highest = Math.max(...logs);
  const likely = logs.map((log) => Math.exp(log - highest));
  const total = likely.reduce((sum, each) => sum + each, 0);
  return likely.map((weight) => weight / total);
}

/** A normal about the rule itself, as weights on the grid. */
export const normalWeights = (sd: number): number[] => weightsOf(GRID.map((factor) => -0.5 * (factor / sd) ** 2));
