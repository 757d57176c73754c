import {
  corrected,
  correctionAt,
  correctionsFrom,
  DAY_MS,
  HOUR_MS,
  localDay,
  startOfLocalDay,
  steadiness,
  type Salt,
  type SaltCheck,
} from '@tembrin/core';
import type { DayRow, HourRow, PlaceRecord } from '@tembrin/contract';
import type { HourSums } from './readings';
import type { SaltCheckRow } from '../../database/models';

/** Readings put right and put together: from sensors' hours to what a place's air was. */

export function saltCheckOf({ at, salt, tempC, shownRh }: SaltCheckRow): SaltCheck {
  return { at: at.getTime(), salt: salt as Salt, tempC, shownRh };
}

const clamp = (hundredths: number) => Math.min(10_000, Math.max(0, Math.round(hundredths)));

/**
 * A sensor's hours with its corrections. A correction is a straight line and begins with an hour, so that correcting the
 * roll-up is correcting each of its readings.
 */
export function correctedHours(sums: readonly HourSums[], checks: readonly SaltCheck[]): HourRow[] {
  const corrections = correctionsFrom(checks);
  return sums.map(({ hour, n, rhSum, low, high, tempN, tempSum }) => {
    const correction = correctionAt(corrections, hour * HOUR_MS);
    const right = (hundredths: number) => clamp(corrected(hundredths / 10_000, correction) * 10_000);
    return [hour, right(rhSum / n), right(low), right(high), tempN === 0 ? null : Math.round(tempSum / tempN)];
  });
}

/** Several sensors of one place as one: the mean of their means, the lowest and the highest of all. */
export function together(sensors: readonly (readonly HourRow[])[]): HourRow[] {
  if (sensors.length === 1) return [...sensors[0]!];
  const hours = new Map<number, HourRow[]>();
  for (const row of sensors.flat()) {
    const list = hours.get(row[0]);
    if (list) list.push(row);
    else hours.set(row[0], [row]);
  }
  return [...hours]
    .sort(([a], [b]) => a - b)
    .map(([hour, rows]) => [hour, ...merged(rows.map(([, rh, low, high, temp]) => [rh, low, high, temp] as const))]);
}

type Values = readonly [rh: number, low: number, high: number, temp: number | null];

function merged(rows: readonly Values[]): [number, number, number, number | null] {
  const mean = (list: number[]) => Math.round(list.reduce((sum, value) => sum + value, 0) / list.length);
  const temps = rows.flatMap(([, , , temp]) => temp ?? []);
  return [
    mean(rows.map(([rh]) => rh)),
    Math.min(...rows.map(([, low]) => low)),
    Math.max(...rows.map(([, , high]) => high)),
    temps.length === 0 ? null : mean(temps),
  ];
}

/** Hours gathered into the calendar days of a place's time zone. */
export function daysFrom(hours: readonly HourRow[], timeZone: string): DayRow[] {
  const days: DayRow[] = [];
  let open: Values[] = [];
  let day = NaN;
  const close = () => {
    if (open.length > 0) days.push([day, open.length, ...merged(open)]);
  };
  for (const [hour, rh, low, high, temp] of hours) {
    const on = localDay(hour * HOUR_MS, timeZone);
    if (on !== day) {
      close();
      open = [];
      day = on;
    }
    open.push([rh, low, high, temp]);
  }
  close();
  return days;
}

/** Hours of the last weeks that a device keeps; older ones it knows as days. */
const HOURS_KEPT = 45 * 24;

/** The seasonal level and the safe band as they stand at the end of a record; null without one. */
export function steadyNow(hours: readonly HourRow[]): PlaceRecord['steady'] {
  if (hours.length === 0) return null;
  const { level, band, basis } = steadiness(
    hours.map(([hour]) => hour * HOUR_MS),
    hours.map(([, rh]) => rh / 10_000),
  );
  const now = level[level.length - 1]!;
  return { level: now, low: now + band.low, high: now + band.high, basis };
}

/** What a device keeps of a place's air. `since`: only days and hours that reach past this hour. */
export function recordOf(placeId: string, hours: readonly HourRow[], timeZone: string, sinceHour: number): PlaceRecord {
  const last = hours.at(-1)?.[0] ?? 0;
  const since = sinceHour === 0 ? 0 : localDay(sinceHour * HOUR_MS, timeZone);
  return {
    placeId,
    days: daysFrom(hours, timeZone).filter(([day]) => day >= since),
    hours: hours.filter(([hour]) => hour > last - HOURS_KEPT && hour >= sinceHour),
    // The level rests on the whole record; news alone do not tell it.
    steady: sinceHour === 0 ? steadyNow(hours) : null,
  };
}

/** The seasonal level of each calendar day, in hundredths: that of its hour nearest to noon. */
export function levelOfDays(hours: readonly HourRow[], days: readonly DayRow[], timeZone: string): number[] {
  const at = hours.map(([hour]) => hour * HOUR_MS);
  const { level } = steadiness(
    at,
    hours.map(([, rh]) => rh / 10_000),
  );
  let index = 0;
  return days.map(([day]) => {
    const noon = startOfLocalDay(day, timeZone) + DAY_MS / 2;
    while (index < at.length - 1 && at[index]! < noon) index++;
    return Math.round(level[index]! * 10_000);
  });
}
