import { linearRegression, mean } from 'simple-statistics';
import { DAY_MS, HOUR_MS, WEEK_MS, YEAR_DAYS } from '../time';
import { rhFromPercent } from '../units';

/**
 * Humidity over saturated salts, percent: polynomials in °C, lowest power first, and how far they are uncertain
 * [Greenspan 1977, J. Res. NBS 81A; coefficients from memory, checked against the table’s values].
 */
export const SALTS = {
  'magnesium-chloride': {
    name: 'Magnesium chloride',
    powers: [33.6686, -0.00797397, -0.00108988],
    uncertain: 0.16,
  },
  'magnesium-nitrate': { name: 'Magnesium nitrate', powers: [60.3514, -0.298643], uncertain: 0.22 },
  'sodium-chloride': {
    name: 'Sodium chloride (table salt)',
    powers: [75.5164, 0.0398321, -0.00265459, 0.00002848],
    uncertain: 0.12,
  },
  'potassium-chloride': {
    name: 'Potassium chloride',
    powers: [88.619, -0.19334, 0.000899706],
    uncertain: 0.26,
  },
} as const;
export type Salt = keyof typeof SALTS;
export const SALT_IDS = Object.keys(SALTS) as Salt[];

/** Temperatures the tables are used for, °C. */
export const SALT_RANGE_C = { least: 18, most: 32 } as const;
/** Hours the sealed slurry is left with the sensor [handbook 3]. */
export const SALT_HOURS = { least: 8, most: 24 } as const;

const polynomial = (powers: readonly number[], at: number) =>
  powers.reduceRight((sum, coefficient) => sum * at + coefficient, 0);

/**
 * Humidity over a saturated salt as a fraction [Greenspan 1977].
 * @example saltHumidity('sodium-chloride', 20) // 0.7548
 */
export function saltHumidity(salt: Salt, tempC: number): number {
  return rhFromPercent(polynomial(SALTS[salt].powers, tempC));
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
  /** Of a corrected reading of 50 %, ± fraction, 19 times in 20. */
  uncertainty: number;
  salts: Salt[];
  /** Several salts, but too close to each other to tell a slope: only the offset is corrected. */
  tooClose: boolean;
}

/** Checks made within so many days of each other belong to one calibration. */
const ONE_CHECK_MS = WEEK_MS;
/** Salts nearer to each other than this tell no slope: what they leave uncertain grows faster than what they tell. From memory. */
const LEAST_APART = 0.2;
/** A display of whole percents is off by up to half of one; evenly spread, that is so much. */
const DISPLAY_SD = 0.01 / Math.sqrt(12);
/** The slurry not quite saturated, the jar not quite at rest: sd of a single check. From memory. */
const SLURRY_SD = 0.004;
/** How well the temperature of the jar is known, °C, sd. From memory. */
const TEMP_SD_C = 0.5;
/** How far the slopes of hygrometers differ from one, sd. From memory: what a single salt cannot tell. */
const SLOPE_SD = 0.05;
/** Where uncertainty is told: the middle of the scale. */
const TOLD_AT = 0.5;
/** Nineteen times in twenty a normal error is within so many sd. */
const MOSTLY = 1.96;

/** All checks over one salt: repeated measurements of one humidity. */
interface SaltPoint {
  salt: Salt;
  shown: number;
  truth: number;
  /** Variance of the difference. */
  variance: number;
}

function saltPoint(salt: Salt, group: readonly SaltCheck[]): SaltPoint {
  const own = group.filter((check) => check.salt === salt);
  const tempC = mean(own.map((check) => check.tempC));
  const steep = (saltHumidity(salt, tempC + 1) - saltHumidity(salt, tempC - 1)) / 2;
  const each = DISPLAY_SD ** 2 + SLURRY_SD ** 2 + (steep * TEMP_SD_C) ** 2;
  return {
    salt,
    shown: mean(own.map(({ shownRh }) => shownRh)),
    truth: mean(own.map((check) => saltHumidity(salt, check.tempC))),
    // Trying again makes the reading surer, not the salt.
    variance: each / own.length + (SALTS[salt].uncertain / 100 / 2) ** 2,
  };
}

/**
 * Corrections out of salt checks: one salt gives an offset, two or more that lie well apart an offset and a slope, each check
 * by its certainty. Each holds from the full hour after its first check on, until the next calibration; its uncertainty comes
 * from the readings’ resolution, the salts’ own, and what remains unknown of the slope.
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
    const from = Math.ceil(group[0]!.at / HOUR_MS) * HOUR_MS;
    const points = [...new Set(group.map(({ salt }) => salt))].map((salt) => saltPoint(salt, group));
    const salts = points.map(({ salt }) => salt);
    const truths = points.map(({ truth }) => truth);
    const apart = Math.max(...truths) - Math.min(...truths) >= LEAST_APART;
    return { from, ...(apart ? lineThrough(points) : offsetOf(points)), salts, tooClose: salts.length > 1 && !apart };
  });
}

/** Middle of the points and the sum of their weights, each weighing by its certainty. */
function balance(points: readonly SaltPoint[]) {
  const weight = points.reduce((sum, { variance }) => sum + 1 / variance, 0);
  const at = (value: (point: SaltPoint) => number) =>
    points.reduce((sum, point) => sum + value(point) / point.variance, 0) / weight;
  return { weight, shown: at(({ shown }) => shown), truth: at(({ truth }) => truth) };
}

function offsetOf(points: readonly SaltPoint[]): Pick<Correction, 'offset' | 'slope' | 'uncertainty'> {
  const { weight, shown, truth } = balance(points);
  const sd = Math.hypot(Math.sqrt(1 / weight), SLOPE_SD * (TOLD_AT - shown));
  return { offset: truth - shown, slope: 1, uncertainty: MOSTLY * sd };
}

/** The line that fits best [published: weighted least squares, any textbook of statistics]. */
function lineThrough(points: readonly SaltPoint[]): Pick<Correction, 'offset' | 'slope' | 'uncertainty'> {
  const { weight, shown, truth } = balance(points);
  const spread = points.reduce((sum, point) => sum + (point.shown - shown) ** 2 / point.variance, 0);
  if (spread === 0) return offsetOf(points);
  const together = points.reduce(
    (sum, point) => sum + ((point.shown - shown) * (point.truth - truth)) / point.variance,
    0,
  );
  const slope = together / spread;
  const sd = Math.sqrt(1 / weight + (TOLD_AT - shown) ** 2 / spread);
  return { offset: truth - slope * shown, slope, uncertainty: MOSTLY * sd };
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
