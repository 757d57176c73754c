import { LIFE_LOG_SD, logLikelihood, normalWeights, STEP, weightsOf, type LifeSeen } from './life-grid';

/**
 * A player's hands, cloth and ear go along from instrument to instrument; what remains is the instrument's own. Of the variance
 * of lives so much is the player's. From memory: nobody has published it.
 */
export const PLAYERS_SHARE = 2 / 3;
/** How likely it is that one person plays all instruments of a household, where nobody said who does. From memory; a school is
 * told right by it as often as a player with several. */
export const ONE_PLAYER = 0.4;

const PLAYER_SD = LIFE_LOG_SD * Math.sqrt(PLAYERS_SHARE);
const OWN_SD = LIFE_LOG_SD * Math.sqrt(1 - PLAYERS_SHARE);
const OWN_REACH = Math.ceil((4 * OWN_SD) / STEP);
const OWN: readonly number[] = weightsOf(
  Array.from({ length: 2 * OWN_REACH + 1 }, (_, at) => -0.5 * (((at - OWN_REACH) * STEP) / OWN_SD) ** 2),
);
const RULE = normalWeights(LIFE_LOG_SD);
const PLAYER = normalWeights(PLAYER_SD);

/** Below this it is as good as out of the question; nothing is ever quite. */
const LEAST = 1e-12;

/** Weights of the player's part from those of an instrument's factor, or the other way: what is the instrument's own comes between. */
function withOwn(weights: readonly number[]): number[] {
  const spread = new Array<number>(weights.length).fill(0);
  for (let at = 0; at < weights.length; at++) {
    const weight = weights[at]!;
    if (weight < LEAST) continue;
    const first = Math.max(0, at - OWN_REACH);
    const last = Math.min(weights.length - 1, at + OWN_REACH);
    for (let to = first; to <= last; to++) spread[to]! += weight * OWN[to - at + OWN_REACH]!;
  }
  return spread;
}

/** What one instrument's changes say of its player's part, worked out once for each list. */
const told = new WeakMap<readonly LifeSeen[], readonly number[]>();
function tells(seen: readonly LifeSeen[]): readonly number[] {
  const known = told.get(seen);
  if (known) return known;
  const logs = withOwn(weightsOf(logLikelihood(seen))).map((weight) => Math.log(Math.max(LEAST, weight)));
  told.set(seen, logs);
  return logs;
}

/** What a player's other instruments let expect of one. */
export interface Elsewhere {
  /** Weights on the grid of `lifeFactor`, which come to 1. */
  prior: readonly number[];
  /** Changes because worn that it rests on, and on how many instruments they were. */
  worn: number;
  instruments: number;
}

/**
 * What a player's changes on other instruments let expect of one. With the chance `ONE_PLAYER` the part that is the player's is
 * shared and learned from all of them; else they say nothing. So the middle moves by half of what was learned elsewhere at most,
 * and the instrument's own changes outweigh it soon.
 * @param others changes seen on each other instrument; those without any are left out
 * @returns null where nothing was seen
 */
export function elsewhere(others: readonly (readonly LifeSeen[])[]): Elsewhere | null {
  const seen = others.filter((each) => each.length > 0);
  if (seen.length === 0) return null;
  const logs = PLAYER.map((weight, at) => seen.reduce((sum, each) => sum + tells(each)[at]!, Math.log(weight)));
  const shared = withOwn(weightsOf(logs));
  return {
    prior: shared.map((weight, at) => Math.max(LEAST, ONE_PLAYER * weight + (1 - ONE_PLAYER) * RULE[at]!)),
    worn: seen.flat().filter(({ kind }) => kind === 'worn').length,
    instruments: seen.length,
  };
}
