import { DAY_MS, HOUR_MS, localDay, startOfLocalDay } from '../time';
import { rhFromHundredths, rhToHundredths } from '../units';
import type { PackedDay, PackedHour } from './packed';
import { corrected, correctionAt, correctionsFrom, type Correction, type SaltCheck } from './salts';
import { steadiness, type SteadyBand } from './steadiness';

/** Readings put right and put together: from sensors' sums to what a place's air was. Values in hundredths. */

/** Sums over stretches of equal length of one sensor's readings; stretches without readings have `n` 0. */
export interface SummedSeries {
  /** The first stretch, counted in stretches since 1970, and how long each is. */
  from: number;
  stepMs: number;
  n: Int32Array;
  rhSum: Int32Array;
  low: Int32Array;
  high: Int32Array;
  tempN: Int32Array;
  tempSum: Int32Array;
}

/** Sums in which nothing was read yet. @param from the first stretch, counted since 1970 */
export function emptySums(from: number, length: number, stepMs = HOUR_MS): SummedSeries {
  const column = () => new Int32Array(length);
  return {
    from,
    stepMs,
    n: column(),
    rhSum: column(),
    low: column(),
    high: column(),
    tempN: column(),
    tempSum: column(),
  };
}

/** Stretches in a row as they truly were; where `known` is 0 nothing was read. */
export interface TrueSeries {
  from: number;
  stepMs: number;
  known: Uint8Array;
  rh: Float64Array;
  low: Float64Array;
  high: Float64Array;
  /** NaN where only humidity was read. */
  tempC: Float64Array;
}

function emptySeries(from: number, length: number, stepMs: number): TrueSeries {
  const column = () => new Float64Array(length);
  return {
    from,
    stepMs,
    known: new Uint8Array(length),
    rh: column(),
    low: column(),
    high: column(),
    tempC: column(),
  };
}

/** A humidity in hundredths put right, and kept to what can be. */
function right(hundredths: number, correction: Correction | null): number {
  const truth = correction ? rhToHundredths(corrected(rhFromHundredths(hundredths), correction)) : hundredths;
  return Math.min(10_000, Math.max(0, truth));
}

/**
 * A sensor's stretches with its corrections. A correction is a straight line and begins with an hour, so that correcting a sum
 * is correcting each of its readings.
 */
export function correctedSeries(sums: SummedSeries, checks: readonly SaltCheck[]): TrueSeries {
  const corrections = correctionsFrom(checks);
  const { from, stepMs, n, rhSum, low, high, tempN, tempSum } = sums;
  const series = emptySeries(from, n.length, stepMs);
  for (let at = 0; at < n.length; at++) {
    if (n[at] === 0) continue;
    const correction = corrections.length === 0 ? null : correctionAt(corrections, (from + at) * stepMs);
    series.known[at] = 1;
    series.rh[at] = right(rhSum[at]! / n[at]!, correction);
    series.low[at] = right(low[at]!, correction);
    series.high[at] = right(high[at]!, correction);
    series.tempC[at] = tempN[at] === 0 ? NaN : tempSum[at]! / tempN[at]!;
  }
  return series;
}

/** Several sensors of one place as one: the mean of their means, the lowest and the highest of all. */
export function together(sensors: readonly TrueSeries[], from: number, length: number, stepMs = HOUR_MS): TrueSeries {
  const all = emptySeries(from, length, stepMs);
  const temps = new Uint8Array(length);
  for (const sensor of sensors) {
    for (let index = 0; index < sensor.known.length; index++) {
      const at = sensor.from + index - from;
      if (sensor.known[index] === 0 || at < 0 || at >= length) continue;
      const count = ++all.known[at]!;
      all.rh[at]! += sensor.rh[index]!;
      all.low[at] = count === 1 ? sensor.low[index]! : Math.min(all.low[at]!, sensor.low[index]!);
      all.high[at] = Math.max(all.high[at]!, sensor.high[index]!);
      const temp = sensor.tempC[index]!;
      if (Number.isNaN(temp)) continue;
      temps[at]!++;
      all.tempC[at]! += temp;
    }
  }
  for (let at = 0; at < length; at++) {
    if (all.known[at] === 0) continue;
    all.rh[at]! /= all.known[at]!;
    all.tempC[at] = temps[at] === 0 ? NaN : all.tempC[at]! / temps[at]!;
    all.known[at] = 1;
  }
  return all;
}

const temperature = (value: number) => (Number.isNaN(value) ? null : Math.round(value));

/** The stretches with readings, packed, from one on: each begins with its number, counted in stretches since 1970. */
export function packSeries({ from, known, rh, low, high, tempC }: TrueSeries, since = 0): PackedHour[] {
  const rows: PackedHour[] = [];
  for (let at = Math.max(0, since - from); at < known.length; at++) {
    if (known[at] === 1)
      rows.push([from + at, Math.round(rh[at]!), Math.round(low[at]!), Math.round(high[at]!), temperature(tempC[at]!)]);
  }
  return rows;
}

/** Hours gathered into the calendar days of a place's time zone; an hour belongs to the day in which it begins. */
export function packDays({ from, known, rh, low, high, tempC }: TrueSeries, timeZone: string): PackedDay[] {
  const rows: PackedDay[] = [];
  const length = known.length;
  if (length === 0) return rows;
  for (let day = localDay(from * HOUR_MS, timeZone), at = 0; at < length; day++) {
    const end = Math.min(length, Math.ceil(startOfLocalDay(day + 1, timeZone) / HOUR_MS) - from);
    let [count, sum, temps, tempSum, least, most] = [0, 0, 0, 0, Infinity, -Infinity];
    for (; at < end; at++) {
      if (known[at] === 0) continue;
      count++;
      sum += rh[at]!;
      least = Math.min(least, low[at]!);
      most = Math.max(most, high[at]!);
      if (!Number.isNaN(tempC[at]!)) {
        temps++;
        tempSum += tempC[at]!;
      }
    }
    if (count === 0) continue;
    const temp = temps === 0 ? null : Math.round(tempSum / temps);
    rows.push([day, count, Math.round(sum / count), Math.round(least), Math.round(most), temp]);
  }
  return rows;
}

/** The seasonal level of a place through its hours, and its safe band now. */
export interface SeasonalLevel {
  at: readonly number[];
  level: Float64Array;
  now: SteadyBand;
}

/** The seasonal level and the safe band of a place; null without readings. */
export function seasonalLevel({ from, known, rh }: TrueSeries): SeasonalLevel | null {
  const at: number[] = [];
  const values: number[] = [];
  for (let index = 0; index < known.length; index++) {
    if (known[index] === 0) continue;
    at.push((from + index) * HOUR_MS);
    values.push(rhFromHundredths(rh[index]!));
  }
  if (at.length === 0) return null;
  const { level, band, basis } = steadiness(at, values);
  const now = level[level.length - 1]!;
  return { at, level, now: { level: now, low: now + band.low, high: now + band.high, basis } };
}

/** The seasonal level of each calendar day, in hundredths: that of its hour nearest to noon. */
export function levelOfDays(season: SeasonalLevel, days: readonly PackedDay[], timeZone: string): number[] {
  let index = 0;
  return days.map(([day]) => {
    const noon = startOfLocalDay(day, timeZone) + DAY_MS / 2;
    while (index < season.at.length - 1 && season.at[index]! < noon) index++;
    return Math.round(rhToHundredths(season.level[index]!));
  });
}

/** Hours of the last weeks that a device keeps; older ones it knows as days. */
const HOURS_KEPT = 45 * 24;

/** What a device keeps of a place's air. */
export interface PackedRecord {
  days: PackedDay[];
  /** Of the last weeks. */
  hours: PackedHour[];
  steady: SteadyBand | null;
}

/** What a device keeps of a place's air; null where nothing was read. @param sinceHour only what reaches past this hour; 0 is all of it */
export function packRecord(hours: TrueSeries, timeZone: string, sinceHour: number): PackedRecord | null {
  const last = hours.known.lastIndexOf(1);
  if (last < 0) return null;
  const since = sinceHour === 0 ? -Infinity : localDay(sinceHour * HOUR_MS, timeZone);
  return {
    days: packDays(hours, timeZone).filter(([day]) => day >= since),
    hours: packSeries(hours, Math.max(sinceHour, hours.from + last - HOURS_KEPT + 1)),
    // The level rests on the whole record; news alone do not tell it.
    steady: sinceHour === 0 ? (seasonalLevel(hours)?.now ?? null) : null,
  };
}
