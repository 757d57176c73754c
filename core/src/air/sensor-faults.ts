import { DAY_MS, HOUR_MS } from '../time';
import { usualSpacing, type AirHour } from './record';

/** What a sensor's own data says against it. */
export type SensorFault =
  | { code: 'stuck'; hours: number; rh: number }
  | { code: 'absurd'; rh: number }
  | { code: 'silent'; lastAt: number }
  | { code: 'battery'; percent: number };

/** Real air is never the same for two days; below 5 % and above 98 % it is the sensor. From memory. */
const STUCK_MS = 2 * DAY_MS;
const ABSURD = { low: 0.05, high: 0.98, hours: 6 } as const;
const SILENT_LEAST_MS = 6 * HOUR_MS;
const BATTERY_LOW = 20;
/** Moves of a display that count as none, fraction. */
const STILL = 0.0015;

/**
 * Faults that show in a sensor's readings.
 * @param hours of one sensor as it sent them, uncorrected, rising
 * @param watched it reports by itself, so that silence means something
 */
export function sensorFaults(
  hours: readonly AirHour[],
  nowMs: number,
  { watched, battery }: { watched: boolean; battery: number | null },
): SensorFault[] {
  const faults: SensorFault[] = [];
  const last = hours.at(-1);
  if (battery !== null && battery < BATTERY_LOW) faults.push({ code: 'battery', percent: battery });
  if (!last) return faults;
  let from = last.at;
  let count = 0;
  for (let index = hours.length - 1; index >= 0; index--) {
    const { at, low, high } = hours[index]!;
    if (Math.abs(high - last.rh) > STILL || Math.abs(low - last.rh) > STILL) break;
    from = at;
    count++;
  }
  const still = last.at + HOUR_MS - from;
  if (watched && still >= STUCK_MS && count >= 12)
    faults.push({ code: 'stuck', hours: Math.round(still / HOUR_MS), rh: last.rh });
  const recent = hours.slice(-ABSURD.hours);
  if (recent.length === ABSURD.hours || !watched) {
    const mean = recent.reduce((sum, { rh }) => sum + rh, 0) / recent.length;
    if (mean < ABSURD.low || mean > ABSURD.high) faults.push({ code: 'absurd', rh: mean });
  }
  const spacing = usualSpacing(hours) ?? HOUR_MS;
  if (watched && nowMs - last.at > Math.max(SILENT_LEAST_MS, 6 * spacing))
    faults.push({ code: 'silent', lastAt: last.at });
  return faults;
}

export interface Comparison {
  /** First less second, mean over shared hours, fraction. */
  difference: number;
  sd: number;
  hours: number;
}

/** Two hygrometers side by side: how far they differ in the hours both read; null with fewer than six such hours. */
export function compareHygrometers(one: readonly AirHour[], other: readonly AirHour[]): Comparison | null {
  const known = new Map(other.map(({ at, rh }) => [at, rh]));
  const differences = one.flatMap(({ at, rh }) => (known.has(at) ? [rh - known.get(at)!] : []));
  if (differences.length < 6) return null;
  const difference = differences.reduce((sum, each) => sum + each, 0) / differences.length;
  const squares = differences.reduce((sum, each) => sum + (each - difference) ** 2, 0);
  return { difference, sd: Math.sqrt(squares / differences.length), hours: differences.length };
}
