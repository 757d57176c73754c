import { HOUR_MS, MINUTE_MS } from '@tembrin/core';
import { chanceFrom } from './chance';
import { roomAir, type RoomId } from './climate';

/** Faults a simulated hygrometer can be given. */
export const HYGROMETER_FAULTS = ['drop-outs', 'drift', 'stuck', 'battery'] as const;
export type HygrometerFault = (typeof HYGROMETER_FAULTS)[number];

export interface HygrometerSettings {
  room: RoomId;
  timeZone: string;
  seed: number;
  faults: readonly HygrometerFault[];
}

/** A SenML record as it is sent. */
export interface SenmlRecord {
  bn?: string;
  bt?: number;
  n: string;
  u: string;
  v: number;
}

const DRIFT_PER_HOUR = 0.0004;
const DROP_OUT = 0.35;
const BATTERY_PER_HOUR = 4;

/** A hygrometer that measures a simulated room: what it sends at an instant, or null when it sends nothing. */
export function hygrometer({ room, timeZone, seed, faults }: HygrometerSettings, startedMs: number) {
  const has = (fault: HygrometerFault) => faults.includes(fault);
  let stuckAt: number | null = null;
  return (atMs: number): SenmlRecord[] | null => {
    const chance = chanceFrom(fractionOf(seed + atMs / HOUR_MS));
    if (has('drop-outs') && chance.happens(DROP_OUT)) return null;
    const hours = (atMs - startedMs) / HOUR_MS;
    // A day before, so that what lags has settled.
    const air = roomAir(room, atMs - 24 * HOUR_MS, atMs, 30 * MINUTE_MS, timeZone).at(-1)!;
    let rh = air.rh + chance.normal(0, 0.002) + (has('drift') ? DRIFT_PER_HOUR * hours : 0);
    if (has('stuck')) rh = stuckAt ??= rh;
    const percent = Math.round(Math.min(100, Math.max(1, rh * 100)) * 10) / 10;
    const records: SenmlRecord[] = [
      { bn: 'urn:dev:tembrin:hygrometer:', bt: Math.floor(atMs / 1000), n: 'rh', u: '%RH', v: percent },
      { n: 'temp', u: 'Cel', v: Math.round((air.tempC + chance.normal(0, 0.05)) * 10) / 10 },
    ];
    if (has('battery'))
      records.push({ n: 'battery', u: '%EL', v: Math.max(0, Math.round(18 - BATTERY_PER_HOUR * hours)) });
    return records;
  };
}

const fractionOf = (value: number) => value - Math.floor(value);
