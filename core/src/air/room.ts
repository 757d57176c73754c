import type { Weighing } from '../log';
import { DAY_MS, HOUR_MS } from '../time';
import { ZERO_C_IN_K } from '../units';
import { absoluteGm3, dewPointC, heatedRh, rhOfAbsolute } from './vapour';

/** Air changes an hour of a closed room, by how draughty it is. From memory: common figures for dwellings. */
export const DRAUGHTS = {
  tight: { name: 'Tight: new windows, closed', perHour: 0.3 },
  ordinary: { name: 'Ordinary', perHour: 0.5 },
  draughty: { name: 'Draughty: old windows, chimney', perHour: 1.2 },
} as const;
export type Draught = keyof typeof DRAUGHTS;

/**
 * Water that keeps a room at a humidity: V · n · 24 · (ρ_target − ρ_supply) [handbook 3].
 * @param volumeM3 of the room
 * @param changesPerHour how often its air is replaced
 * @param targetGm3 and supplyGm3 absolute humidity wanted, and of the air that comes in
 * @returns grams a day; negative where that much must be taken out
 * @example waterGramsPerDay(40, 0.5, 8, 5) // 1440
 */
export function waterGramsPerDay(
  volumeM3: number,
  changesPerHour: number,
  targetGm3: number,
  supplyGm3: number,
): number {
  return volumeM3 * changesPerHour * 24 * (targetGm3 - supplyGm3);
}

/** One hour of weather: instant in ms, °C, relative humidity as a fraction. */
export interface WeatherHour {
  at: number;
  tempC: number;
  rh: number;
}

/** One hour of a room. */
export type RoomHour = WeatherHour;

/** What airing at an hour would do to a room. */
export interface AiringHour {
  at: number;
  /** The room's humidity once its air has been replaced and has the room's temperature again. */
  rhAfter: number;
  outGm3: number;
  inGm3: number;
  effect: 'dries' | 'dampens' | 'same';
}

/** Difference in absolute humidity too small to feel, g/m³. From memory. */
const SAME_GM3 = 0.4;

/** Hour by hour, whether opening the windows dries or dampens a room: absolute humidities compared. */
export function airing(inside: Omit<RoomHour, 'at'>, outsideHours: readonly WeatherHour[]): AiringHour[] {
  const inGm3 = absoluteGm3(inside.rh, inside.tempC);
  return outsideHours.map(({ at, rh, tempC }) => {
    const outGm3 = absoluteGm3(rh, tempC);
    // Air that warms up expands: the same water in more room.
    const warmed = (outGm3 * (tempC + ZERO_C_IN_K)) / (inside.tempC + ZERO_C_IN_K);
    const difference = warmed - inGm3;
    const effect = Math.abs(difference) < SAME_GM3 ? 'same' : difference > 0 ? 'dampens' : 'dries';
    return { at, rhAfter: Math.min(1, heatedRh(rh, tempC, inside.tempC)), outGm3: warmed, inGm3, effect };
  });
}

/** How a room differs from the weather: what people, plants and ovens add, and how warm it is kept. */
export interface RoomHabit {
  /** Water vapour above that of the outdoor air, g/m³. */
  gainGm3: number;
  tempC: number;
  /** Hours it rests on. */
  hours: number;
}

/**
 * Learns from hours that are known both inside and outside how a room differs from the weather: mean gain and temperature.
 * @returns null when fewer than a day's hours are known of both
 */
export function roomHabit(inside: readonly RoomHour[], outsideHours: readonly WeatherHour[]): RoomHabit | null {
  const out = new Map(outsideHours.map((hour) => [Math.round(hour.at / HOUR_MS), hour]));
  let gain = 0;
  let temp = 0;
  let hours = 0;
  for (const { at, rh, tempC } of inside) {
    const other = out.get(Math.round(at / HOUR_MS));
    if (!other) continue;
    gain += absoluteGm3(rh, tempC) - absoluteGm3(other.rh, other.tempC);
    temp += tempC;
    hours++;
  }
  return hours < 24 ? null : { gainGm3: gain / hours, tempC: temp / hours, hours };
}

/** What coming weather, brought to the room's temperature, will make of a room that goes on as it did. */
export function roomForecast(habit: RoomHabit, ahead: readonly WeatherHour[]): RoomHour[] {
  return ahead.map(({ at, rh, tempC }) => {
    const gm3 = Math.max(0.3, absoluteGm3(rh, tempC) + habit.gainGm3);
    return { at, tempC: habit.tempC, rh: Math.min(1, Math.max(0.02, rhOfAbsolute(gm3, habit.tempC))) };
  });
}

/** Warm-through of a case: Newton's cooling with a time constant in hours. From memory: a hard case 1–3 h. */
export const WARM_THROUGH_H = { hard: 2, soft: 1, none: 0.5 } as const;

export interface WarmThrough {
  /** The room's dew point, °C. */
  dewPointC: number;
  /** It would sweat if it were opened now. */
  sweats: boolean;
  /** Until its inside is a degree above the dew point, ms. */
  dryAfterMs: number;
  /** Until it is within two degrees of the room, ms: the time to open it. */
  openAfterMs: number;
}

/**
 * When a case brought in from the cold can be opened.
 * @param caseC its inside now, °C
 * @param hours time constant
 */
export function warmThrough(caseC: number, room: Omit<RoomHour, 'at'>, hours: number): WarmThrough {
  const dew = dewPointC(room.rh, room.tempC);
  const until = (goalC: number) => {
    const gap = room.tempC - caseC;
    const left = room.tempC - goalC;
    return gap <= 0 || goalC <= caseC || left <= 0 ? 0 : hours * HOUR_MS * Math.log(gap / left);
  };
  return {
    dewPointC: dew,
    sweats: caseC < dew,
    dryAfterMs: until(Math.min(dew + 1, room.tempC - 0.2)),
    openAfterMs: until(room.tempC - 2),
  };
}

export interface HumidifierPace {
  /** Mean of the last fillings, grams a day. */
  gramsPerDay: number;
  /** Fillings it rests on. */
  fillings: number;
  /** When it runs dry, ms; null until it has been weighed empty. */
  dryAt: number | null;
}

/** Fillings that count: the season changes what a humidifier gives. */
const FILLINGS = 3;

/** What an in-case humidifier gives a day, and when it runs dry, from its weighings; null before the first full round. */
export function humidifierPace(weighings: readonly Omit<Weighing, 'eventId'>[]): HumidifierPace | null {
  const sorted = [...weighings].sort((a, b) => a.at - b.at);
  const rates: number[] = [];
  let filled: Omit<Weighing, 'eventId'> | null = null;
  for (const weighing of sorted) {
    if (weighing.kind === 'filled') filled = weighing;
    if (weighing.kind === 'before' && filled && weighing.at > filled.at && weighing.grams < filled.grams) {
      rates.push((filled.grams - weighing.grams) / ((weighing.at - filled.at) / DAY_MS));
    }
  }
  const recent = rates.slice(-FILLINGS);
  if (recent.length === 0) return null;
  const gramsPerDay = recent.reduce((sum, rate) => sum + rate, 0) / recent.length;
  const last = sorted.findLast(({ kind }) => kind !== 'empty')!;
  const empty = sorted.findLast(({ kind }) => kind === 'empty');
  const left = empty && Math.max(0, last.grams - empty.grams);
  return {
    gramsPerDay,
    fillings: recent.length,
    dryAt: left === undefined ? null : last.at + (left / gramsPerDay) * DAY_MS,
  };
}
