import { HOUR_MS } from '@tembrin/core';
import { outdoors } from './climate';

export const STATION = 'Harbour mole, a stand-in station';
const BACK_H = 14 * 24;
const AHEAD_H = 7 * 24;

/** Weather of the made-up town round an instant, hour by hour: hours since 1970, °C and humidity in hundredths. */
export function weatherAround(nowMs: number, timeZone: string): { station: string; hours: [number, number, number][] } {
  const now = Math.floor(nowMs / HOUR_MS);
  const hours = Array.from({ length: BACK_H + AHEAD_H }, (_, at): [number, number, number] => {
    const hour = now - BACK_H + at;
    const { tempC, rh } = outdoors(hour * HOUR_MS, timeZone);
    return [hour, Math.round(tempC * 100), Math.round(rh * 10_000)];
  });
  return { station: STATION, hours };
}
