/** How much is played on one instrument, from its log alone. */
export interface PaceSeen {
  /** Over a long time, pauses among it. */
  hoursPerDay: number;
  /** Uncertainty of that, as the sd of its natural logarithm. */
  logSd: number;
}

/**
 * Of how far players differ in how much they play, so much is a player's own wherever they play; the rest belongs to the one
 * instrument. From memory: nobody has published it.
 */
export const PLAYERS_PACE_SHARE = 1 / 2;
/** What was seen elsewhere moves the start of another instrument by such a factor at most. From memory. */
export const MOST_MOVED = 2;

/**
 * What is played on somebody's other instruments lets expect of one more: the player's own part, learned from each by its
 * certainty, with what is the instrument's own come between.
 * @param usual hours a day a player starts from of whom nothing is known; above 0
 * @param logSd how far players differ from it, as the sd of its natural logarithm
 * @param seen on each other instrument, that player's part of it; none: the usual start comes back
 * @returns hours a day between a half and twice the usual, and what remains uncertain
 */
export function paceElsewhere(usual: number, logSd: number, seen: readonly PaceSeen[]): PaceSeen {
  const players = PLAYERS_PACE_SHARE * logSd ** 2;
  const own = (1 - PLAYERS_PACE_SHARE) * logSd ** 2;
  let [precision, pull] = [1 / players, 0];
  for (const each of seen) {
    const weight = 1 / (own + each.logSd ** 2);
    precision += weight;
    pull += weight * Math.log(each.hoursPerDay / usual);
  }
  const moved = Math.min(MOST_MOVED, Math.max(1 / MOST_MOVED, Math.exp(pull / precision)));
  return { hoursPerDay: usual * moved, logSd: Math.sqrt(1 / precision + own) };
}
