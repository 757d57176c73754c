import { linearRegression } from 'simple-statistics';
import { DAY_MS, HOUR_MS, WEEK_MS, YEAR_DAYS } from '../time';
import { rhFromPercent } from '../units';

/** Humidity over saturated salts at 20, 25 and 30 °C, percent [Greenspan 1977, J. Res. NBS 81A; values from memory]. */
export const SALTS = {
  'magnesium-chloride': { name: 'Magnesium chloride', at: [33.07, 32.78, 32.44] },
  'magnesium-nitrate': { name: 'Magnesium nitrate', at: [54.38, 52.89, 51.4] },
  'sodium-chloride': { name: 'Sodium chloride (table salt)', at: [75.47, 75.29, 75.09] },
  'potassium-chloride': { name: 'Potassium chloride', at: [85.11, 84.34, 83.62] },
} as const;
export type Salt = keyof typeof SALTS;
export const SALT_IDS = Object.keys(SALTS) as Salt[];

/** Temperatures the tables are used for, °C. */
export const SALT_RANGE_C = { least: 18, most: 32 } as const;
/** Hours the sealed slurry is left with the sensor [handbook 3]. */
export const SALT_HOURS = { least: 8, most: 24 } as const;

/**
 * Humidity over a saturated salt as a fraction, between the table's temperatures by straight lines.
 * @example saltHumidity('sodium-chloride', 20) // 0.7547
 */
export function saltHumidity(salt: Salt, tempC: number): number {
  const [at20, at25, at30] = SALTS[salt].at;
  const percent = tempC <= 25 ? at20 + ((at25 - at20) * (tempC - 20)) / 5 : at25 + ((at30 - at25) * (tempC - 25)) / 5;
  return rhFromPercent(percent);
}

/** What a hygrometer showed over a salt. */
export interface SaltCheck {
  at: number;
  salt: Salt;
  tempC: number;
  /** Shown, fraction. */
  shownRh: number;
}

/** True humidity = offset + slope · shown, for readings from `from` on. */
export interface Correction {
  from: number;
  offset: number;
  slope: number;
  /** Of a corrected reading near the salts, ± fraction. */
  uncertainty: number;
  salts: Salt[];
}

/** Checks made within so many days of each other belong to one calibration. */
const ONE_CHECK_MS = WEEK_MS;
/** ± of the slurry, of the temperature and of reading a display to one percent; two salts share them. From memory. */
const ONE_SALT = 0.015;
const TWO_SALTS = 0.01;

/**
 * Corrections out of salt checks: one salt gives an offset, two or more an offset and a slope. Each holds from the next
 * full hour on, until the next calibration.
 * @param checks in any order
 */
export function correctionsFrom(checks: readonly SaltCheck[]): Correction[] {
  const groups: SaltCheck[][] = [];
  for (const check of [...checks].sort((a, b) => a.at - b.at)) {
    const group = groups.at(-1);
    if (group && check.at - group.at(-1)!.at <= ONE_CHECK_MS) group.push(check);
    else groups.push([check]);
  }
  return groups.map((group) => {
    const from = Math.ceil(group.at(-1)!.at / HOUR_MS) * HOUR_MS;
    const salts = [...new Set(group.map(({ salt }) => salt))];
    const points = group.map(({ salt, tempC, shownRh }) => [shownRh, saltHumidity(salt, tempC)]);
    if (salts.length === 1) {
      const offset = points.reduce((sum, [shown, truth]) => sum + truth! - shown!, 0) / points.length;
      return { from, offset, slope: 1, uncertainty: ONE_SALT, salts };
    }
    const { m, b } = linearRegression(points);
    return { from, offset: b, slope: m, uncertainty: TWO_SALTS, salts };
  });
}

/** The correction that holds at an instant; null before the first. */
export function correctionAt(corrections: readonly Correction[], atMs: number): Correction | null {
  return corrections.findLast(({ from }) => from <= atMs) ?? null;
}

/** A shown humidity as it truly is. */
export function corrected(rh: number, correction: Correction | null): number {
  return correction ? correction.offset + correction.slope * rh : rh;
}

/** By how much a hygrometer's readings are put right in the middle of its scale, a fraction: positive where it shows too little. */
export function correctionAtHalf(correction: Correction): number {
  return corrected(0.5, correction) - 0.5;
}

/** Why a check cannot be used. */
export type CheckFault = 'temperature' | 'far-off' | 'slope';

/** A hygrometer farther off than this is broken rather than out of true; from memory. */
const FAR_OFF = 0.25;
const SLOPE = { least: 0.6, most: 1.6 } as const;

/** Looks at a new check together with those it would be reckoned with. */
export function checkFault(check: SaltCheck, others: readonly SaltCheck[]): CheckFault | null {
  if (check.tempC < SALT_RANGE_C.least || check.tempC > SALT_RANGE_C.most) return 'temperature';
  if (Math.abs(saltHumidity(check.salt, check.tempC) - check.shownRh) > FAR_OFF) return 'far-off';
  const { slope } = correctionsFrom([...others, check]).at(-1)!;
  return slope < SLOPE.least || slope > SLOPE.most ? 'slope' : null;
}

/** How fast a hygrometer drifts, from checks over the same salt at least half a year apart: fraction of humidity a year; null before. */
export function driftPerYear(checks: readonly SaltCheck[]): number | null {
  const year = YEAR_DAYS * DAY_MS;
  const slopes = SALT_IDS.flatMap((salt) => {
    const own = checks.filter((check) => check.salt === salt);
    const times = own.map(({ at }) => at);
    if (own.length < 2 || Math.max(...times) - Math.min(...times) < year / 2) return [];
    return [linearRegression(own.map(({ at, tempC, shownRh }) => [at / year, shownRh - saltHumidity(salt, tempC)])).m];
  });
  return slopes.length === 0 ? null : slopes.reduce((sum, slope) => sum + slope, 0) / slopes.length;
}
