/** Lengths of time in milliseconds. A "day" here is 24 h of elapsed time, not a calendar day. */
export const SECOND_MS = 1000;
export const MINUTE_MS = 60 * SECOND_MS;
export const HOUR_MS = 60 * MINUTE_MS;
export const DAY_MS = 24 * HOUR_MS;
export const WEEK_MS = 7 * DAY_MS;
/** Mean length of a year in days, leap years reckoned in. */
export const YEAR_DAYS = 365.25;
/** Mean length of a month in days. */
export const MONTH_DAYS = YEAR_DAYS / 12;

/** How far ahead the clock of a device may run before what it wrote down is refused. From memory: clocks that are set by hand. */
export const CLOCK_TOLERANCE_MS = 5 * MINUTE_MS;

/**
 * Whole days of 24 hours between two instants, rounded down; negative when they are the wrong way round.
 * @example daysBetween(0, 1.9 * DAY_MS) // 1
 */
export function daysBetween(fromMs: number, toMs: number): number {
  return Math.floor((toMs - fromMs) / DAY_MS);
}
