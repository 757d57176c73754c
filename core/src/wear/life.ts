import { hoursBetween, type Playing } from '../log/index';
import type { LifeFactor } from './factor';
import { DAY_MS } from '../time/index';

/** A part's life on two clocks: playing hours H and elapsed days D. Wear u = hours/H + days/D; spent at u = 1. */
export interface Life {
  hours: number;
  days: number;
  /** Spread: sd of the natural logarithm of the life. */
  logSd: number;
  /** Where this player's own changes have told more than the rule's spread. */
  factor?: LifeFactor;
}

/**
 * Wear after so many hours of playing and days of age; dimensionless, 1 when an average part is spent.
 * @example wear({ hours: 200, days: 365 }, 50, 90) // 0.4966
 */
export function wear(life: Life, hours: number, days: number): number {
  return hours / life.hours + days / life.days;
}

/** Wear of a part at an instant, from the log. 0 before it was fitted. */
export function wearAt(life: Life, playing: Playing, fittedAt: number, atMs: number): number {
  if (atMs <= fittedAt) return 0;
  return wear(life, hoursBetween(playing, fittedAt, atMs), (atMs - fittedAt) / DAY_MS);
}
