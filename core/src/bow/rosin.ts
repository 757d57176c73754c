import { median } from 'simple-statistics';
import { hoursBetween, type InstrumentLog, type Mark } from '../log';
import { DAY_MS, MINUTE_MS } from '../time';

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

/** Rosinings so near to each other are one: a tap too many, or a second helping. From memory. */
const SAME_ROSINING_MS = 10 * MINUTE_MS;
const SAME_ROSINING_MINUTES = 10;

/** The last rosinings on record, so many at most, in order of time; those that belong together as the last of them. */
function lastRosinings({ rosinings, playing }: Pick<InstrumentLog, 'rosinings' | 'playing'>, most: number): Mark[] {
  const found: Mark[] = [];
  for (let at = rosinings.length - 1; at >= 0 && found.length < most; at--) {
    const [mark, next] = [rosinings[at]!, rosinings[at + 1]];
    const bowed = next ? hoursBetween(playing, mark.at, next.at) * 60 : Infinity;
    if (!next || (next.at - mark.at >= SAME_ROSINING_MS && bowed >= SAME_ROSINING_MINUTES)) found.push(mark);
  }
  return found.reverse();
}

/**
 * The rosin budget of this player: the trade's, scaled by the median bowing between their own rosinings once
 * three are on record. Rosinings within ten minutes, or less than ten minutes of bowing apart, count as one.
 * @returns bowing minutes, the scale (1 when no habit is known yet) and how many rosinings it rests on
 */
export function rosinBudget(log: InstrumentLog): RosinBudget & { scale: number; rosinings: number } {
  const marks = lastRosinings(log, HABIT_MEMORY);
  const gaps = marks.slice(1).map((mark, at) => hoursBetween(log.playing, marks[at]!.at, mark.at) * 60);
  const known = marks.length >= HABIT_ROSININGS;
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

/** Since when bowing counts against the rosin on the hair. */
export type RosinSince =
  | { kind: 'rosined'; at: number }
  /** Hair put on since, and no rosin on record: it has none. */
  | { kind: 'new-hair'; at: number }
  /** Nobody knows: nothing is on record since `at`, when the log or this hair begins. */
  | { kind: 'not-known'; at: number };

/** Hair rehaired longer ago than this has certainly been rosined, on record or not. */
const NEW_HAIR_DAYS = 30;

/** What the rosin on the hair dates from; `at` in ms, -Infinity for all of the log. */
export function rosinSince(log: Pick<InstrumentLog, 'rosinings' | 'rehairs' | 'nowMs'>): RosinSince {
  const rosined = log.rosinings.at(-1)?.at ?? -Infinity;
  const rehaired = log.rehairs.findLast(({ known }) => known)?.at ?? -Infinity;
  if (rehaired > rosined && log.nowMs - rehaired < NEW_HAIR_DAYS * DAY_MS) return { kind: 'new-hair', at: rehaired };
  return rosined > rehaired ? { kind: 'rosined', at: rosined } : { kind: 'not-known', at: rehaired };
}

/** What to do about rosin before playing. */
export interface RosinVerdict {
  /** new-hair: none on it yet; due: give it so many passes; enough: leave it. */
  kind: 'new-hair' | 'due' | 'enough';
  /** Light passes over the whole length; 0 when none are needed, and for new hair, which takes minutes. */
  passes: number;
  /** What its count begins with, and bowing since then, as far as the log goes, min. */
  since: RosinSince['kind'];
  minutes: number;
  budget: RosinBudget & { scale: number; rosinings: number };
}

/** One light pass for each quarter of an hour of bowing, from three to eight. From memory: "a few" in numbers. */
const MINUTES_PER_PASS = 15;
const FEWEST_PASSES = 3;
const MOST_PASSES = 8;

/** Bowing on record since the hair was rosined or put on; where nobody knows, since the log begins. Minutes. */
export function bowedSince(log: Pick<InstrumentLog, 'playing' | 'nowMs'>, { at }: RosinSince): number {
  return hoursBetween(log.playing, at, log.nowMs) * 60;
}

/**
 * The rosin verdict for today: by the bowing since the last rosining, in the player's own scale.
 * Hair put on since the last rosining has none on it.
 */
export function rosinVerdict(log: InstrumentLog): RosinVerdict {
  const budget = rosinBudget(log);
  const since = rosinSince(log);
  const minutes = bowedSince(log, since);
  const common = { since: since.kind, minutes, budget };
  if (since.kind === 'new-hair') return { kind: 'new-hair', passes: 0, ...common };
  if (minutes < budget.dueFrom) return { kind: 'enough', passes: 0, ...common };
  const passes = Math.round(minutes / budget.scale / MINUTES_PER_PASS);
  return { kind: 'due', passes: Math.min(MOST_PASSES, Math.max(FEWEST_PASSES, passes)), ...common };
}
