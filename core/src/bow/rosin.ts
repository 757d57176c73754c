import { median } from 'simple-statistics';
import { hoursBetween, type InstrumentLog } from '../log';
import { DAY_MS } from '../time';

/** Bowing minutes between rosinings: due from, the budget, overdue past. */
export interface RosinBudget {
  dueFrom: number;
  budget: number;
  overduePast: number;
}

/** One rosining per 70–105 minutes of bowing; budget 90, due from 60, overdue past 105 [handbook 1.5]. */
export const ROSIN_BUDGET: RosinBudget = { dueFrom: 60, budget: 90, overduePast: 105 };

/** Rosinings on record before the player's own habit scales the budget [handbook 1.5]. */
export const HABIT_ROSININGS = 3;
/** The habit may stretch the budget to twice or shrink it to half, no further. */
const HABIT_BOUNDS = [0.5, 2] as const;
/** Rosinings looked back on for the habit, so that it can change. */
const HABIT_MEMORY = 12;

/**
 * The rosin budget of this player: the trade's, scaled by the median bowing between their own rosinings once
 * three are on record. Rosinings less than ten minutes of bowing apart count as one.
 * @returns bowing minutes, the scale (1 when no habit is known yet) and how many rosinings it rests on
 */
export function rosinBudget(log: InstrumentLog): RosinBudget & { scale: number; rosinings: number } {
  const marks = log.rosinings.slice(-HABIT_MEMORY);
  const gaps: number[] = [];
  for (let at = 1; at < marks.length; at++) {
    const minutes = hoursBetween(log.playing, marks[at - 1]!.at, marks[at]!.at) * 60;
    if (minutes >= 10) gaps.push(minutes);
  }
  const known = marks.length >= HABIT_ROSININGS && gaps.length > 0;
  const [least, most] = HABIT_BOUNDS;
  const scale = known ? Math.min(most, Math.max(least, median(gaps) / ROSIN_BUDGET.budget)) : 1;
  return {
    dueFrom: ROSIN_BUDGET.dueFrom * scale,
    budget: ROSIN_BUDGET.budget * scale,
    overduePast: ROSIN_BUDGET.overduePast * scale,
    scale,
    rosinings: marks.length,
  };
}

/** What to do about rosin before playing. */
export interface RosinVerdict {
  /** new-hair: none on it yet; due: give it so many passes; enough: leave it. */
  kind: 'new-hair' | 'due' | 'enough';
  /** Light passes over the whole length; 0 when none are needed, and for new hair, which takes minutes. */
  passes: number;
  /** Bowing since the last rosining, min. */
  minutes: number;
  budget: RosinBudget & { scale: number; rosinings: number };
}

/** One light pass for each quarter of an hour of bowing, from three to eight. From memory: "a few" in numbers. */
const MINUTES_PER_PASS = 15;
const FEWEST_PASSES = 3;
const MOST_PASSES = 8;

/**
 * The rosin verdict for today: by the bowing since the last rosining, in the player's own scale.
 * Hair put on since the last rosining has none on it.
 */
export function rosinVerdict(log: InstrumentLog): RosinVerdict {
  const budget = rosinBudget(log);
  const rosined = log.rosinings.at(-1)?.at ?? -Infinity;
  const minutes = hoursBetween(log.playing, rosined, log.nowMs) * 60;
  const rehair = log.rehairs.findLast(({ known }) => known);
  const common = { minutes, budget };
  if (rehair && rehair.at > rosined && log.nowMs - rehair.at < NEW_HAIR_DAYS * DAY_MS)
    return { kind: 'new-hair', passes: 0, ...common };
  if (minutes < budget.dueFrom) return { kind: 'enough', passes: 0, ...common };
  const passes = Math.round(minutes / budget.scale / MINUTES_PER_PASS);
  return { kind: 'due', passes: Math.min(MOST_PASSES, Math.max(FEWEST_PASSES, passes)), ...common };
}

/** Hair rehaired longer ago than this has certainly been rosined, on record or not. */
const NEW_HAIR_DAYS = 30;
