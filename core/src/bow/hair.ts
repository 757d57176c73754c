import { LIFE_LOG_SD, type Life } from '../wear';

/** The two-clock life of bow hair [handbook 6]: 6 months at 3.5 h/day, 24 months at 0.5 h/day. */
export const HAIR_LIFE: Life = { hours: 727, days: 1466, logSd: LIFE_LOG_SD };

/** The hair is looked over once a year whatever its wear [handbook 6]; in days. */
export const HAIR_LOOK_DAYS = 365;

/** What an hour left tight costs the hair, in hours of bowing, and the most of its life that it may cost. From memory: stated, not measured. */
export const TIGHT_HOUR_COSTS = 0.25;
export const TIGHT_COSTS_AT_MOST = 0.2;

/**
 * Wear from standing tight while nobody played: hair stretches under tension, slower than it wears in use.
 * @param idleHours hours under tension, not played, since the rehair
 * @returns share of the hair's life, from 0 to `TIGHT_COSTS_AT_MOST`
 * @example tightWear(10) // 0.003439
 */
export function tightWear(idleHours: number): number {
  return Math.min(TIGHT_COSTS_AT_MOST, (idleHours * TIGHT_HOUR_COSTS) / HAIR_LIFE.hours);
}
