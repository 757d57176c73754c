import { errorFunction, probit } from 'simple-statistics';
import type { InstrumentLog } from '../log';
import { alongLine, firstReaching, type Anchor } from '../maths';
import { DAY_MS, HOUR_MS } from '../time';
import { chanceAtWear } from './factor';
import { wearAt, type Life } from './life';
import { projectedHours, type Pace } from './pace';

/** When something is due: the 10, 50 and 90 % points, ms since 1970-01-01T00:00Z. */
export interface Window {
  early: number;
  middle: number;
  late: number;
}

/** Farthest a forecast looks, in days; past it the window's end is held there. */
const HORIZON_DAYS = 60 * 365;
const PRECISION_MS = HOUR_MS;

/** Chance that a part is spent at a wear reckoned by its rule: by the player's own factor where one is known, else log-normal. */
function chanceAt(life: Life, wear: number): number {
  if (wear <= 0) return 0;
  return life.factor ? chanceAtWear(life.factor, wear) : normalCdf(Math.log(wear) / life.logSd);
}

function normalCdf(z: number): number {
  return 0.5 * (1 + errorFunction(z / Math.SQRT2));
}

/** Nine equally likely values of a standard normal: the middles of nine equal slices. */
const NODES = Array.from({ length: 9 }, (_, at) => probit((at + 0.5) / 9));

/** Equally likely factors by which the coming playing may differ from the estimate; median 1. */
export function playingFactors(logSd: number): number[] {
  return NODES.map((z) => Math.exp(logSd * z));
}

/** How the chance that a part is spent goes on from the moment it was judged; plain figures, so that it can be sent about. */
export type Outlook =
  | {
      kind: 'two-clocks';
      life: Life;
      pace: Pace;
      /** The moment judged, the wear reached by then, and the end of what is known. */
      nowMs: number;
      worn: number;
      timeZone: string;
    }
  | { kind: 'window'; window: Window };

/** Chance that a part is spent after so much more time, the playing to come being uncertain. @param worn wear by `fromMs` */
function chanceAhead(life: Life, pace: Pace, worn: number, fromMs: number, atMs: number, timeZone: string): number {
  const days = (atMs - fromMs) / DAY_MS;
  const hours = projectedHours(pace, fromMs, atMs, timeZone);
  const factors = playingFactors(pace.logSd);
  const total = factors.reduce((chance, factor) => {
    const more = (factor * hours) / life.hours + days / life.days;
    return chance + chanceAt(life, worn + more);
  }, 0);
  return total / factors.length;
}

/** Chance that a part is spent by an instant, from its outlook; before the moment it was judged, as at that moment. */
export function chanceBy(outlook: Outlook, atMs: number): number {
  if (outlook.kind === 'window') return chanceInWindow(outlook.window, atMs);
  const { life, pace, nowMs, worn, timeZone } = outlook;
  return atMs <= nowMs ? chanceAt(life, worn) : chanceAhead(life, pace, worn, nowMs, atMs, timeZone);
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
 * still to come is uncertain too. What lies in the past is taken from the log as it was.
 * @param extraWear share of the life already spent otherwise than by playing and age
 */
export function chanceSpent(
  life: Life,
  log: InstrumentLog,
  pace: Pace,
  fittedAt: number,
  atMs: number,
  extraWear = 0,
): number {
  const past = wearAt(life, log.playing, fittedAt, Math.min(atMs, log.nowMs)) + (atMs > fittedAt ? extraWear : 0);
  if (atMs <= log.nowMs) return chanceAt(life, past);
  return chanceAhead(life, pace, past, log.nowMs, atMs, log.timeZone);
}

/**
 * The window in which a part on two clocks is spent: 10, 50 and 90 % points of `chanceSpent`.
 * @param fittedAt when it was fitted, ms
 * @param extraWear share of the life already spent otherwise than by playing and age
 */
export function spentWindow(life: Life, log: InstrumentLog, pace: Pace, fittedAt: number, extraWear = 0): Window {
  const chance = (atMs: number) => chanceSpent(life, log, pace, fittedAt, atMs, extraWear);
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
  const reached = (atMs: number) => projectedHours(pace, log.nowMs, atMs, log.timeZone) / hoursLeft;
  return firstReaching(reached, 1, log.nowMs, log.nowMs + HORIZON_DAYS * DAY_MS, PRECISION_MS);
}
