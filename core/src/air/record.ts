import { median } from 'simple-statistics';
import { DAY_MS, HOUR_MS, type LocalDay } from '../time';
import type { AirColumns } from './moisture';

/** What readings of one hour come to. Humidities are fractions; `tempC` is null where nobody read it. */
export interface AirHour {
  /** Its beginning, ms. */
  at: number;
  rh: number;
  low: number;
  high: number;
  tempC: number | null;
}

/** What readings of one calendar day come to. */
export interface AirDay extends AirHour {
  day: LocalDay;
  /** Hours with readings. */
  hours: number;
}

/** The air of a place as far as it is known: days over a long time, and the hours of the last weeks. Both rise in time, with gaps as gaps. */
export interface AirRecord {
  days: readonly AirDay[];
  hours: readonly AirHour[];
}

/** Temperature taken where only humidity was read, °C. */
export const ASSUMED_C = 20;
/** A reading is believed for at least so long, and never longer than that; between them, four times the usual distance. */
const HOLD = { leastMs: 1.5 * DAY_MS, mostMs: 10 * DAY_MS, spacings: 4 } as const;

/** Usual distance between the hours of a record, ms: their median; null for fewer than two. */
export function usualSpacing(hours: readonly Pick<AirHour, 'at'>[]): number | null {
  const last = hours.slice(-60);
  const gaps = last.slice(1).map(({ at }, index) => at - last[index]!.at);
  return gaps.length === 0 ? null : median(gaps);
}

/** For how long a reading of this record is believed, ms: longer where somebody looks once a day than where a sensor reports. */
export function holdOf({ hours, days }: AirRecord): number {
  const spacing = usualSpacing(hours) ?? usualSpacing(days) ?? 0;
  return Math.min(HOLD.mostMs, Math.max(HOLD.leastMs, HOLD.spacings * spacing));
}

/** One line of a record: days first, then hours from where they begin. */
export function samplesOf({ days, hours }: AirRecord): AirHour[] {
  const from = hours[0]?.at ?? Infinity;
  return [...days.filter(({ at }) => at + DAY_MS <= from), ...hours];
}

/** Lays samples out as columns. */
export function columnsOf(samples: readonly AirHour[]): AirColumns & { at: Float64Array } {
  const [at, rh, temps] = [0, 1, 2].map(() => new Float64Array(samples.length)) as [
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  for (let index = 0; index < samples.length; index++) {
    const sample = samples[index]!;
    at[index] = sample.at;
    rh[index] = sample.rh;
    temps[index] = sample.tempC ?? ASSUMED_C;
  }
  return { at, rh, tempC: temps };
}

/** Mean humidity of the samples of a stretch of time; null when there are none. */
export function meanRh(samples: readonly AirHour[], fromMs: number, toMs: number): number | null {
  let sum = 0;
  let count = 0;
  for (let index = samples.length - 1; index >= 0; index--) {
    const { at, rh } = samples[index]!;
    if (at < fromMs) break;
    if (at >= toMs) continue;
    sum += rh;
    count++;
  }
  return count === 0 ? null : sum / count;
}

export interface Ranges {
  /** Mean over days of the highest less the lowest. */
  daily: number;
  /** Highest less lowest of the last 30 days. */
  monthly: number;
  /** Greatest change within 24 hours in the last 30 days. */
  within24h: number;
  /** Share of the hours of the last 30 days inside the band. */
  inBand: number;
  hours: number;
}

/** How much a place's air moved in the last 30 days; null without readings. */
export function ranges(
  { hours }: Pick<AirRecord, 'hours'>,
  band: { low: number; high: number },
  nowMs: number,
): Ranges | null {
  const month = hours.filter(({ at }) => at >= nowMs - 30 * DAY_MS && at <= nowMs);
  if (month.length === 0) return null;
  const days = new Map<number, { low: number; high: number }>();
  let within24h = 0;
  for (const [index, { at, low, high }] of month.entries()) {
    const day = Math.floor((nowMs - at) / DAY_MS);
    const known = days.get(day);
    days.set(day, { low: Math.min(low, known?.low ?? 1), high: Math.max(high, known?.high ?? 0) });
    for (let back = index; back >= 0 && at - month[back]!.at <= 24 * HOUR_MS; back--) {
      within24h = Math.max(within24h, high - month[back]!.low, month[back]!.high - low);
    }
  }
  const daily = [...days.values()];
  return {
    daily: daily.reduce((sum, day) => sum + day.high - day.low, 0) / daily.length,
    monthly: Math.max(...month.map(({ high }) => high)) - Math.min(...month.map(({ low }) => low)),
    within24h,
    inBand: month.filter(({ rh }) => rh >= band.low && rh <= band.high).length / month.length,
    hours: month.length,
  };
}
