import { ZERO_C_IN_K } from '../units';

/** Water vapour in air. Temperatures in °C, vapour pressures in hPa, relative humidity as a fraction, moisture in g/m³. */

/** Over water from −45 to 60 °C, and over ice below 0 °C [WMO-No. 8, Guide to Instruments and Methods of Observation]. */
const MAGNUS = {
  water: { a: 6.112, b: 17.62, c: 243.12 },
  ice: { a: 6.112, b: 22.46, c: 272.62 },
} as const;
export type Phase = keyof typeof MAGNUS;

/**
 * Saturation vapour pressure.
 * @param tempC −45 to 60 °C over water, −65 to 0 °C over ice
 * @returns hPa
 * @example saturationHpa(20) // 23.33
 */
export function saturationHpa(tempC: number, over: Phase = 'water'): number {
  const { a, b, c } = MAGNUS[over];
  return a * Math.exp((b * tempC) / (c + tempC));
}

/**
 * Vapour pressure of air in hPa. Relative humidity is over water, as hygrometers and weather services give it, in frost too.
 * @example vapourHpa(0.5, 20) // 11.66
 */
export function vapourHpa(rh: number, tempC: number): number {
  return rh * saturationHpa(tempC);
}

/**
 * Dew point: where air of this humidity begins to sweat. The inverse of `saturationHpa`.
 * @param rh above 0 up to 1
 * @returns °C
 * @example dewPointC(0.5, 20) // 9.255
 */
export function dewPointC(rh: number, tempC: number): number {
  const { a, b, c } = MAGNUS.water;
  const log = Math.log(vapourHpa(rh, tempC) / a);
  return (c * log) / (b - log);
}

/**
 * Absolute humidity in g/m³, from the gas law: 216.68 e / T with e in hPa and T in K.
 * @example absoluteGm3(0.5, 20) // 8.621
 */
export function absoluteGm3(rh: number, tempC: number): number {
  return (216.68 * vapourHpa(rh, tempC)) / (tempC + ZERO_C_IN_K);
}

/**
 * Relative humidity of air that holds so many g/m³ at a temperature; may come out above 1, where water would condense.
 * @example rhOfAbsolute(8.62, 20) // 0.5
 */
export function rhOfAbsolute(gm3: number, tempC: number): number {
  return (gm3 * (tempC + ZERO_C_IN_K)) / 216.68 / saturationHpa(tempC);
}

/**
 * Relative humidity of outdoor air brought to a room's temperature: its vapour pressure is kept.
 * @example heatedRh(0.9, 0, 21) // 0.2217
 */
export function heatedRh(rhOut: number, tempOutC: number, tempInC: number): number {
  return vapourHpa(rhOut, tempOutC) / saturationHpa(tempInC);
}
