import { DAY_MS } from '../time';
import { equilibriumMoisture, laggedMoisture, restHumidity } from './moisture';
import { ASSUMED_C, columnsOf, holdOf, samplesOf, type AirRecord } from './record';

/** A thin plate lying bare follows the air with this time constant, ms; from memory. */
export const BARE_PLATE_TAU_MS = 2 * DAY_MS;
/** What was read longer ago no longer shows in it: thirty time constants. */
const LOOK_BACK_MS = 30 * BARE_PLATE_TAU_MS;

/**
 * The moisture of a thin plate lying bare in a place, sample by sample: what the place itself does to wood.
 * @returns instants (ms) and moisture (fraction of dry weight) as columns; empty where nothing was read
 */
export function barePlateLine(record: AirRecord): { at: Float64Array; moisture: Float64Array } {
  const columns = columnsOf(samplesOf(record));
  return { at: columns.at, moisture: laggedMoisture(columns, BARE_PLATE_TAU_MS, holdOf(record)) };
}

/**
 * The humidity at which a thin plate lying bare in a place would rest just now, a fraction.
 * @returns null where nothing was read lately enough to tell
 */
export function barePlateRestRh(record: AirRecord, nowMs: number): number | null {
  const samples = samplesOf(record).filter(({ at }) => at > nowMs - LOOK_BACK_MS && at <= nowMs);
  const last = samples.at(-1);
  const holdMs = holdOf(record);
  if (!last || nowMs - last.at > holdMs) return null;
  const line = laggedMoisture(columnsOf([...samples, { ...last, at: nowMs }]), BARE_PLATE_TAU_MS, holdMs);
  return restHumidity(line.at(-1) ?? equilibriumMoisture(last.rh, last.tempC ?? ASSUMED_C));
}
