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
