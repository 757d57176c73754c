/**
 * Playing is a regime that is on or off: holidays, exams, illness stop it for a while and then it goes on as before.
 * While it is on, a day is played on with a chance of its own; while it is off, none is. From whole days played on or not,
 * the chance that a gap was a pause follows. The figures of the regime are from memory: nobody has published any.
 */

/** Days that playing goes on between two pauses, on average. From memory. */
const ON_DAYS = 120;
const STOPS = 1 / ON_DAYS;
/** A pause lasts at least t days with chance (1 + t/40)⁻³: 20 days on average, and the longer it has lasted the longer it will. From memory. */
const PAUSE_SCALE = 40;
const PAUSE_SHAPE = 3;
const PAUSE_DAYS = PAUSE_SCALE / (PAUSE_SHAPE - 1);
/** Share of days in which playing goes on, for a player of whom nothing is known. */
export const USUAL_SHARE = ON_DAYS / (ON_DAYS + PAUSE_DAYS);

/** Days looked back on. */
export const LONGEST_GAP = 1100;
/** Chance that a pause lasts at least so many whole days. */
const LASTS = Array.from({ length: LONGEST_GAP + 2 }, (_, days) => (1 + days / PAUSE_SCALE) ** -PAUSE_SHAPE);

/** How far a pause that has lasted so many days will still go, days, with a given chance that it is over by then. */
export function restOfPause(days: number, chance: number): number {
  return (PAUSE_SCALE + days) * ((1 - chance) ** (-1 / PAUSE_SHAPE) - 1);
}

/**
 * Days of a gap between two days of playing that were a pause, as expected.
 * @param gap whole days not played on
 * @param plays chance that a day is played on while playing goes on, above 0 and below 1
 */
export function pausedIn(gap: number, plays: number): number {
  let [weight, sum, off] = [1, 0, 0];
  for (let days = Math.min(gap, LONGEST_GAP); days >= 1; days--) {
    const chance = (gap - days + 1) * weight * STOPS * (LASTS[days - 1]! - LASTS[days]!);
    sum += chance;
    off += days * chance;
    weight *= (1 - plays) * (1 - STOPS);
  }
  return off / (sum + weight);
}

/** A pause that may be under way. */
export interface Pause {
  /** Chance that playing has stopped for a while, and is not merely late. */
  chance: number;
  /** How long it has lasted if it has, days, as expected. */
  days: number;
}

/**
 * Whether playing is paused, after so many whole days without any.
 * @param plays chance that a day is played on while playing goes on, above 0 and below 1
 * @returns the pause, and the days of the gap that are expected to be one, whether it is over or not
 */
export function pauseAfter(gap: number, plays: number): Pause & { paused: number } {
  let [weight, on, off, lasted, over] = [1, 0, 0, 0, 0];
  for (let days = Math.min(gap, LONGEST_GAP); days >= 1; days--) {
    const still = weight * STOPS * LASTS[days]!;
    const ended = (gap - days) * weight * STOPS * (LASTS[days - 1]! - LASTS[days]!);
    off += still;
    lasted += days * still;
    on += ended;
    over += days * ended;
    weight *= (1 - plays) * (1 - STOPS);
  }
  const all = on + off + weight;
  return { chance: off / all, days: off > 0 ? lasted / off : 0, paused: (lasted + over) / all };
}

/** How soon a share that begins at one falls to the long run’s, days; fitted to the regime above by simulation. */
const SETTLES_DAYS = 20;
/** Spread of the share over a stretch of t days: 7.4 t / (t + 60)², for the usual share; fitted likewise. */
const SPREAD_DAYS = 7.4;
const SPREAD_START_DAYS = 60;

/**
 * What a stretch that begins while playing goes on holds of it.
 * @param share the player’s own share of days in which playing goes on, in the long run
 * @param days length of the stretch
 * @returns the expected share of it, and the standard deviation of that
 */
export function shareAhead(share: number, days: number): { share: number; sd: number } {
  if (days <= 0) return { share: 1, sd: 0 };
  const early = (SETTLES_DAYS / days) * (1 - Math.exp(-days / SETTLES_DAYS));
  const variance = (SPREAD_DAYS * days) / (days + SPREAD_START_DAYS) ** 2;
  return {
    share: share + (1 - share) * early,
    sd: Math.sqrt((variance * (1 - share)) / (1 - USUAL_SHARE)),
  };
}
