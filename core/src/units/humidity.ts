/**
 * Relative humidity is a fraction from 0 to 1 everywhere it is reckoned with. People read it in percent; what is packed for the
 * wire or the database is whole hundredths of a percent, and its name says so (`rhHundredths`).
 */

/** Hundredths of a percent in the whole. */
const HUNDREDTHS = 10_000;

/**
 * A humidity in percent, as a hygrometer shows it, as a fraction.
 * @example rhFromPercent(45) // 0.45
 */
export const rhFromPercent = (percent: number): number => percent / 100;

/**
 * A fraction as it stands on a hygrometer.
 * @example rhToPercent(0.45) // 45
 */
export const rhToPercent = (rh: number): number => rh * 100;

/**
 * A packed humidity as a fraction. @param rhHundredths hundredths of a percent: 4520 is 45.2 %
 * @example rhFromHundredths(4513) // 0.4513
 */
export const rhFromHundredths = (rhHundredths: number): number => rhHundredths / HUNDREDTHS;

/** A fraction packed: hundredths of a percent, not rounded. */
export const rhToHundredths = (rh: number): number => rh * HUNDREDTHS;
