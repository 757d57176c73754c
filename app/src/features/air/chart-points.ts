import { monthName, monthWords } from '@/copy/dates';
import type { AirPoint } from '@/ui/AirChart';
import {
  barePlateLine,
  moistureAt,
  restHumidity,
  woodLines,
  type AirDay,
  type AirHour,
  type AirRecord,
  type StayAir,
} from '@tembrin/core/air';
import { DAY_MS, localDay, startOfLocalDay } from '@tembrin/core/time';
import type { InstrumentFacts } from '@tembrin/core/instruments';

/** The humidity wood stands at, at an instant; null where it is not known. */
export type WoodAt = (atMs: number) => number | null;

/** The wood of an instrument through all its stays. */
export function woodOfInstrument(
  facts: Pick<InstrumentFacts, 'family' | 'kind' | 'size' | 'setUp'>,
  air: readonly StayAir[],
  nowMs: number,
): WoodAt {
  const [body] = woodLines(facts, air, nowMs);
  return woodAlong(body ? { at: body.at, moisture: body.moisture } : null, nowMs);
}

/** A thin plate that lies bare in a place: what the place itself does to wood. */
export function woodOfPlace(record: AirRecord, nowMs: number): WoodAt {
  return woodAlong(barePlateLine(record), nowMs);
}

function woodAlong(line: { at: Float64Array; moisture: Float64Array } | null, nowMs: number): WoodAt {
  // Today's point stands at noon, which may be still to come.
  return (atMs) =>
    !line || line.at.length === 0 || atMs < line.at[0]! || atMs > nowMs + DAY_MS / 2
      ? null
      : restHumidity(moistureAt(line, atMs));
}

/** A year as one point for each calendar day; days without readings are gaps. */
export function yearPoints(
  days: readonly AirDay[],
  levels: ReadonlyMap<number, number>,
  fromDay: number,
  toDay: number,
  timeZone: string,
  wood: WoodAt,
): AirPoint[] {
  const known = new Map(days.map((day) => [day.day, day]));
  return Array.from({ length: toDay - fromDay }, (_, index): AirPoint => {
    const day = fromDay + index;
    const at = startOfLocalDay(day, timeZone) + DAY_MS / 2;
    const air = known.get(day) ?? null;
    return { at, air, level: levels.get(day) ?? null, wood: air || inGapShort(known, day) ? wood(at) : null };
  });
}

/** The line of the wood goes on over a few days without readings, as the reckoning does. */
function inGapShort(known: ReadonlyMap<number, AirDay>, day: number): boolean {
  for (let back = 1; back <= 4; back++) if (known.has(day - back)) return true;
  return false;
}

/** One day, ten minutes or an hour a point; longer silences are gaps. */
export function dayPoints(samples: readonly AirHour[], gapMs: number, wood: WoodAt): AirPoint[] {
  return samples.flatMap((air, index): AirPoint[] => {
    const point = { at: air.at, air, level: null, wood: wood(air.at) };
    const before = samples[index - 1];
    return before && air.at - before.at > gapMs
      ? [{ at: (before.at + air.at) / 2, air: null, level: null, wood: null }, point]
      : [point];
  });
}

/** Months' names at their middles, every second one where there is little room. */
export function monthTicks(
  points: readonly AirPoint[],
  timeZone: string,
  every: number,
): { at: number; text: string }[] {
  const seen = new Map<string, { from: number; to: number; month: number }>();
  for (const { at } of points) {
    const date = new Date((localDay(at, timeZone) + 0.5) * DAY_MS);
    const key = `${date.getUTCFullYear()} ${date.getUTCMonth()}`;
    const known = seen.get(key);
    if (known) known.to = at;
    else seen.set(key, { from: at, to: at, month: date.getUTCMonth() });
  }
  return [...seen.values()]
    .filter(({ from, to }) => to - from > 15 * DAY_MS)
    .filter((_, index) => index % every === 0)
    .map(({ from, to, month }) => ({ at: (from + to) / 2, text: monthName(month) }));
}

interface ChartMonth {
  /** As "Mar 2025". */
  month: string;
  /** Lowest, mean and highest; null where nothing was read. */
  air: { low: number; rh: number; high: number } | null;
  /** Mean of what the wood stood at. */
  wood: number | null;
  /** Days whose mean lies in the band, of those known. */
  inside: number;
  known: number;
}

/** A year of days as its months. @param bandAt the safe band of a day; null where there is none */
export function monthsOf(
  points: readonly AirPoint[],
  bandAt: (point: AirPoint) => { low: number; high: number } | null,
  timeZone: string,
): ChartMonth[] {
  const months = new Map<string, AirPoint[]>();
  for (const point of points) {
    const month = monthWords((localDay(point.at, timeZone) + 0.5) * DAY_MS);
    months.set(month, [...(months.get(month) ?? []), point]);
  }
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  return [...months].map(([month, list]) => {
    const days = list.flatMap(({ air }) => air ?? []);
    const woods = list.flatMap(({ wood }) => wood ?? []);
    const inside = list.filter((point) => {
      const band = bandAt(point);
      return point.air && band && point.air.rh >= band.low && point.air.rh <= band.high;
    });
    return {
      month,
      air:
        days.length === 0
          ? null
          : {
              low: Math.min(...days.map(({ low }) => low)),
              rh: mean(days.map(({ rh }) => rh)),
              high: Math.max(...days.map(({ high }) => high)),
            },
      wood: days.length === 0 || woods.length === 0 ? null : mean(woods),
      inside: inside.length,
      known: days.length,
    };
  });
}
