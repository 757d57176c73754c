import * as z from 'zod';
import { SECOND_MS } from '../../time';
import { ZERO_C_IN_K } from '../../units';
import { humidityFault, instantFault, readingOf, temperatureFault, type Reading, type ReadingFault } from './reading';

/** One record of a SenML pack [RFC 8428]: base fields hold for what follows. Fields not needed here are let through. */
const record = z.looseObject({
  bn: z.string().max(200).optional(),
  bt: z.number().optional(),
  bu: z.string().max(20).optional(),
  bv: z.number().optional(),
  bver: z.number().int().max(10, 'This version of SenML is not known; 10 is.').optional(),
  n: z.string().max(200).optional(),
  u: z.string().max(20).optional(),
  v: z.number().optional(),
  t: z.number().optional(),
});

/** Most records a pack may carry. */
export const PACK_MOST = 1000;

export const senmlPackSchema = z
  .array(record, 'Send a SenML pack: a JSON list of records.')
  .min(1, 'The pack is empty.')
  .max(PACK_MOST, `Send at most ${PACK_MOST} records in a pack.`);
export type SenmlPack = z.infer<typeof senmlPackSchema>;

export interface SenmlFault {
  /** Place in the pack. */
  index: number;
  fault: ReadingFault | 'no-humidity' | 'unit' | 'must-understand' | 'two-devices';
}

export interface SenmlReadings {
  readings: Reading[];
  /** Battery level in percent, where the sensor tells it (unit %EL). */
  battery: number | null;
  faults: SenmlFault[];
}

/** What a hygrometer measures once at a time: two names for one of these are two devices. */
const MEASURED: ReadonlySet<string> = new Set(['%RH', 'Cel']);
/** Times below this are counted from now [RFC 8428, 4.5.3]. */
const RELATIVE_BELOW = 2 ** 28;

/**
 * Resolves a pack to readings: records of one instant belong together. Units: %RH (or "/" for a ratio), Cel (or K), %EL.
 * @param nowMs for relative times, and against future ones
 */
export function readingsOf(pack: SenmlPack, nowMs: number): SenmlReadings {
  let base: { bn: string; bt: number; bu?: string; bv: number } = { bn: '', bt: 0, bv: 0 };
  const found = new Map<number, { index: number; percent?: number; tempC?: number }>();
  const faults: SenmlFault[] = [];
  let battery: number | null = null;
  /** Name of the humidity, and of the temperature, that the pack began with: another one is another device. */
  const named = new Map<string, string>();
  for (const [index, entry] of pack.entries()) {
    base = {
      bn: entry.bn ?? base.bn,
      bt: entry.bt ?? base.bt,
      bu: entry.bu ?? base.bu,
      bv: entry.bv ?? base.bv,
    };
    // A label that ends in "_" must be understood, or the pack not be read [RFC 8428, 4.4].
    if (Object.keys(entry).some((key) => key.endsWith('_'))) faults.push({ index, fault: 'must-understand' });
    if (entry.v === undefined) continue;
    const value = base.bv + entry.v;
    const time = base.bt + (entry.t ?? 0);
    const at = time < RELATIVE_BELOW ? nowMs + time * SECOND_MS : time * SECOND_MS;
    const unit = entry.u ?? base.bu ?? '';
    const late = instantFault(at, nowMs);
    if (late) {
      faults.push({ index, fault: late });
      continue;
    }
    const quantity = unit === '/' ? '%RH' : unit === 'K' ? 'Cel' : unit;
    const name = base.bn + (entry.n ?? '');
    if (MEASURED.has(quantity) && (named.get(quantity) ?? name) !== name) {
      faults.push({ index, fault: 'two-devices' });
      continue;
    }
    named.set(quantity, name);
    const atS = Math.floor(at / SECOND_MS);
    const known = found.get(atS) ?? { index };
    let fault: ReadingFault | 'unit' | null = null;
    if (unit === '%EL') battery = Math.min(100, Math.max(0, value));
    else if (unit === '%RH' || unit === '/') {
      const percent = unit === '/' ? value * 100 : value;
      fault = humidityFault(percent);
      if (!fault) found.set(atS, { ...known, percent });
    } else if (unit === 'Cel' || unit === 'K') {
      const tempC = unit === 'K' ? value - ZERO_C_IN_K : value;
      fault = temperatureFault(tempC);
      if (!fault) found.set(atS, { ...known, tempC });
    } else fault = 'unit';
    if (fault) faults.push({ index, fault });
  }
  const readings: Reading[] = [];
  for (const [atS, { index, percent, tempC }] of found) {
    if (percent === undefined) {
      faults.push({ index, fault: 'no-humidity' });
      continue;
    }
    const reading = readingOf({ at: atS * SECOND_MS, percent, tempC }, nowMs);
    if (typeof reading === 'string') faults.push({ index, fault: reading });
    else readings.push(reading);
  }
  return { readings, battery, faults };
}
