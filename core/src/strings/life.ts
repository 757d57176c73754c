import type { Family, Kind } from '../instruments';
import type { Life } from '../upkeep/wear';

/** Spread of string and hair life, as the sd of its natural logarithm [handbook 4]. */
export const LIFE_LOG_SD = 0.35;

/** Where a life comes from: the trade's rule, or a stand-in default where the trade gives none. */
export type LifeBasis = 'trade' | 'default';

/**
 * The two-clock life of a string set [handbook 4]: wear u = hours/H + days/D, spent at u = 1.
 * Bowed: 12 months at 0.5 h/day, 6 at 2 h/day. Guitar: 6 months at 0.5 h/day, 3 at 1.5 h/day.
 * Harps and nylon strings have no rule in the trade's own figures; they start from a stated default.
 */
export function stringLife(family: Family, kind: Kind | null): Life & { basis: LifeBasis } {
  if (family === 'guitar') {
    return { hours: 183, days: 362, logSd: LIFE_LOG_SD, basis: kind === 'classical' ? 'default' : 'trade' };
  }
  // From memory: middle gut octaves of a harp are commonly renewed every one to two years.
  if (family === 'harp') return { hours: 1095, days: 730, logSd: LIFE_LOG_SD, basis: 'default' };
  return { hours: 547, days: 547, logSd: LIFE_LOG_SD, basis: 'trade' };
}
