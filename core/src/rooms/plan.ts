import { DAY_MS, HOUR_MS } from '../time';
import {
  absoluteGm3,
  airing,
  waterGramsPerDay,
  type AiringHour,
  type Band,
  type RoomHabit,
  type RoomHour,
  type WeatherHour,
} from '../air';

/** What is known of a room when it is asked what to do. */
export interface RoomQuestion {
  volumeM3: number;
  changesPerHour: number;
  /** The last week in the room, hour by hour. */
  week: readonly RoomHour[];
  ideal: Band;
  habit: RoomHabit | null;
  /** Coming hours outdoors; empty when nobody knows. */
  ahead: readonly WeatherHour[];
  /** Water a filling of the room's humidifier holds, g; null without one. */
  tankG: number | null;
  /** Water a dehumidifier takes out a day at most, g; null without one. */
  dryerG: number | null;
  nowMs: number;
}

export interface RoomPlan {
  /** What the room would be by itself, and what is wanted, fractions. */
  rh: number;
  tempC: number;
  targetRh: number;
  supplyGm3: number;
  targetGm3: number;
  /** What the figures rest on: coming weather with the room's own gain, or the week just past. */
  basis: 'forecast' | 'week';
  action: 'humidify' | 'dehumidify' | 'leave';
  /** Water to give or to take a day, g. */
  gramsPerDay: number;
  /** Hours between fillings; null without a humidifier. */
  refillHours: number | null;
  /** The tank holds less than half a day's water: it cannot keep up by being filled. */
  tankTooSmall: boolean;
  /** Coming hours in which airing brings the room nearer to its target. */
  airing: { at: number; until: number; rhAfter: number }[];
  hours: AiringHour[];
}

/**
 * What to do for a room, in figures: water a day to hold the near edge of the ideal band against the air that comes in, how
 * often to refill, when to open the windows.
 * @returns null without readings in the last week
 */
export function roomPlan(question: RoomQuestion): RoomPlan | null {
  const { volumeM3, changesPerHour, week, ideal, habit, ahead, tankG, dryerG, nowMs } = question;
  if (week.length === 0) return null;
  const mean = (pick: (hour: RoomHour) => number, list: readonly RoomHour[]) =>
    list.reduce((sum, hour) => sum + pick(hour), 0) / list.length;
  const tempC = mean((hour) => hour.tempC, week);
  const wet = ({ rh, tempC: degrees }: RoomHour) => absoluteGm3(rh, degrees);
  const forecast = habit !== null && ahead.length >= 24;
  const supplyGm3 = forecast ? mean(wet, ahead) + habit.gainGm3 : mean(wet, week);
  const rh = supplyGm3 / absoluteGm3(1, tempC);
  const targetRh = rh < ideal.low ? ideal.low : rh > ideal.high ? ideal.high : rh;
  const targetGm3 = absoluteGm3(targetRh, tempC);
  const grams = waterGramsPerDay(volumeM3, changesPerHour, targetGm3, supplyGm3);
  const action = targetRh === rh ? 'leave' : grams > 0 ? 'humidify' : 'dehumidify';
  const gramsPerDay = action === 'leave' ? 0 : Math.abs(grams);
  const tank = action === 'humidify' ? tankG : action === 'dehumidify' ? dryerG : null;
  const refillHours = tank === null || gramsPerDay === 0 ? null : (tank / gramsPerDay) * 24;
  const now = week.at(-1)!;
  const hours = airing(
    now,
    ahead.filter(({ at }) => at >= nowMs - HOUR_MS && at < nowMs + 2 * DAY_MS),
  );
  const helps = now.rh < ideal.low ? 'dampens' : now.rh > ideal.high ? 'dries' : null;
  return {
    rh,
    tempC,
    targetRh,
    supplyGm3,
    targetGm3,
    basis: forecast ? 'forecast' : 'week',
    action,
    gramsPerDay,
    refillHours,
    tankTooSmall: refillHours !== null && refillHours < 12,
    airing: helps === null ? [] : spans(hours.filter(({ effect }) => effect === helps)),
    hours,
  };
}

/** Hours in a row as spans, with the mean of what each would make of the room. */
function spans(hours: readonly AiringHour[]): RoomPlan['airing'] {
  const found: { at: number; until: number; sum: number; count: number }[] = [];
  for (const { at, rhAfter } of hours) {
    const last = found.at(-1);
    if (last && at - last.until < HOUR_MS / 2)
      Object.assign(last, { until: at + HOUR_MS, sum: last.sum + rhAfter, count: last.count + 1 });
    else found.push({ at, until: at + HOUR_MS, sum: rhAfter, count: 1 });
  }
  return found.map(({ at, until, sum, count }) => ({ at, until, rhAfter: sum / count }));
}
