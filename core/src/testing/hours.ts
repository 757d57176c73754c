import type { AirHour } from '../air';
import { HOUR_MS } from '../time';

/** An hour of air, counted from 1970. */
export const at = (hour: number, rh: number, more: Partial<AirHour> = {}): AirHour => ({
  at: hour * HOUR_MS,
  rh,
  low: rh,
  high: rh,
  tempC: 20,
  ...more,
});
/** Hours of air in a row, from 1970 on. */
export const hourly = (count: number, rh: (hour: number) => number) =>
  Array.from({ length: count }, (_, hour) => at(hour, rh(hour)));
