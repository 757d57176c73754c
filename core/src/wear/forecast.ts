import { errorFunction, probit } from 'simple-statistics';
import type { InstrumentLog } from '../log';
import { alongLine, firstReaching, type Anchor } from '../maths';
import { DAY_MS, HOUR_MS } from '../time';
import { chanceAtWear } from './factor';
import { wornAt, type Life, type Worn } from './life';
import { projectedHours, type Pace } from './pace';
import { restOfPause, shareAhead } from './pauses';

/** When something is due: the 10, 50 and 90 % points, ms since 1970-01-01T00:00Z. */
export interface Window {
  early: number;
  middle: number;
  late: number;
}

/** Farthest a forecast looks, in days; past it the window's end is held there. */
const HORIZON_DAYS = 60 * 365;
const PRECISION_MS = HOUR_MS;

/** Chance that a part is spent at a wear by its rule: by the player's own factor where one is known, else log-normal. */
function chanceAt(life: Life, wear: number): number {
  if (wear <= 0) return 0;
  return life.factor ? chanceAtWear(life.factor, wear) : normalCdf(Math.log(wear) / life.logSd);
}

/** The same of a part that was found still good at some wear: what is left of the chance beyond it. */
function chanceBeyond(life: Life, wear: number, proven: number): number {
  if (proven <= 0) return chanceAt(life, wear);
  if (wear <= proven) return 0;
  const before = Math.min(chanceAt(life, proven), MOST_PROVEN);
  return Math.max(0, (chanceAt(life, wear) - before) / (1 - before));
}

/** However far past its life something is found good, so much remains possible by the rule. */
const MOST_PROVEN = 0.999;

function normalCdf(z: number): number {
  return 0.5 * (1 + errorFunction(z / Math.SQRT2));
}

/** Nine equally likely values of a standard normal: the middles of nine equal slices. */
const NODES = Array.from({ length: 9 }, (_, at) => probit((at + 0.5) / 9));

/** How the chance that a part is spent goes on from the moment it was judged; plain figures, so that it can be sent about. */
export type Outlook =
  | {
      kind: 'two-clocks';
      life: Life;
      pace: Pace;
      /** The moment judged, the wear reached by then, and the end of what is known. */
      nowMs: number;
      worn: Worn;
      timeZone: string;
    }
  | { kind: 'window'; window: Window };

/** Equally likely lengths of what is left of a pause, taken at the middles of equal slices. */
const PAUSE_SLICES = 3;
/** A pause less likely than that is not reckoned with. */
const LEAST_PAUSE = 0.02;

/** When playing may go on, ms, each with its chance; at once unless it is paused. */
function resumptions({ pause, away }: Pace, nowMs: number): { chance: number; at: number }[] {
  // Being away is known: it explains why nothing was played.
  const known = away.some(({ from, to }) => from <= nowMs && to > nowMs);
  if (!pause || pause.chance < LEAST_PAUSE || known) return [{ chance: 1, at: nowMs }];
  const later = Array.from({ length: PAUSE_SLICES }, (_, slice) => ({
    chance: pause.chance / PAUSE_SLICES,
    at: nowMs + restOfPause(pause.days, (slice + 0.5) / PAUSE_SLICES) * DAY_MS,
  }));
  return [{ chance: 1 - pause.chance, at: nowMs }, ...later];
}

/**
 * Chance that a part is spent at a wear some of which is only reckoned, and some may still lie ahead.
 * A player who plays more than reckoned is taken to have done so before the log, too.
 */
function chanceOver(life: Life, { told, reckoned }: Worn, { before }: Pace, ahead = 0, aheadLogSd = 0): number {
  const { proven } = life;
  const chances = NODES.map((z) => {
    const more = Math.exp(before.logSd * z);
    const wear = told + reckoned * more + ahead * Math.exp(aheadLogSd * z);
    return proven ? chanceBeyond(life, wear, proven.told + proven.reckoned * more) : chanceAt(life, wear);
  });
  return chances.reduce((sum, each) => sum + each, 0) / chances.length;
}

/** Chance that a part is spent at the wear it has. */
function chanceWorn(life: Life, worn: Worn, pace: Pace): number {
  if (worn.reckoned > 0) return chanceOver(life, worn, pace);
  return life.proven ? chanceBeyond(life, worn.told, life.proven.told) : chanceAt(life, worn.told);
}

/**
 * Chance that a part is spent by an instant to come, the playing to come being uncertain: its rate, when it goes on after
 * a pause, and the pauses nobody knows of yet.
 * @param worn wear by `nowMs`
 */
function chanceAhead(life: Life, pace: Pace, worn: Worn, nowMs: number, timeZone: string): (atMs: number) => number {
  const begins = resumptions(pace, nowMs);
  return (atMs) => {
    const aged = { ...worn, told: worn.told + (atMs - nowMs) / DAY_MS / life.days };
    return begins.reduce((total, { chance, at }) => {
      const ahead = shareAhead(pace.share, (atMs - at) / DAY_MS);
      const hours = projectedHours(pace, at, atMs, timeZone) * ahead.share;
      const logSd = Math.hypot(pace.logSd, ahead.sd / ahead.share);
      return total + chance * chanceOver(life, aged, pace, hours / life.hours, logSd);
    }, 0);
  };
}

/** Chance that a part is spent by an instant, from its outlook; before the moment it was judged, as at that moment. */
export function chanceBy(outlook: Outlook, atMs: number): number {
  if (outlook.kind === 'window') return chanceInWindow(outlook.window, atMs);
  const { life, pace, nowMs, worn, timeZone } = outlook;
  return atMs <= nowMs ? chanceWorn(life, worn, pace) : chanceAhead(life, pace, worn, nowMs, timeZone)(atMs);
}

/** The chance at an instant by a window alone, along straight lines through its 10, 50 and 90 % points. */
function chanceInWindow({ early, middle, late }: Window, atMs: number): number {
  const points: readonly Anchor[] = [
    [early - (middle - early), 0],
    [early, 0.1],
    [middle, 0.5],
    [late, 0.9],
    [late + (late - middle), 1],
  ];
  return alongLine(points, atMs);
}

/**
 * Chance that a part on two clocks is spent by an instant: lives spread log-normally about the rule, and the playing
 * still to come is uncertain too. What lies in the past is taken from the log as it was, and before the log as reckoned.
 * @param extraWear share of the life already spent otherwise than by playing and age
 * @returns the chance at an instant, ms
 */
export function chanceSpent(
  life: Life,
  log: InstrumentLog,
  pace: Pace,
  fittedAt: number,
  extraWear = 0,
): (atMs: number) => number {
  const wornBy = (atMs: number): Worn => {
    const { told, reckoned } = wornAt(life, log.playing, pace.before, fittedAt, atMs);
    return { told: told + (atMs > fittedAt ? extraWear : 0), reckoned };
  };
  const ahead = chanceAhead(life, pace, wornBy(log.nowMs), log.nowMs, log.timeZone);
  return (atMs) => (atMs <= log.nowMs ? chanceWorn(life, wornBy(atMs), pace) : ahead(atMs));
}

/**
 * The window in which a part on two clocks is spent: 10, 50 and 90 % points of `chanceSpent`.
 * @param fittedAt when it was fitted, ms
 * @param extraWear share of the life already spent otherwise than by playing and age
 */
export function spentWindow(life: Life, log: InstrumentLog, pace: Pace, fittedAt: number, extraWear = 0): Window {
  const chance = chanceSpent(life, log, pace, fittedAt, extraWear);
  const horizon = Math.max(log.nowMs, fittedAt) + HORIZON_DAYS * DAY_MS;
  const at = (level: number) => firstReaching(chance, level, fittedAt, horizon, PRECISION_MS);
  return { early: at(0.1), middle: at(0.5), late: at(0.9) };
}

/**
 * When a budget of playing runs out, counting from now; with no spread in the budget, only the playing is uncertain.
 * @param hoursLeft negative when it has run out already
 * @returns ms; for a budget already spent, the past instant at which it was
 */
export function budgetReached(hoursLeft: number, log: InstrumentLog, pace: Pace): number {
  const { begins, ends, hoursBefore } = log.playing;
  if (hoursLeft <= 0) {
    let owed = -hoursLeft;
    for (let at = begins.length - 1; at >= 0; at--) {
      const hours = (ends[at]! - begins[at]!) / HOUR_MS;
      if (owed <= hours) return ends[at]! - owed * HOUR_MS;
      owed -= hours;
    }
    return hoursBefore.length > 0 ? begins[0]! : log.nowMs;
  }
  const { pause } = pace;
  const { nowMs } = log;
  const from = pause && pause.chance >= 0.5 ? nowMs + restOfPause(pause.days, 0.5) * DAY_MS : nowMs;
  const reached = (atMs: number) =>
    (projectedHours(pace, from, atMs, log.timeZone) * shareAhead(pace.share, (atMs - from) / DAY_MS).share) / hoursLeft;
  return firstReaching(reached, 1, from, from + HORIZON_DAYS * DAY_MS, PRECISION_MS);
}
