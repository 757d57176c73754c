import { absoluteGm3, DAY_MS, HOUR_MS, offsetMs, rhOfAbsolute, type RoomHour, type WeatherHour } from '@tembrin/core';

/** The made-up harbour town's air: a seeded function of time, so that library, weather service and hygrometers agree. */

const YEAR_DAYS = 365.2425;
const fraction = (value: number) => value - Math.floor(value);
/** A number in [−1, 1) for each whole number and seed. */
const dice = (at: number, seed: number) => 2 * fraction(Math.sin(at * 12.9898 + seed * 78.233) * 43758.5453) - 1;

/** Smooth noise in about [−1, 1] that changes over so many days. */
function noise(atMs: number, days: number, seed: number): number {
  const place = atMs / (days * DAY_MS);
  const from = Math.floor(place);
  const along = (1 - Math.cos(Math.PI * (place - from))) / 2;
  return dice(from, seed) * (1 - along) + dice(from + 1, seed) * along;
}

/** Part of the year gone, 0 to 1, counted from 1 January UTC. */
function season(atMs: number): number {
  return fraction((atMs / DAY_MS + 0.5) / YEAR_DAYS);
}

/** Warmth of the year, −1 in late January to 1 in late July. */
const warmth = (atMs: number) => -Math.cos(2 * Math.PI * (season(atMs) - 0.055));

/** Hour of the day on the wall of a place, with its fraction. */
const wallHour = (atMs: number, timeZone: string) => ((atMs + offsetMs(atMs, timeZone)) % DAY_MS) / HOUR_MS;

export const TOWN_SEED = 0.2718;

/** Outdoor air of the town at an instant: cold winters, salt-damp summers, a front every few days. */
export function outdoors(atMs: number, timeZone: string, seed = TOWN_SEED): Omit<WeatherHour, 'at'> {
  const day = Math.cos((2 * Math.PI * (wallHour(atMs, timeZone) - 15)) / 24);
  const front = noise(atMs, 4.3, seed);
  const tempC = 8.5 + 9.5 * warmth(atMs) + 3.5 * front + 2.6 * day + 0.8 * noise(atMs, 0.4, seed + 1);
  const rh = 0.74 + 0.04 * warmth(atMs) - 0.09 * day + 0.1 * noise(atMs, 3.1, seed + 2);
  return { tempC, rh: Math.min(0.98, Math.max(0.42, rh)) };
}

/** Rooms of the demo library, and a case in one. */
export const ROOMS = ['ovens', 'reading', 'store', 'case'] as const;
export type RoomId = (typeof ROOMS)[number];

interface RoomModel {
  /** Vapour above the outdoor air's, g/m³. */
  gain: number;
  /** Heated to so much in the season, °C; null without heating. */
  heatedC: number | null;
  /** Hours its air lags behind the weather. */
  lagH: number;
  /** Vapour from the ovens below at their best, g/m³. */
  ovens: number;
}

const MODELS: Readonly<Record<RoomId, RoomModel>> = {
  ovens: { gain: 1.6, heatedC: 20.5, lagH: 5, ovens: 6 },
  reading: { gain: 0.7, heatedC: 22, lagH: 6, ovens: 0 },
  store: { gain: 0.2, heatedC: null, lagH: 20, ovens: 0 },
  // Air of a closed case that stands over the ovens: it follows in days.
  case: { gain: 1.6, heatedC: 20.5, lagH: 5, ovens: 6 },
};
const CASE_LAG_H = 90;

/** The ovens are lit before four and done by nine. */
function baking(atMs: number, timeZone: string): number {
  const hour = wallHour(atMs, timeZone);
  return Math.exp(-(((hour - 6) / 1.7) ** 2));
}

/**
 * A room's air, step by step.
 * @param fromMs first instant
 * @param stepMs distance between readings
 */
export function roomAir(
  room: RoomId,
  fromMs: number,
  toMs: number,
  stepMs: number,
  timeZone: string,
  seed = TOWN_SEED,
): RoomHour[] {
  const { gain, heatedC, lagH, ovens } = MODELS[room];
  const hours: RoomHour[] = [];
  const keep = Math.exp(-stepMs / (lagH * HOUR_MS));
  const keepCase = Math.exp(-stepMs / (CASE_LAG_H * HOUR_MS));
  const out = (atMs: number) => {
    const { rh, tempC } = outdoors(atMs, timeZone, seed);
    return { wet: absoluteGm3(rh, tempC), tempC };
  };
  let air = out(fromMs);
  let cased: number | null = null;
  for (let at = fromMs; at <= toMs; at += stepMs) {
    const now = out(at);
    air = {
      wet: now.wet + (air.wet - now.wet) * keep,
      tempC: now.tempC + (air.tempC - now.tempC) * keep,
    };
    const lit = baking(at, timeZone);
    const heat = heatedC === null ? air.tempC * 0.7 + 4.5 : Math.max(heatedC, air.tempC * 0.85 + 5.2);
    const tempC = heat + 1.6 * (ovens > 0 ? lit : 0) + 0.4 * noise(at, 0.3, seed + 5);
    const wet = air.wet + gain + ovens * lit * (0.85 + 0.15 * noise(at, 1, seed + 6));
    const rh = Math.min(0.97, Math.max(0.12, rhOfAbsolute(wet, tempC) + 0.01 * noise(at, 0.2, seed + 7)));
    const inCase: number = cased === null ? rh : rh + (cased - rh) * keepCase;
    cased = inCase;
    hours.push({ at, tempC, rh: room === 'case' ? inCase : rh });
  }
  return hours;
}
