import { HABIT_HOURS, type Habit } from '../instruments';
import type { InstrumentLog } from '../log';
import { LONGEST_SESSION_H } from '../log/sessions';
import { DAY_MS, HOUR_MS, localDay, startOfLocalDay, weekdayOf, type LocalDay } from '../time';
import { paceElsewhere, type PaceSeen } from './pace-elsewhere';
import { LONGEST_GAP, pauseAfter, pausedIn, USUAL_SHARE, type Pause } from './pauses';

/** How much the player plays, estimated from what they said and from the log. */
export interface Pace {
  /** Expected hours per weekday while playing goes on, 0 Monday … 6 Sunday. */
  hoursOn: readonly number[];
  /** Expected hours per day over a long time, pauses among it. */
  hoursPerDay: number;
  /** Share of days in which playing goes on, in the long run. */
  share: number;
  /** Whole calendar days of record it rests on. */
  daysObserved: number;
  /** Those days after weighting: recent ones count fully, older ones less, pauses not at all. */
  effectiveDays: number;
  /** Uncertainty of the coming rate, as the sd of its natural logarithm. */
  logSd: number;
  /** What a new player starts from, hours per day, and what they had said; null: nothing. */
  startedFrom: number;
  said: Habit | null;
  /** Other instruments of its players that the start was learned from. */
  learnedFrom: number;
  /** What the log alone shows; null while it shows too little to be told elsewhere. */
  seen: PaceSeen | null;
  /** Whether playing has stopped for a while; null while it goes on. */
  pause: Pause | null;
  /** Days away that are in the calendar, ms: no playing in them. In order, not overlapping, none that is over. */
  away: readonly Away[];
  /** What was played before the first day of the log, as far as it can be told. */
  before: Before;
}

/** A stretch without playing, ms. */
export interface Away {
  from: number;
  to: number;
}

/** Playing that nobody wrote down: what lies before the log. */
export interface Before {
  /** From when it counts, ms: since the instrument is in this player's hands; null: as far back as need be. */
  from: number | null;
  /** The first day of the log, ms. */
  until: number;
  hoursPerDay: number;
  /** Uncertainty of that, as the sd of its natural logarithm. */
  logSd: number;
}

/** What a pace is reckoned from, beside the log. */
export interface PaceBasis {
  /** When the household began to record this instrument, ms; earlier sessions move it back. */
  observedFrom: number;
  /** How much it is played on most days, as the player said. */
  said: Habit | null;
  /** Calendar day since when it is in this player's hands; null when not said. */
  since: LocalDay | null;
  /** Days away that are known of, by the calendar or by the log, ms. */
  away: readonly Away[];
  /** What its players play on other instruments; none, or left out: nothing is known of that. */
  elsewhere?: readonly PaceSeen[];
}

/** Start of a player nobody knows yet: half an hour a day, the lighter end of the trade's own rules [handbook 4, 6]. */
export const STARTING_HOURS_PER_DAY = 0.5;
/** How far players differ from that, and a player from what they said of themselves: sd of the natural logarithm. From memory. */
const UNKNOWN_LOG_SD = 0.8;
const SAID_LOG_SD = 0.35;
/** A day counts half as much for each six weeks that it lies back. Chosen so that a term's habit is followed within a term. */
const HALF_LIFE_DAYS = 42;
const DECAY = Math.pow(0.5, 1 / HALF_LIFE_DAYS);
/** Each weekday leans on the whole week's mean as if two such weekdays had been seen at it. */
const WEEKDAY_PRIOR = 2;
/** What remains uncertain of a well-known player's coming months, and how far the years before the log may have differed. From memory. */
const FLOOR_LOG_SD = 0.1;
const BEFORE_LOG_SD = 0.2;
/** Chance that a day is played on, to start from; worth so many days. From memory. */
const START_PLAYS = 0.6;
const START_WORTH_DAYS = 5;
/** How uneven days are (variance over the square of the mean), to start from: between one who plays daily and one who plays weekly. From memory. */
const START_UNEVEN = 3;
const UNEVEN_WORTH_DAYS = 10;
const START_LEFT_DAYS = 2;
/** The usual share of pauses is worth so many days of record. From memory. */
const SHARE_WORTH_DAYS = 60;
/** Days of record that a rate rests on, all alike in weight, before it tells of other instruments. From memory. */
const TELLING_DAYS = 14;
/** Times that pauses and the chance of playing are reckoned from each other; they settle within three. */
const ROUNDS = 3;

/**
 * Playing per day: what the player said, and what the log shows, each by its certainty; pauses told apart from rare playing.
 * Whole calendar days count, from the first day observed to yesterday; today is not over yet.
 */
export function paceFrom(log: InstrumentLog, basis: PaceBasis): Pace {
  const { said, since, away, elsewhere = [] } = basis;
  const { timeZone } = log;
  const today = localDay(log.nowMs, timeZone);
  const firstSession = log.sessions[0]?.day ?? today;
  const firstDay = Math.min(localDay(basis.observedFrom, timeZone), firstSession);
  const daysObserved = Math.max(0, today - firstDay);
  const playedToday = firstSession <= today && (log.sessions.at(-1)?.day ?? -Infinity) >= today;

  const hours = hoursByDay(log, Math.max(firstDay, today - LONGEST_GAP), today);
  const { plays, on: told, lateFor } = regimeOf(hours);
  const on = withoutAway(told, hours, today, away, timeZone);
  const pause = playedToday || lateFor === 0 ? null : pauseAfter(lateFor, plays);
  const seen = weighed(hours, on, today);

  const begin = startOf(said, elsewhere);
  const startedFrom = begin.hoursPerDay;
  const start = startedFrom / USUAL_SHARE;
  const startSd = begin.logSd;
  const rate = settledRate(start, startSd, seen);
  const onDays = on.reduce((sum, share) => sum + share, 0);
  const share = (onDays + SHARE_WORTH_DAYS * USUAL_SHARE) / (hours.length + SHARE_WORTH_DAYS);

  const leaning = seen.hours.map(
    (played, weekday) => (played + WEEKDAY_PRIOR * rate.mean) / (seen.weights[weekday]! + WEEKDAY_PRIOR),
  );
  const scale = rate.mean / (sum(leaning) / 7);
  return {
    hoursOn: leaning.map((each) => each * scale),
    hoursPerDay: rate.mean * share,
    share,
    daysObserved,
    effectiveDays: sum(seen.weights),
    logSd: Math.hypot(FLOOR_LOG_SD, rate.logSd),
    startedFrom,
    said,
    learnedFrom: said ? 0 : elsewhere.length,
    seen: shown(seen, share),
    pause,
    away: coming(away, log.nowMs),
    before: {
      from: since === null ? null : startOfLocalDay(since, timeZone),
      until: startOfLocalDay(firstDay, timeZone),
      hoursPerDay: rate.mean * share,
      logSd: Math.hypot(BEFORE_LOG_SD, rate.logSd),
    },
  };
}

/** What a player starts from: what they said of themselves; else what they play elsewhere; else what is usual. */
function startOf(said: Habit | null, elsewhere: readonly PaceSeen[]): PaceSeen {
  return said
    ? { hoursPerDay: HABIT_HOURS[said], logSd: SAID_LOG_SD }
    : paceElsewhere(STARTING_HOURS_PER_DAY, UNKNOWN_LOG_SD, elsewhere);
}

/** What the days of record show by themselves. */
function shown(seen: Weighed, share: number): PaceSeen | null {
  const rate = sum(seen.hours) / Math.max(sum(seen.weights), 1e-9);
  if (seen.alike < TELLING_DAYS || rate <= 0) return null;
  return { hoursPerDay: rate * share, logSd: Math.sqrt(seen.uneven / seen.alike) };
}

/** Hours played on each whole calendar day from one to the day before another. */
function hoursByDay(log: InstrumentLog, from: LocalDay, to: LocalDay): number[] {
  const hours = new Array<number>(Math.max(0, to - from)).fill(0);
  for (let at = log.sessions.length - 1; at >= 0; at--) {
    const { day, beganAt, endedAt } = log.sessions[at]!;
    if (day < from) break;
    if (day >= to) continue;
    const end = Math.min(endedAt ?? log.nowMs, beganAt + LONGEST_SESSION_H * HOUR_MS);
    hours[day - from]! += (end - beganAt) / HOUR_MS;
  }
  return hours;
}

/** Lengths of the stretches without playing, by where they begin; the last, if it lasts, by itself. */
function gapsIn(hours: readonly number[]): {
  gaps: { at: number; days: number }[];
  last: { at: number; days: number };
} {
  const gaps: { at: number; days: number }[] = [];
  let at = 0;
  hours.forEach((played, day) => {
    if (played <= 0) return;
    if (day > at) gaps.push({ at, days: day - at });
    at = day + 1;
  });
  return { gaps, last: { at, days: hours.length - at } };
}

/** How likely a day is played on while playing goes on, and by day how likely it did; how long nothing was played by the end. */
function regimeOf(hours: readonly number[]): { plays: number; on: number[]; lateFor: number } {
  const { gaps, last } = gapsIn(hours);
  const playedOn = hours.length - last.days - gaps.reduce((days, gap) => days + gap.days, 0);
  let plays = START_PLAYS;
  for (let round = 0; round < ROUNDS; round++) {
    const paused =
      gaps.reduce((days, gap) => days + pausedIn(gap.days, plays), 0) +
      (last.days > 0 ? pauseAfter(last.days, plays).paused : 0);
    plays = (playedOn + START_WORTH_DAYS * START_PLAYS) / (hours.length - paused + START_WORTH_DAYS);
  }
  const on = new Array<number>(hours.length).fill(1);
  for (const { at, days } of gaps) on.fill(1 - pausedIn(days, plays) / days, at, at + days);
  if (last.days > 0) on.fill(1 - pauseAfter(last.days, plays).paused / last.days, last.at);
  return { plays, on, lateFor: last.days };
}

/** Days of record on which it was away for certain, and not played, tell nothing of how much is played. */
function withoutAway(
  on: readonly number[],
  hours: readonly number[],
  today: LocalDay,
  away: readonly Away[],
  timeZone: string,
): number[] {
  const known = [...on];
  for (const { from, to } of away) {
    const first = Math.max(0, localDay(from, timeZone) - today + hours.length);
    const last = Math.min(hours.length, localDay(to, timeZone) - today + hours.length);
    for (let at = first; at < last; at++) if (hours[at] === 0) known[at] = 0;
  }
  return known;
}

/** The days of record, each by how recent it is and how likely playing went on, by weekday. */
interface Weighed {
  hours: readonly number[];
  weights: readonly number[];
  /** How uneven days are: variance over the square of the mean. */
  uneven: number;
  /** Days all alike in weight that would tell as much. */
  alike: number;
}

function weighed(hours: readonly number[], on: readonly number[], today: LocalDay): Weighed {
  const [played, weights] = [new Array<number>(7).fill(0), new Array<number>(7).fill(0)];
  let [squares, weightSquares] = [0, 0];
  for (let at = hours.length - 1, fade = 1; at >= 0 && fade > 1e-4; at--, fade *= DECAY) {
    const weekday = weekdayOf(today - hours.length + at);
    const weight = fade * on[at]!;
    weights[weekday]! += weight;
    played[weekday]! += weight * hours[at]!;
    squares += weight * hours[at]! ** 2;
    weightSquares += weight ** 2;
  }
  const [days, total] = [sum(weights), sum(played)];
  const mean = total / Math.max(days, 1e-9);
  const spread = mean > 0 ? squares / days / mean ** 2 - 1 : START_UNEVEN;
  return {
    hours: played,
    weights,
    uneven: (days * spread + UNEVEN_WORTH_DAYS * START_UNEVEN) / (days + UNEVEN_WORTH_DAYS),
    alike: weightSquares > 0 ? days ** 2 / weightSquares : 0,
  };
}

/** The rate that what was said and what was seen agree on, each by its certainty: the product of two log-normals. */
function settledRate(start: number, startSd: number, seen: Weighed): { mean: number; logSd: number } {
  if (seen.alike === 0) return { mean: start, logSd: startSd };
  // Some days of the start's own playing keep a log without any from saying "never".
  const rate = (sum(seen.hours) + START_LEFT_DAYS * start) / (sum(seen.weights) + START_LEFT_DAYS);
  const [told, said] = [seen.alike / seen.uneven, 1 / startSd ** 2];
  const log = (said * Math.log(start) + told * Math.log(rate)) / (said + told);
  return { mean: Math.exp(log), logSd: Math.sqrt(1 / (said + told)) };
}

/** Stretches that are not over yet, in order, overlapping ones as one. */
function coming(away: readonly Away[], nowMs: number): Away[] {
  const merged: Away[] = [];
  for (const { from, to } of [...away].sort((a, b) => a.from - b.from)) {
    const last = merged.at(-1);
    if (to <= nowMs) continue;
    if (last && from <= last.to) last.to = Math.max(last.to, to);
    else merged.push({ from, to });
  }
  return merged;
}

function sum(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0);
}

/**
 * Hours expected from one instant to a later one if playing goes on: whole weeks, then the days left over; none while away.
 * @param fromMs start; its calendar day decides where in the week it begins
 */
export function projectedHours(pace: Pace, fromMs: number, toMs: number, timeZone: string): number {
  const away = pace.away.reduce(
    (hours, { from, to }) => hours + weekdayHours(pace, Math.max(from, fromMs), Math.min(to, toMs), timeZone),
    0,
  );
  return Math.max(0, weekdayHours(pace, fromMs, toMs, timeZone) - away);
}

function weekdayHours({ hoursOn }: Pace, fromMs: number, toMs: number, timeZone: string): number {
  if (toMs <= fromMs) return 0;
  const days = (toMs - fromMs) / DAY_MS;
  const weeks = Math.floor(days / 7);
  let hours = weeks * sum(hoursOn);
  let left = days - weeks * 7;
  for (let weekday = weekdayOf(localDay(fromMs, timeZone)); left > 0; weekday = (weekday + 1) % 7, left--) {
    hours += hoursOn[weekday]! * Math.min(1, left);
  }
  return hours;
}

/**
 * Hours played before the log began that lie between two instants, as reckoned; nobody wrote them down.
 * @example hoursBefore({ from: null, until: 10 * DAY_MS, hoursPerDay: 0.5, logSd: 0.4 }, 0, 20 * DAY_MS) // 5
 */
export function hoursBefore({ from, until, hoursPerDay }: Before, fromMs: number, toMs: number): number {
  const days = (Math.min(toMs, until) - Math.max(fromMs, from ?? -Infinity)) / DAY_MS;
  return Math.max(0, days) * hoursPerDay;
}
