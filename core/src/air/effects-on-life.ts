import { DAY_MS } from '../time';
import { laggedMoisture } from './moisture';
import { columnsOf, type AirHour } from './record';

/** Damp air corrodes strings, dry and damp air try hair: days in it count for more. Bounded; from memory, stated and shown. */
const DAMP_ABOVE = 0.6;
const DRY_BELOW = 0.4;
const STRINGS_DAMP = 0.5;
const HAIR_DAMP = 0.25;
const HAIR_DRY = 0.25;

export interface AirToll {
  /** Shares of the days with readings that were damp and dry. */
  damp: number;
  dry: number;
  /** Days it rests on. */
  days: number;
  /** By how much faster days count: 1 to 1.5. */
  strings: number;
  hair: number;
}

/** What the air cost strings and hair since an instant; null while fewer than seven days of it are known. */
export function airToll(samples: readonly AirHour[], sinceMs: number, nowMs: number): AirToll | null {
  const days = new Map<number, { sum: number; count: number }>();
  for (const { at, rh } of samples) {
    if (at < sinceMs || at > nowMs) continue;
    const day = Math.floor(at / DAY_MS);
    const known = days.get(day) ?? { sum: 0, count: 0 };
    days.set(day, { sum: known.sum + rh, count: known.count + 1 });
  }
  if (days.size < 7) return null;
  const means = [...days.values()].map(({ sum, count }) => sum / count);
  const damp = means.filter((rh) => rh > DAMP_ABOVE).length / means.length;
  const dry = means.filter((rh) => rh < DRY_BELOW).length / means.length;
  // What nobody read counts as ordinary air.
  const known = Math.min(1, means.length / Math.max(1, (nowMs - sinceMs) / DAY_MS));
  return {
    damp,
    dry,
    days: means.length,
    strings: 1 + STRINGS_DAMP * damp * known,
    hair: 1 + (HAIR_DAMP * damp + HAIR_DRY * dry) * known,
  };
}

/** A peg is a thin, bare piece of hardwood: it follows in days. From memory. */
const PEG_LAG_DAYS = 4;
/** A change of moisture within two weeks from which pegs are felt to slip or stick, fraction. From memory. */
const PEG_FELT = 0.008;
const PEG_LOOK_MS = 14 * DAY_MS;

/** What the air does to pegs. */
export interface PegTrouble {
  kind: 'slip' | 'stick';
  /** Change of the wood's moisture in two weeks, fraction. */
  change: number;
}

/** Whether pegs will slip (the wood has shrunk) or stick (it has swollen) these days; null when neither. */
export function pegTrouble(samples: readonly AirHour[], holdMs: number, nowMs: number): PegTrouble | null {
  const known = samples.filter(({ at }) => at <= nowMs);
  if (known.length < 2 || known[0]!.at > nowMs - PEG_LOOK_MS) return null;
  const line = laggedMoisture(columnsOf(known), PEG_LAG_DAYS * DAY_MS, holdMs);
  const before = known.findLastIndex(({ at }) => at <= nowMs - PEG_LOOK_MS);
  const change = line.at(-1)! - line[before]!;
  if (Math.abs(change) < PEG_FELT) return null;
  return { kind: change < 0 ? 'slip' : 'stick', change };
}
