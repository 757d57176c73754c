import { HOUR_MS, startOfLocalDay } from '../time';
import { celsiusFromHundredths, rhFromHundredths } from '../units';
import type { AirDay, AirHour } from './record';
import type { WeatherHour } from './room';

/**
 * What is on the wire and in the database, packed into whole numbers: humidities in hundredths of a percent, temperatures in
 * hundredths of a degree, null where nobody read one. Mean, lowest, highest humidity; mean temperature.
 */
type PackedAir = readonly [
  rhHundredths: number,
  lowHundredths: number,
  highHundredths: number,
  tempHundredths: number | null,
];

/** An hour: hours since 1970, then its air. */
export type PackedHour = [hour: number, ...air: PackedAir];
/** A calendar day of a place: days since 1970, its hours with readings, then its air. */
export type PackedDay = [day: number, hours: number, ...air: PackedAir];
/** A stretch of a day's detail: the instant it begins, in seconds since 1970, then its air. */
export type PackedSlot = [atS: number, ...air: PackedAir];
/** An hour of weather: hours since 1970, temperature, humidity. */
export type PackedWeather = [hour: number, tempHundredths: number, rhHundredths: number];

function airOf(at: number, rh: number, low: number, high: number, temp: number | null): AirHour {
  return {
    at,
    rh: rhFromHundredths(rh),
    low: rhFromHundredths(low),
    high: rhFromHundredths(high),
    tempC: temp === null ? null : celsiusFromHundredths(temp),
  };
}

/** An hour as it was before it was packed. */
export function unpackHour([hour, ...air]: PackedHour): AirHour {
  return airOf(hour * HOUR_MS, ...air);
}

/** A day as it was before it was packed; it begins at midnight on the wall there. */
export function unpackDay([day, hours, ...air]: PackedDay, timeZone: string): AirDay {
  return { ...airOf(startOfLocalDay(day, timeZone), ...air), day, hours };
}

/** A stretch of a day’s detail as it was before it was packed. */
export function unpackSlot([atS, ...air]: PackedSlot): AirHour {
  return airOf(atS * 1000, ...air);
}

/** An hour of weather as it was before it was packed. */
export function unpackWeather([hour, temp, rh]: PackedWeather): WeatherHour {
  return { at: hour * HOUR_MS, tempC: celsiusFromHundredths(temp), rh: rhFromHundredths(rh) };
}
