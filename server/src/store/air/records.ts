import {
  corrected,
  correctionAt,
  correctionsFrom,
  DAY_MS,
  HOUR_MS,
  localDay,
  startOfLocalDay,
  steadiness,
  type AirHour,
  type Correction,
  type Salt,
  type SaltCheck,
} from '@tembrin/core';
import type { DayRow, HourRow, PlaceRecord } from '@tembrin/contract';
import type { SaltCheckRow } from '../../database/models';
import type { HourColumns } from './hours';

/** Readings put right and put together: from sensors' hours to what a place's air was. */

export function saltCheckOf({ at, salt, tempC, shownRh }: SaltCheckRow): SaltCheck {
  return { at: at.getTime(), salt: salt as Salt, tempC, shownRh };
}

/** Hours in a row as they truly were, in hundredths; where `known` is 0 nothing was read. */
export interface TrueHours {
  from: number;
  known: Uint8Array;
  rh: Float64Array;
  low: Float64Array;
  high: Float64Array;
  /** NaN where only humidity was read. */
  tempC: Float64Array;
}

function trueHours(from: number, length: number): TrueHours {
  const column = () => new Float64Array(length);
  return { from, known: new Uint8Array(length), rh: column(), low: column(), high: column(), tempC: column() };
}

/** A humidity in hundredths put right, and kept to what can be. */
function right(hundredths: number, correction: Correction | null): number {
  const truth = correction ? corrected(hundredths / 10_000, correction) * 10_000 : hundredths;
  return Math.min(10_000, Math.max(0, truth));
}

/**
 * A sensor's hours with its corrections. A correction is a straight line and begins with an hour, so that correcting the
 * roll-up is correcting each of its readings.
 */
export function correctedHours(sums: HourColumns, checks: readonly SaltCheck[]): TrueHours {
  const corrections = correctionsFrom(checks);
  const { from, n, rhSum, low, high, tempN, tempSum } = sums;
  const hours = trueHours(from, n.length);
  for (let at = 0; at < n.length; at++) {
    if (n[at] === 0) continue;
    const correction = corrections.length === 0 ? null : correctionAt(corrections, (from + at) * HOUR_MS);
    hours.known[at] = 1;
    hours.rh[at] = right(rhSum[at]! / n[at]!, correction);
    hours.low[at] = right(low[at]!, correction);
    hours.high[at] = right(high[at]!, correction);
    hours.tempC[at] = tempN[at] === 0 ? NaN : tempSum[at]! / tempN[at]!;
  }
  return hours;
}

/** Several sensors of one place as one: the mean of their means, the lowest and the highest of all. */
export function together(sensors: readonly TrueHours[], from: number, length: number): TrueHours {
  const all = trueHours(from, length);
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

/** Hours on the wire, from an hour on. */
export function hourRows({ from, known, rh, low, high, tempC }: TrueHours, sinceHour = 0): HourRow[] {
  const rows: HourRow[] = [];
  for (let at = Math.max(0, sinceHour - from); at < known.length; at++) {
    if (known[at] === 1)
      rows.push([from + at, Math.round(rh[at]!), Math.round(low[at]!), Math.round(high[at]!), temperature(tempC[at]!)]);
  }
  return rows;
}

/** Wire rows as the core reckons with them. */
export function airHours(rows: readonly HourRow[]): AirHour[] {
  return rows.map(([hour, rh, low, high, temp]) => ({
    at: hour * HOUR_MS,
    rh: rh / 10_000,
    low: low / 10_000,
    high: high / 10_000,
    tempC: temp === null ? null : temp / 100,
  }));
}

/** Hours gathered into the calendar days of a place's time zone; an hour belongs to the day in which it begins. */
export function dayRows({ from, known, rh, low, high, tempC }: TrueHours, timeZone: string): DayRow[] {
  const rows: DayRow[] = [];
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
    if (count > 0) {
      const mean = Math.round(sum / count);
      rows.push([
        day,
        count,
        mean,
        Math.round(least),
        Math.round(most),
        temps === 0 ? null : Math.round(tempSum / temps),
      ]);
    }
  }
  return rows;
}

/** The seasonal level and the safe band of a place; null without readings. */
export function steadyOf({ from, known, rh }: TrueHours) {
  const at: number[] = [];
  const values: number[] = [];
  for (let index = 0; index < known.length; index++) {
    if (known[index] === 0) continue;
    at.push((from + index) * HOUR_MS);
    values.push(rh[index]! / 10_000);
  }
  if (at.length === 0) return null;
  const { level, band, basis } = steadiness(at, values);
  const now = level[level.length - 1]!;
  return { at, level, now: { level: now, low: now + band.low, high: now + band.high, basis } };
}

/** Hours of the last weeks that a device keeps; older ones it knows as days. */
const HOURS_KEPT = 45 * 24;

/** What a device keeps of a place's air; null where nothing was read. `sinceHour`: only what reaches past this hour. */
export function recordOf(placeId: string, hours: TrueHours, timeZone: string, sinceHour: number): PlaceRecord | null {
  const last = hours.known.lastIndexOf(1);
  if (last < 0) return null;
  const since = sinceHour === 0 ? -Infinity : localDay(sinceHour * HOUR_MS, timeZone);
  return {
    placeId,
    days: dayRows(hours, timeZone).filter(([day]) => day >= since),
    hours: hourRows(hours, Math.max(sinceHour, hours.from + last - HOURS_KEPT + 1)),
    // The level rests on the whole record; news alone do not tell it.
    steady: sinceHour === 0 ? (steadyOf(hours)?.now ?? null) : null,
  };
}

/** The seasonal level of each calendar day, in hundredths: that of its hour nearest to noon. */
export function levelOfDays(
  steady: NonNullable<ReturnType<typeof steadyOf>>,
  days: readonly DayRow[],
  timeZone: string,
): number[] {
  let index = 0;
  return days.map(([day]) => {
    const noon = startOfLocalDay(day, timeZone) + DAY_MS / 2;
    while (index < steady.at.length - 1 && steady.at[index]! < noon) index++;
    return Math.round(steady.level[index]! * 10_000);
  });
}
