/** Why a reading cannot be taken in. */
export type ReadingFault =
  | 'no-number'
  | 'rh-negative'
  | 'rh-above-100'
  | 'rh-fraction'
  | 'temp-out-of-range'
  | 'low-above-high'
  | 'in-the-future'
  | 'clock-not-set';

/** How far ahead a sensor's clock may run. */
const AHEAD_MS = 5 * 60_000;
const EARLIEST_MS = Date.UTC(2000, 0, 1);
export const TEMP_RANGE_C = { least: -40, most: 60 } as const;

/** Whether a humidity in percent can be one; a number between 0 and 1 is more likely a fraction. */
export function humidityFault(percent: number): ReadingFault | null {
  if (!Number.isFinite(percent)) return 'no-number';
  if (percent < 0) return 'rh-negative';
  if (percent > 100) return 'rh-above-100';
  return percent > 0 && percent < 1 ? 'rh-fraction' : null;
}

export function temperatureFault(tempC: number): ReadingFault | null {
  if (!Number.isFinite(tempC)) return 'no-number';
  return tempC < TEMP_RANGE_C.least || tempC > TEMP_RANGE_C.most ? 'temp-out-of-range' : null;
}

/** Whether an instant can be that of a reading. */
export function instantFault(atMs: number, nowMs: number): ReadingFault | null {
  if (!Number.isFinite(atMs)) return 'no-number';
  if (atMs > nowMs + AHEAD_MS) return 'in-the-future';
  return atMs < EARLIEST_MS ? 'clock-not-set' : null;
}

/** A reading as it is kept: whole seconds, hundredths of a percent and of a degree; raw, before any correction. */
export interface Reading {
  /** Seconds since 1970-01-01T00:00Z. */
  at: number;
  rh: number;
  tempC: number | null;
  /** Lowest and highest since the last look, where the instrument remembers them. */
  low: number | null;
  high: number | null;
}

/**
 * Checks a reading and rounds it to what is kept.
 * @param percent relative humidity in percent
 */
export function readingOf(
  given: { atMs: number; percent: number; tempC?: number | null; low?: number | null; high?: number | null },
  nowMs: number,
): Reading | ReadingFault {
  const { atMs, percent, tempC = null, low = null, high = null } = given;
  const fault =
    instantFault(atMs, nowMs) ??
    humidityFault(percent) ??
    (tempC === null ? null : temperatureFault(tempC)) ??
    (low === null ? null : humidityFault(low)) ??
    (high === null ? null : humidityFault(high)) ??
    ((low ?? percent) > percent || (high ?? percent) < percent ? 'low-above-high' : null);
  if (fault) return fault;
  const hundredths = (value: number | null) => (value === null ? null : Math.round(value * 100));
  return {
    at: Math.floor(atMs / 1000),
    rh: Math.round(percent * 100),
    tempC: hundredths(tempC),
    low: hundredths(low),
    high: hundredths(high),
  };
}

export const celsiusOf = (fahrenheit: number) => ((fahrenheit - 32) * 5) / 9;
export const fahrenheitOf = (celsius: number) => (celsius * 9) / 5 + 32;
