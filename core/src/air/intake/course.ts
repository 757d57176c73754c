import { median } from 'simple-statistics';
import { HOUR_MS, SECOND_MS } from '../../time';
import type { Reading } from './reading';

/** What is odd about some readings though each can be one: said before they are taken in. */
export const ODDITIES = ['jumps', 'gaps', 'stands-still', 'temperature', 'to-and-fro'] as const;
export type Oddity = (typeof ODDITIES)[number];

/** How the readings of a file run. */
export interface Course {
  /** First and last instant, seconds since 1970. */
  fromS: number;
  toS: number;
  /** Usual step from one to the next, seconds; null with fewer than two. */
  stepS: number | null;
  rhHundredths: readonly [low: number, high: number];
  tempHundredths: readonly [low: number, high: number] | null;
  /** What is odd, and how often. */
  odd: readonly { code: Oddity; count: number }[];
}

const HOUR_S = HOUR_MS / SECOND_MS;
/** Air does not change by so much within an hour; a sensor that was carried about, or another's readings, do. From memory. */
const JUMP_HUNDREDTHS = 2500;
/** A step of so many usual ones is a gap. */
const GAP_STEPS = 3;
/** To the hundredth the same for so long, and the sensor stands still. From memory. */
const STILL_S = 12 * HOUR_S;
const STILL_COUNT = 12;
/** Rooms in which instruments are kept lie within. From memory. */
const ROOM_HUNDREDTHS = [0, 4000] as const;

const span = (values: readonly number[]): [number, number] =>
  values.reduce<[number, number]>(
    ([low, high], value) => [Math.min(low, value), Math.max(high, value)],
    [Infinity, -Infinity],
  );

/** How often the values stand still for longer than a sensor in a room does. */
function standing(readings: readonly Reading[]): number {
  let [begin, count, found] = [0, 1, 0];
  for (let at = 1; at <= readings.length; at++) {
    if (at < readings.length && readings[at]!.rhHundredths === readings[begin]!.rhHundredths) {
      count++;
      continue;
    }
    if (count >= STILL_COUNT && Math.abs(readings[at - 1]!.atS - readings[begin]!.atS) >= STILL_S) found++;
    [begin, count] = [at, 1];
  }
  return found;
}

/**
 * How readings run, in the order in which they stand in a file: from when to when, in which steps, between which values, and what
 * is odd about them.
 * @returns null where there are none
 */
export function courseOf(readings: readonly Reading[]): Course | null {
  if (readings.length === 0) return null;
  const steps = readings.slice(1).map(({ atS }, at) => atS - readings[at]!.atS);
  const lengths = steps.map(Math.abs);
  const stepS = lengths.length === 0 ? null : median(lengths);
  const jumps = readings.slice(1).filter((reading, at) => {
    const near = lengths[at]! <= HOUR_S;
    return near && Math.abs(reading.rhHundredths - readings[at]!.rhHundredths) > JUMP_HUNDREDTHS;
  }).length;
  const turns = steps.slice(1).filter((step, at) => step * steps[at]! < 0).length;
  const [fromS, toS] = span(readings.map(({ atS }) => atS));
  const temps = readings.flatMap(({ tempHundredths }) => tempHundredths ?? []);
  const outside = temps.filter((temp) => temp < ROOM_HUNDREDTHS[0] || temp > ROOM_HUNDREDTHS[1]).length;
  const counts: Readonly<Record<Oddity, number>> = {
    jumps,
    gaps: stepS === null ? 0 : lengths.filter((length) => length > GAP_STEPS * stepS && length > 0).length,
    'stands-still': standing(readings),
    temperature: outside,
    'to-and-fro': turns,
  };
  return {
    fromS,
    toS,
    stepS,
    rhHundredths: span(readings.map(({ rhHundredths }) => rhHundredths)),
    tempHundredths: temps.length > 0 ? span(temps) : null,
    odd: ODDITIES.flatMap((code) => (counts[code] > 0 ? [{ code, count: counts[code] }] : [])),
  };
}
