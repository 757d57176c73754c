import { HOUR_MS, localDay, weekdayOf } from '../time/index';
import type { InstrumentLog } from '../log/index';
import { LONGEST_SESSION_H } from '../log/sessions';

/** How much the player plays, estimated from the log. */
export interface Pace {
  /** Expected hours per weekday, 0 Monday … 6 Sunday. */
  hoursOn: readonly number[];
  /** Mean of the week, hours per day. */
  hoursPerDay: number;
  /** Whole calendar days of record it rests on. */
  daysObserved: number;
  /** Those days after weighting: recent ones count fully, older ones less. */
  effectiveDays: number;
  /** Uncertainty of the coming mean, as the sd of its natural logarithm. */
  logSd: number;
  /** The default a new player starts from, hours per day. */
  startedFrom: number;
}

/** Start of a player nobody knows yet: half an hour a day, the lighter end of the trade's own rules [handbook 4, 6]. */
export const STARTING_HOURS_PER_DAY = 0.5;
/** A day counts half as much for each six weeks that it lies back. Chosen so that a term's habit is followed within a term. */
const HALF_LIFE_DAYS = 42;
/** The starting value weighs as much as two weeks of record just before the first day, and fades as those would. */
const PRIOR_DAYS = 14;
/** Each weekday leans on the whole week's mean as if two such weekdays had been seen at it. */
const WEEKDAY_PRIOR = 2;
/** What remains uncertain of a well-known player's coming months, and what an unknown player adds. */
const FLOOR_LOG_SD = 0.1;
const UNKNOWN_LOG_SD = 0.5;

/**
 * Playing per day, exponentially weighted over weekdays.
 * Whole calendar days count, from the first day observed to yesterday; today is not over yet.
 * @param observedFrom when the household began to record this instrument, ms; earlier sessions move it back
 */
export function paceFrom(log: InstrumentLog, observedFrom: number): Pace {
  const today = localDay(log.nowMs, log.timeZone);
  const firstSession = log.sessions[0]?.day ?? today;
  const firstDay = Math.min(localDay(observedFrom, log.timeZone), firstSession);
  const daysObserved = Math.max(0, today - firstDay);

  const hours = new Array<number>(7).fill(0);
  const weights = new Array<number>(7).fill(0);
  const decay = Math.pow(0.5, 1 / HALF_LIFE_DAYS);
  for (let day = today - 1, weight = 1; day >= firstDay && weight > 1e-4; day--, weight *= decay) {
    weights[weekdayOf(day)]! += weight;
  }
  for (let at = log.sessions.length - 1; at >= 0; at--) {
    const { day, beganAt, endedAt } = log.sessions[at]!;
    const weight = Math.pow(decay, today - 1 - day);
    if (day >= today) continue;
    if (weight <= 1e-4) break;
    const end = Math.min(endedAt ?? log.nowMs, beganAt + LONGEST_SESSION_H * HOUR_MS);
    hours[weekdayOf(day)]! += (weight * (end - beganAt)) / HOUR_MS;
  }

  const effectiveDays = sum(weights);
  const prior = PRIOR_DAYS * Math.pow(decay, daysObserved);
  const hoursPerDay = (sum(hours) + prior * STARTING_HOURS_PER_DAY) / (effectiveDays + prior);
  const leaning = hours.map(
    (played, weekday) => (played + WEEKDAY_PRIOR * hoursPerDay) / (weights[weekday]! + WEEKDAY_PRIOR),
  );
  const scale = hoursPerDay / (sum(leaning) / 7);
  return {
    hoursOn: leaning.map((rate) => rate * scale),
    hoursPerDay,
    daysObserved,
    effectiveDays,
    logSd: Math.hypot(FLOOR_LOG_SD, UNKNOWN_LOG_SD * Math.sqrt(prior / (prior + effectiveDays))),
    startedFrom: STARTING_HOURS_PER_DAY,
  };
}

function sum(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0);
}

/**
 * Hours expected to be played from one instant to a later one at this pace: whole weeks, then the days left over.
 * @param fromMs start; its calendar day decides where in the week it begins
 */
export function projectedHours(pace: Pace, fromMs: number, toMs: number, timeZone: string): number {
  if (toMs <= fromMs) return 0;
  const days = (toMs - fromMs) / (24 * HOUR_MS);
  const weeks = Math.floor(days / 7);
  let hours = weeks * sum(pace.hoursOn);
  let left = days - weeks * 7;
  for (let weekday = weekdayOf(localDay(fromMs, timeZone)); left > 0; weekday = (weekday + 1) % 7, left--) {
    hours += pace.hoursOn[weekday]! * Math.min(1, left);
  }
  return hours;
}
