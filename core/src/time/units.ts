/** Lengths of time in milliseconds. A "day" here is 24 h of elapsed time, not a calendar day. */
export const MINUTE_MS = 60_000;
export const HOUR_MS = 60 * MINUTE_MS;
export const DAY_MS = 24 * HOUR_MS;
/** Mean length of a month in days (365.25 / 12). */
export const MONTH_DAYS = 30.4375;
