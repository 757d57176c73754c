import { hoursBetween, type Playing } from '../log/index';
import type { LifeFactor } from './factor';
import { hoursBefore, type Before } from './pace';
import { DAY_MS } from '../time/index';

/** A part's life on two clocks: playing hours H and elapsed days D. Wear u = hours/H + days/D; spent at u = 1. */
export interface Life {
  hours: number;
  days: number;
  /** Spread: sd of the natural logarithm of the life. */
  logSd: number;
  /** Where this player's own changes have told more than the rule's spread. */
  factor?: LifeFactor;
  /** Wear at which it was looked at and found still good: it lasts at least so long. */
  proven?: Worn;
}

/**
 * Wear after so many hours of playing and days of age; dimensionless, 1 when an average part is spent.
 * @example wear({ hours: 200, days: 365 }, 50, 90) // 0.4966
 */
export function wear(life: Life, hours: number, days: number): number {
  return hours / life.hours + days / life.days;
}

/** Wear as far as it is on record, and what playing that nobody wrote down adds, as reckoned. */
export interface Worn {
  told: number;
  reckoned: number;
}

/** Wear of a part at an instant: from the log, and before the log began from what is known of the player. 0 before it was fitted. */
export function wornAt(life: Life, playing: Playing, before: Before, fittedAt: number, atMs: number): Worn {
  if (atMs <= fittedAt) return { told: 0, reckoned: 0 };
  return {
    told: wear(life, hoursBetween(playing, fittedAt, atMs), (atMs - fittedAt) / DAY_MS),
    reckoned: hoursBefore(before, fittedAt, atMs) / life.hours,
  };
}

/** What was seen of a part: the share of its life that is behind it, and how uncertain that is, as the sd of its natural logarithm. */
export interface ShareSeen {
  share: number;
  logSd: number;
}

/**
 * A part's life after it was looked at. Seen with share u of its life gone at wear w by the rule, its life is w/u times the rule;
 * the logarithm of that is weighed against the rule's spread by their precisions, as for normal distributions.
 * @param life by the rule, log-normal with `logSd`
 * @returns the same life, longer or shorter, and less uncertain
 */
export function seenLife(life: Life, seen: readonly (ShareSeen & { wear: number })[]): Life {
  const told = seen.filter(({ wear: at, share }) => at > 0 && share > 0);
  if (told.length === 0) return life;
  const weights = told.map(({ logSd }) => logSd ** -2);
  const precision = weights.reduce((sum, weight) => sum + weight, life.logSd ** -2);
  const shift =
    told.reduce((sum, { wear: at, share }, index) => sum + weights[index]! * Math.log(at / share), 0) / precision;
  const factor = Math.exp(shift);
  return { ...life, hours: life.hours * factor, days: life.days * factor, logSd: precision ** -0.5 };
}
