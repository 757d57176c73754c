import { CLOCK_TOLERANCE_MS, SECOND_MS } from '../../time';

/** Why a reading cannot be taken in. */
export type ReadingFault =
  | 'no-number'
  | 'rh-negative'
  | 'rh-zero'
  | 'rh-above-100'
  | 'rh-fraction'
  | 'temp-out-of-range'
  | 'low-above-high'
  | 'in-the-future'
  | 'clock-not-set';

const EARLIEST_MS = Date.UTC(2000, 0, 1);
export const TEMP_RANGE_C = { least: -40, most: 60 } as const;

/** Whether a humidity in percent can be one; a number between 0 and 1 is more likely a fraction. */
export function humidityFault(percent: number): ReadingFault | null {
  if (!Number.isFinite(percent)) return 'no-number';
  if (percent < 0) return 'rh-negative';
  // No room is without any water: a sensor that shows none is dead, or not connected.
  if (percent === 0) return 'rh-zero';
  if (percent > 100) return 'rh-above-100';
  return percent > 0 && percent < 1 ? 'rh-fraction' : null;
}

/** Whether a temperature in °C can be one; null where it can. */
export function temperatureFault(tempC: number): ReadingFault | null {
  if (!Number.isFinite(tempC)) return 'no-number';
  return tempC < TEMP_RANGE_C.least || tempC > TEMP_RANGE_C.most ? 'temp-out-of-range' : null;
}

/** Whether an instant can be that of a reading. */
export function instantFault(at: number, nowMs: number): ReadingFault | null {
  if (!Number.isFinite(at)) return 'no-number';
  if (at > nowMs + CLOCK_TOLERANCE_MS) return 'in-the-future';
  return at < EARLIEST_MS ? 'clock-not-set' : null;
}

/** A reading as it is kept: whole seconds, hundredths of a percent and of a degree; raw, before any correction. */
export interface Reading {
  /** Seconds since 1970-01-01T00:00Z. */
  atS: number;
  rhHundredths: number;
  /** null where only humidity was read. */
  tempHundredths: number | null;
  /** Lowest and highest since the last look, where the instrument remembers them. */
  lowHundredths: number | null;
  highHundredths: number | null;
}

/** A reading as somebody or something took it: relative humidity in percent. */
export interface TakenReading {
  at: number;
  percent: number;
  tempC?: number | null;
  lowPercent?: number | null;
  highPercent?: number | null;
}

/**
 * Checks a reading and rounds it to what is kept.
 * @param taken `at` in ms since 1970-01-01T00:00Z
 */
export function readingOf(taken: TakenReading, nowMs: number): Reading | ReadingFault {
  const { at, percent, tempC = null, lowPercent = null, highPercent = null } = taken;
  const fault =
    instantFault(at, nowMs) ??
    humidityFault(percent) ??
    (tempC === null ? null : temperatureFault(tempC)) ??
    (lowPercent === null ? null : humidityFault(lowPercent)) ??
    (highPercent === null ? null : humidityFault(highPercent)) ??
    ((lowPercent ?? percent) > percent || (highPercent ?? percent) < percent ? 'low-above-high' : null);
  if (fault) return fault;
  const hundredths = (value: number | null) => (value === null ? null : Math.round(value * 100));
  return {
    atS: Math.floor(at / SECOND_MS),
    rhHundredths: Math.round(percent * 100),
    tempHundredths: hundredths(tempC),
    lowHundredths: hundredths(lowPercent),
    highHundredths: hundredths(highPercent),
  };
}
