import { quantile } from 'd3-array';
import { DAY_MS, MONTH_DAYS } from '../time';
import type { Band } from './bands';

/** Half of the window of the central moving average. */
const HALF_WINDOW_MS = 15 * DAY_MS;
/** The safe band reaches at least so far to either side of the level, as a fraction of relative humidity. */
export const STEADY_LEAST = 0.1;
/** Record from which the percentiles count, in months. */
export const STEADY_MONTHS = 13;
/** Of the days of those months so many must have readings: a first and a last one are not a record. From memory: the standard asks for a continuous one. */
const STEADY_COVER = 0.75;

/** The seasonal level of a place under school C, with its band as humidities. */
export interface SteadyBand extends Band {
  level: number;
  basis: 'record' | 'short';
}

export interface Steadiness {
  /** Seasonal level at each reading, fraction. */
  level: Float64Array;
  /** The safe band as distances from the level; low is negative. */
  band: Band;
  /** The percentiles themselves, before the rule of ±10 %. */
  percentiles: Band;
  /** Months of readings: days that have some, not the time between the first and the last. */
  months: number;
  /** record: from 13 months with readings in most of their days; short: not enough of them yet, so ±10 % is used. */
  basis: 'record' | 'short';
}

/**
 * Seasonal level and safe band of a place [EN 15757:2010, annex A]: the level is the central 30-day moving average; the band
 * holds the 7th to 93rd percentile of what the readings differ from it; where that is narrower than ±10 %RH, ±10 is used.
 * At the ends of the record the average is over what there is of the window.
 * @param atMs instants of readings evenly spread, rising; gaps are allowed
 * @param rh fractions
 */
export function steadiness(atMs: ArrayLike<number>, rh: ArrayLike<number>): Steadiness {
  const count = atMs.length;
  const level = new Float64Array(count);
  const fluctuations = new Float64Array(count);
  let sum = 0;
  let from = 0;
  let to = 0;
  for (let index = 0; index < count; index++) {
    while (to < count && atMs[to]! <= atMs[index]! + HALF_WINDOW_MS) sum += rh[to++]!;
    while (atMs[from]! < atMs[index]! - HALF_WINDOW_MS) sum -= rh[from++]!;
    level[index] = sum / (to - from);
    fluctuations[index] = rh[index]! - level[index]!;
  }
  const percentiles = { low: quantile(fluctuations, 0.07) ?? 0, high: quantile(fluctuations, 0.93) ?? 0 };
  const { months, full } = recordOf(atMs);
  const basis = full ? 'record' : 'short';
  const band =
    basis === 'short'
      ? { low: -STEADY_LEAST, high: STEADY_LEAST }
      : { low: Math.min(percentiles.low, -STEADY_LEAST), high: Math.max(percentiles.high, STEADY_LEAST) };
  return { level, band, percentiles, months, basis };
}

/** How many months have readings, and whether the last thirteen have them in most of their days. */
function recordOf(atMs: ArrayLike<number>): { months: number; full: boolean } {
  const count = atMs.length;
  if (count === 0) return { months: 0, full: false };
  const wanted = STEADY_MONTHS * MONTH_DAYS;
  const recent = atMs[count - 1]! - wanted * DAY_MS;
  let [days, recentDays, last] = [0, 0, -Infinity];
  for (let index = 0; index < count; index++) {
    const day = Math.floor(atMs[index]! / DAY_MS);
    if (day === last) continue;
    last = day;
    days++;
    if (atMs[index]! >= recent) recentDays++;
  }
  return { months: days / MONTH_DAYS, full: atMs[0]! <= recent + DAY_MS && recentDays >= STEADY_COVER * wanted };
}
