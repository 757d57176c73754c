import { bisectRight } from 'd3-array';
import type { InstrumentFacts, WoodPart } from '../instruments';
import type { Side } from '../schools';
import { DAY_MS, HOUR_MS } from '../time';
import { BANDS, outside, type Band, type OutSide } from './bands';
import { excursions, type Excursion } from './excursions';
import { approached, equilibriumMoisture, restHumidity, ROOM_C, timeToLimit } from './moisture';
import { ASSUMED_C, meanRh, type AirHour } from './record';
import type { RoomHour } from './room';
import { airAround, type StayAir } from './stays';
import { STEADY_LEAST, type SteadyBand } from './steadiness';
import { effectsOf, movement, SET_UP_MOISTURE, type Effect, type Movement } from './wood';
import { woodLines, type WoodLine } from './wood-lines';

/** fine: leave it; watch: on its way out, or on its way back; act: the wood is outside the band; unknown: nobody has looked. */
export type AirState = 'fine' | 'watch' | 'act' | 'unknown';

/** What decides the state. */
export type AirWhy =
  | 'no-place'
  | 'place-unknown'
  | 'no-readings'
  | 'stale'
  | 'outside'
  | 'recovering'
  | 'reaching'
  | 'sustained'
  | 'inside';

export interface PartVerdict extends Movement {
  part: WoodPart;
  moisture: number;
  /** The humidity in which it would be at rest, fraction. */
  restRh: number;
}

export interface AirVerdict {
  state: AirState;
  why: AirWhy;
  /** The side it is on or goes to. */
  side: OutSide | null;
  school: Side;
  band: Band;
  steady: SteadyBand | null;
  parts: PartVerdict[];
  /** The part that decides: the top, or the neck where the top does not move. */
  body: PartVerdict | null;
  /** Mean humidity of the last day and of the last week, fractions. */
  dayRh: number | null;
  weekRh: number | null;
  /** How far the body has drifted in the last seven days, as humidity at rest. */
  driftWeek: number;
  /** When the body leaves the band, or comes back into it, if the air goes on as said; ms. */
  limitAt: number | null;
  backAt: number | null;
  /** Whether coming weather was reckoned with, or the mean of the last two days. */
  ahead: 'forecast' | 'as-now';
  effects: Effect[];
  lastAt: number | null;
  excursion: Excursion | null;
  cased: boolean;
}

/** A limit nearer than this is watched; one farther off is the season's business. */
export const WATCH_DAYS = 14;
const HORIZON_MS = 120 * DAY_MS;
/** Where no weather is known, the air is taken to go on as in the last two days. */
const GOING_ON_MS = 2 * DAY_MS;

export interface AirQuestion {
  facts: Pick<InstrumentFacts, 'family' | 'kind' | 'size' | 'setUp'>;
  school: Side;
  air: readonly StayAir[];
  /** Level of school C where it lives now, when it is known. */
  steady: SteadyBand | null;
  /** The place's air in the coming days, hour by hour from now; empty when nobody knows. */
  ahead: readonly RoomHour[];
  /** It was said where it lives, but nothing is known of that place: not fetched yet, or removed. */
  placeUnknown?: boolean;
  nowMs: number;
}

/**
 * Whether an instrument's air asks for something, judged by its wood rather than by the hygrometer: the lagged moisture of its
 * body against the band of its school.
 */
export function airVerdict({ facts, school, air, steady, ahead, placeUnknown, nowMs }: AirQuestion): AirVerdict {
  const samples = airAround(air);
  const band = bandOf(school, steady, samples);
  const current = air.at(-1);
  const last = samples.findLast(({ at }) => at <= nowMs);
  const lines = woodLines(facts, air, nowMs);
  const parts = lines.flatMap((line) => partVerdict(line) ?? []);
  const body = parts[0] ?? null;
  const dayRh = meanRh(samples, nowMs - DAY_MS, nowMs + 1);
  const weekRh = meanRh(samples, nowMs - 7 * DAY_MS, nowMs + 1);
  const common = {
    school,
    band,
    steady: school === 'C' ? steady : null,
    parts,
    body,
    dayRh,
    weekRh,
    driftWeek: 0,
    limitAt: null,
    backAt: null,
    ahead: ahead.length > 0 ? ('forecast' as const) : ('as-now' as const),
    effects: effectsOf(facts, Object.fromEntries(parts.map(({ part, moisture }) => [part.id, moisture]))),
    lastAt: last?.at ?? null,
    excursion: null,
    side: null,
    cased: current?.stay.cased ?? false,
  };
  if (placeUnknown) return { ...common, state: 'unknown', why: 'place-unknown' };
  if (!current || current.stay.placeId === null) return { ...common, state: 'unknown', why: 'no-place' };
  if (!body || !last || current.stay.airOf === null) return { ...common, state: 'unknown', why: 'no-readings' };
  if (nowMs - last.at > current.holdMs) return { ...common, state: 'unknown', why: 'stale' };

  const line = lines[0]!;
  const weekAgo = moistureAt(line, nowMs - 7 * DAY_MS);
  const driftWeek = body.restRh - restHumidity(weekAgo);
  const ongoing = excursions(current.samples, band, current.holdMs).findLast((each) => each.ongoing) ?? null;
  const lately = meanRh(samples, nowMs - GOING_ON_MS, nowMs + 1);
  const restNow = equilibriumMoisture(lately ?? last.rh, last.tempC ?? ASSUMED_C);
  const path = pathAhead(line, restNow, ahead, nowMs);
  const judged = { ...common, driftWeek, excursion: ongoing };
  const side = outside(body.restRh, band);
  if (side) {
    const edge = equilibriumMoisture(side === 'dry' ? band.low : band.high, ROOM_C);
    const backAt = path.reaches(edge, side === 'dry' ? 'up' : 'down');
    // It only comes back if the air has: otherwise it would come to rest before the edge.
    return backAt !== null && backAt - nowMs < WATCH_DAYS * DAY_MS
      ? { ...judged, state: 'watch', why: 'recovering', side, backAt }
      : { ...judged, state: 'act', why: 'outside', side, backAt };
  }
  const dryAt = path.reaches(equilibriumMoisture(band.low, ROOM_C), 'down');
  const dampAt = path.reaches(equilibriumMoisture(band.high, ROOM_C), 'up');
  const limitAt = dryAt === null ? dampAt : dampAt === null ? dryAt : Math.min(dryAt, dampAt);
  if (limitAt !== null && limitAt - nowMs <= WATCH_DAYS * DAY_MS) {
    return { ...judged, state: 'watch', why: 'reaching', side: limitAt === dryAt ? 'dry' : 'damp', limitAt };
  }
  if (ongoing && ongoing.kind !== 'brief')
    return { ...judged, state: 'watch', why: 'sustained', side: ongoing.side, limitAt };
  return { ...judged, state: 'fine', why: 'inside', limitAt };
}

/** The band a school asks for. Under C it lies about the place's own level; without one, about the mean of what was read. */
export function bandOf(school: Side, steady: SteadyBand | null, samples: readonly AirHour[]): Band {
  if (school !== 'C') return BANDS[school].acceptable;
  if (steady) return { low: steady.low, high: steady.high };
  const level = samples.length === 0 ? 0.5 : samples.reduce((sum, { rh }) => sum + rh, 0) / samples.length;
  return { low: level - STEADY_LEAST, high: level + STEADY_LEAST };
}

function partVerdict({ part, moisture }: WoodLine): PartVerdict | null {
  const now = moisture.at(-1);
  if (now === undefined) return null;
  return { part, moisture: now, restRh: restHumidity(now), ...movement(part, SET_UP_MOISTURE, now) };
}

/** Moisture of a line at an instant, between its samples in a straight line; its first or last value outside it. */
export function moistureAt({ at, moisture }: Pick<WoodLine, 'at' | 'moisture'>, atMs: number): number {
  const index = Math.max(0, bisectRight(at, atMs) - 1);
  const [from, to] = [at[index]!, at[index + 1]];
  if (to === undefined || atMs <= from || to <= from) return moisture[index]!;
  return moisture[index]! + ((moisture[index + 1]! - moisture[index]!) * (atMs - from)) / (to - from);
}

/** How a part goes on from now: through the hours that are forecast, then towards rest in their mean, or in the week's. */
function pathAhead({ moisture, tauMs }: WoodLine, restNow: number, ahead: readonly RoomHour[], nowMs: number) {
  const points: { at: number; moisture: number }[] = [{ at: nowMs, moisture: moisture.at(-1)! }];
  let rest = restNow;
  let restSum = 0;
  for (const { at, rh, tempC } of ahead) {
    const before = points.at(-1)!;
    const target = equilibriumMoisture(rh, tempC);
    restSum += target;
    const until = Math.max(before.at, at + HOUR_MS);
    points.push({ at: until, moisture: approached(before.moisture, target, until - before.at, tauMs) });
  }
  if (ahead.length > 0) rest = restSum / ahead.length;
  return {
    /** When it first passes a moisture going up or down; null when it does not within four months. */
    reaches(limit: number, direction: 'up' | 'down'): number | null {
      const past = (value: number) => (direction === 'up' ? value >= limit : value <= limit);
      const crossed = points.find((point) => past(point.moisture));
      if (crossed) return crossed.at;
      const end = points.at(-1)!;
      const wait = timeToLimit(end.moisture, rest, limit, tauMs);
      return wait === null || wait > HORIZON_MS ? null : end.at + wait;
    },
  };
}
