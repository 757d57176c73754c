/** Absolute zero of the Celsius scale. Exact by definition. */
export const ZERO_C_IN_K = 273.15;

/**
 * Degrees Celsius of degrees Fahrenheit.
 * @example celsiusOf(68) // 20
 */
export const celsiusOf = (fahrenheit: number): number => ((fahrenheit - 32) * 5) / 9;
/** Degrees Fahrenheit of degrees Celsius. */
export const fahrenheitOf = (celsius: number): number => (celsius * 9) / 5 + 32;

/** A packed temperature in °C. @param hundredths hundredths of a degree */
export const celsiusFromHundredths = (hundredths: number): number => hundredths / 100;
