import { HABIT_HOURS, HABITS, type Habit } from '../instruments';
import { foldLog, playingFrom, type InstrumentLog, type Session } from '../log';
import { DAY_MS, HOUR_MS } from '../time';
import type { Pace } from '../wear';
import { mulberry32, normals } from './dice';

/**
 * Players made by the day, to try forecasts on: playing is on or off, a day is played on or not, and for so long.
 * What is random is drawn here and nowhere from the forecast’s own code.
 */
export interface PlayerKind {
  /** Mean hours a day over the years, pauses among it; drawn anew for each player. */
  meanHours: (normal: () => number) => number;
  /** Chance that a day is played on while playing goes on; or the weekdays played on. */
  plays: number | readonly number[];
  /** Days of the log so far. */
  logDays: number;
  /** Days nothing has been played by now; 0: as it comes. */
  pausedDays: number;
  /** Whether the player has said how much it is played. */
  said: boolean;
}

export interface SimulatedPlayer {
  log: InstrumentLog;
  said: Habit | null;
  observedFrom: number;
  /** Hours played from the log's first day to a later one, by day; the future among it. */
  hours: readonly number[];
}

export const TODAY = Date.parse('2026-06-01T12:00:00.000Z');
const { log, min } = Math;
/** Pauses: playing goes on for 120 days on average; a pause lasts t days or longer with chance (1 + t/40)⁻³. */
const ON_DAYS = 120;
const pauseDays = (uniform: () => number, already = 0) => (40 + already) * ((1 - uniform()) ** (-1 / 3) - 1);
const ON_SHARE = 120 / 140;

/** Which days playing goes on, from the log's first to the last; by now nothing was played for so long, if that is wanted. */
function regime(uniform: () => number, days: number, logDays: number, pausedDays: number): boolean[] {
  const on = new Array<boolean>(days).fill(true);
  const run = (from: number, to: number, playing: boolean) => {
    let [at, state] = [from, playing];
    while (at < to) {
      const lasts = Math.max(1, Math.round(state ? -ON_DAYS * Math.log(1 - uniform()) : pauseDays(uniform)));
      on.fill(state, at, Math.min(to, at + lasts));
      at += lasts;
      state = !state;
    }
  };
  if (pausedDays === 0) {
    run(0, days, true);
    return on;
  }
  run(0, logDays - pausedDays, true);
  on.fill(true, Math.max(0, logDays - pausedDays - 10), logDays - pausedDays);
  const rest = Math.round(pauseDays(uniform, pausedDays));
  on.fill(false, logDays - pausedDays, Math.min(days, logDays + rest));
  run(logDays + rest, days, true);
  return on;
}

/** What a player answers who knows their own playing within a fifth. */
function answer(meanHours: number, normal: () => number): Habit {
  const felt = Math.log(meanHours) + 0.2 * normal();
  const off = (habit: Habit) => Math.abs(Math.log(HABIT_HOURS[habit]) - felt);
  return HABITS.reduce((a, b) => (off(b) < off(a) ? b : a));
}

/** Hours of a day that is played on, about their mean: a gamma distribution of shape 4, a spread of a half. */
const uneven = (uniform: () => number) =>
  -log((1 - uniform()) * (1 - uniform()) * (1 - uniform()) * (1 - uniform())) / 4;

/** A pace that is known exactly, without pauses, of a player whose log goes back for ever: for the arithmetic of a rule by itself. */
export function exactPace(hoursPerDay: number, logSd = 0): Pace {
  return {
    hoursOn: new Array<number>(7).fill(hoursPerDay),
    hoursPerDay,
    share: 1,
    daysObserved: 1000,
    effectiveDays: 60,
    logSd,
    startedFrom: 0.5,
    said: null,
    learnedFrom: 0,
    seen: null,
    pause: null,
    away: [],
    before: { from: null, until: -Infinity, hoursPerDay, logSd },
  };
}

/** So many players of a kind, the same each time. */
export function players(kind: PlayerKind, count: number, seed: number, aheadDays = 1300): SimulatedPlayer[] {
  const uniform = mulberry32(seed);
  const normal = normals(uniform);
  return Array.from({ length: count }, () => onePlayer(kind, uniform, normal, aheadDays));
}

function onePlayer(
  { meanHours, plays, logDays, pausedDays, said }: PlayerKind,
  uniform: () => number,
  normal: () => number,
  aheadDays: number,
): SimulatedPlayer {
  const mean = meanHours(normal);
  const chance = typeof plays === 'number' ? plays : plays.length / 7;
  const perSession = mean / ON_SHARE / chance;
  const first = Math.floor(TODAY / DAY_MS) - logDays;
  const on = regime(uniform, logDays + aheadDays, logDays, pausedDays);
  const hours = on.map((playing, at) => {
    const drawn = typeof plays === 'number' ? uniform() < plays : plays.includes((first + at + 3) % 7);
    return playing && drawn ? min(20, perSession * uneven(uniform)) : 0;
  });
  const sessions = hours.slice(0, logDays).flatMap((played, at): Session[] => {
    if (played === 0) return [];
    const beganAt = (first + at) * DAY_MS + HOUR_MS;
    const times = { beganAt, endedAt: beganAt + played * HOUR_MS, day: first + at };
    return [{ id: `s${at}`, parts: [`s${at}`], endEventIds: [], entered: true, corrected: false, ...times }];
  });
  const folded = { ...foldLog([], TODAY, 'UTC'), sessions, playing: playingFrom(sessions, TODAY) };
  return { log: folded, said: said ? answer(mean, normal) : null, observedFrom: first * DAY_MS, hours };
}
