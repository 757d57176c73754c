import { bisectLeft } from 'd3-array';
import { errorFunction } from 'simple-statistics';
import {
  FROM,
  GRID,
  LIFE_LOG_SD,
  logLikelihood,
  normalWeights,
  SEEN_LOG_SD,
  STEP,
  STEPS,
  weightsOf,
  type LifeSeen,
} from './life-grid';

/** How far the next set may last beyond or short of the rule, for a player of whom nothing is known: players differ, and so do sets. */
export const NEXT_LOG_SD = Math.hypot(LIFE_LOG_SD, SEEN_LOG_SD);

/** How long a player's next strings last against the rule: a distribution of the natural logarithm of that factor. */
export interface LifeFactor {
  /** Chance that the next set lasts at most so long, at equally spaced logarithms of the factor: the player's own and the set's. */
  cumulative: readonly number[];
  /** Median of the player's own factor, and the sd of its logarithm; single sets spread about it. */
  median: number;
  logSd: number;
  /** How many changes it rests on: those that were worn, and all. */
  worn: number;
  seen: number;
}

/** Chance that a set lasts at most so many steps of the grid longer than the player's own life, from -SPREAD to SPREAD steps. */
const SPREAD = Math.ceil((4 * SEEN_LOG_SD) / STEP);
const WITHIN: readonly number[] = Array.from(
  { length: 2 * SPREAD + 1 },
  (_, at) => 0.5 * (1 + errorFunction(((at - SPREAD) * STEP) / SEEN_LOG_SD / Math.SQRT2)),
);

/** Lives less likely than this are left out of the sum. */
const UNLIKELY = 1e-7;

/** The chance that a set lasts at most so long, from how likely each life of the player's own is. */
function withSets(weights: readonly number[]): number[] {
  const cumulative = new Array<number>(STEPS + 1).fill(0);
  // What lies more than the spread below a life of the player's own is surely over: counted from there on.
  const over = new Array<number>(STEPS + 2).fill(0);
  weights.forEach((weight, own) => {
    if (weight < UNLIKELY) return;
    const first = Math.max(0, own - SPREAD);
    const last = Math.min(STEPS, own + SPREAD);
    for (let at = first; at <= last; at++) cumulative[at]! += weight * WITHIN[at - own + SPREAD]!;
    over[last + 1]! += weight;
  });
  let surely = 0;
  return cumulative.map((sum, at) => Math.min(1, sum + (surely += over[at]!)));
}

/** What is thought of a player's factor before any change is seen on the instrument: as the rule spreads [handbook 4]. */
const RULE: readonly number[] = normalWeights(LIFE_LOG_SD);

/**
 * How long a player's strings last against the rule, from the changes on record.
 * The logarithm of the factor is N(0, 0.35²) before anything is seen; a change because worn is seen with sd 0.2;
 * any other is censored: the strings would have lasted at least so long. The posterior is summed up on a grid.
 * @param prior weights on the grid instead of that normal: what the player's other instruments tell
 */
export function lifeFactor(seen: readonly LifeSeen[], prior: readonly number[] = RULE): LifeFactor {
  const weights = weightsOf(logLikelihood(seen).map((log, at) => log + Math.log(prior[at]!)));
  let reached = 0;
  // The mass of a grid point is centred on it: half of it lies below.
  const own = weights.map((weight) => (reached += weight) - weight / 2);
  const mean = GRID.reduce((sum, factor, at) => sum + factor * weights[at]!, 0);
  const variance = GRID.reduce((sum, factor, at) => sum + (factor - mean) ** 2 * weights[at]!, 0);
  return {
    cumulative: withSets(weights),
    median: Math.exp(logFactorAt(own, 0.5)),
    logSd: Math.sqrt(variance),
    worn: seen.filter(({ kind }) => kind === 'worn').length,
    seen: seen.length,
  };
}

/** Logarithm of the factor below which it lies with a given chance, straight between the points of the grid. */
function logFactorAt(cumulative: readonly number[], level: number): number {
  const at = bisectLeft(cumulative, level);
  if (at === 0) return FROM;
  if (at > STEPS) return FROM + STEPS * STEP;
  const [low, high] = [cumulative[at - 1]!, cumulative[at]!];
  return FROM + STEP * (at - 1 + (level - low) / Math.max(1e-12, high - low));
}

/** How long the next set lasts at most, against the rule, with a given chance. @param level from 0 to 1 */
export function factorAt({ cumulative }: LifeFactor, level: number): number {
  return Math.exp(logFactorAt(cumulative, level));
}

/** Chance that strings are spent at a wear reckoned by the rule: that they last at most so long. */
export function chanceAtWear({ cumulative }: LifeFactor, wear: number): number {
  if (wear <= 0) return 0;
  const place = (Math.log(wear) - FROM) / STEP;
  if (place <= 0) return 0;
  if (place >= STEPS) return 1;
  const at = Math.floor(place);
  // Sums of many small shares may pass 1 by a rounding.
  return Math.min(1, cumulative[at]! + (place - at) * (cumulative[at + 1]! - cumulative[at]!));
}
