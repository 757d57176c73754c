import * as z from 'zod';
import { DOERS, type Doer, type DoneWork } from '../log';
import { DATED_PARTS, dueOf, subjectOf, type DatedPart, type Thread } from '../parts';
import { DAY_MS, MONTH_DAYS } from '../time';
import { factorAt, lifeFactor, type Life, type Pace } from '../wear';
import type { PlannedItem } from './plan';

const amount = z
  .number('Give the price as a number.')
  .min(0, 'A price is not negative.')
  .max(1_000_000, 'At most a million.');

/** What a piece of upkeep costs this player: a range, done by whom, on one instrument or on all of a family. */
export const priceSchema = z
  .strictObject({
    part: z.enum(DATED_PARTS),
    by: z.enum(DOERS),
    instrumentId: z.uuid().toLowerCase(),
    /** The bow it is for; left out or null: the instrument's own. */
    bowId: z.uuid().toLowerCase().nullable().optional(),
    low: amount,
    high: amount,
  })
  .refine(({ low, high }) => high >= low, { path: ['high'], error: 'The higher price comes second.' });
export type Price = z.infer<typeof priceSchema>;

export interface Range {
  low: number;
  middle: number;
  high: number;
}

/** What one part of one instrument will cost in the year ahead. */
export interface PartCost {
  instrumentId: string;
  bowId: string | null;
  part: DatedPart;
  who: Doer;
  /** How often it comes in the year: at least, likely, at most. */
  times: Range;
  /** null where no price is on record for who does it. */
  cost: Range | null;
  /** Middle of the year's cost done by oneself less that by the workshop; null unless both prices are known. */
  saved: number | null;
}

/** A year of costs, days. */
const COST_DAYS = 365;

/** Of what was paid for a part, so many of the last payments tell its price. From memory. */
const PAYMENTS_TOLD = 3;

/**
 * Prices that follow from what was paid for an instrument: the range of the last payments for each part, by who did it.
 * @param currency ISO 4217; what was paid in another tells nothing
 */
export function pricesPaid(instrumentId: string, works: readonly DoneWork[], currency: string): Price[] {
  const paid = new Map<string, { part: DatedPart; by: Doer; amounts: number[] }>();
  for (const { part, by, cost } of works) {
    const dated = DATED_PARTS.find((each) => each === part);
    if (!dated || !cost || cost.currency !== currency) continue;
    const known = paid.get(`${part} ${by}`) ?? { part: dated, by, amounts: [] };
    known.amounts.push(cost.amount);
    paid.set(`${part} ${by}`, known);
  }
  return [...paid.values()].map(({ part, by, amounts }) => {
    const last = amounts.slice(-PAYMENTS_TOLD);
    return { part, by, instrumentId, low: Math.min(...last), high: Math.max(...last) };
  });
}

/** What was paid in one currency since a moment. @param sinceMs ms since 1970 */
export function paidSince(works: readonly DoneWork[], currency: string, sinceMs: number): number {
  return works.reduce(
    (sum, { at, cost }) => (cost && cost.currency === currency && at >= sinceMs ? sum + cost.amount : sum),
    0,
  );
}

/** Days one life lasts at a pace of playing, for a factor of the rule. */
export function lifeDays({ hours, days }: Life, hoursPerDay: number, factor = 1): number {
  return factor / (hoursPerDay / hours + 1 / days);
}

/** How often something comes in a year when it comes first after so many days, and then again after each life. */
function timesIn(firstDays: number, life: number): number {
  return firstDays >= COST_DAYS ? 0 : 1 + Math.floor((COST_DAYS - Math.max(0, firstDays)) / Math.max(7, life));
}

/** How many times a part comes in the year ahead, by its window and its life. */
function timesOf(item: PlannedItem, thread: Thread | undefined, hoursPerDay: number, nowMs: number): Range {
  const inDays = (atMs: number) => (atMs - nowMs) / DAY_MS;
  const { early, middle, late } = item.window;
  if (thread?.part === 'checkup') {
    const life = thread.months * MONTH_DAYS;
    return {
      low: timesIn(inDays(late), life),
      middle: timesIn(inDays(middle), life),
      high: timesIn(inDays(early), life),
    };
  }
  const clock = thread && 'clock' in thread ? thread.clock : null;
  if (!clock) return { low: 0, middle: 1, high: 1 };
  const factor = clock.life.factor ?? lifeFactor([]);
  const life = (level: number) => lifeDays(clock.life, hoursPerDay, factorAt(factor, level));
  return {
    low: timesIn(inDays(late), life(0.9)),
    middle: timesIn(inDays(middle), life(0.5)),
    high: timesIn(inDays(early), life(0.1)),
  };
}

const middleOf = ({ low, high }: Price) => (low + high) / 2;

/**
 * What the year ahead costs, part by part. Nothing is invented: a part without a price has no cost.
 * @param prices what the player entered
 */
export function yearCosts(
  items: readonly PlannedItem[],
  assessmentOf: (item: PlannedItem) => { threads: readonly Thread[]; pace: Pace } | undefined,
  prices: readonly Price[],
  nowMs: number,
): PartCost[] {
  const priced = items.filter(({ part }) => !dueOf(part).free);
  return priced.map((item) => {
    const { instrumentId, bowId, part, who } = item;
    const assessment = assessmentOf(item);
    const thread = assessment?.threads.find((each) => each.part === part);
    const times = timesOf(item, thread, assessment?.pace.hoursPerDay ?? 0, nowMs);
    const price = (by: Doer) =>
      prices.find((each) => each.part === part && each.by === by && subjectOf(each) === subjectOf(item));
    const mine = price(who);
    const [self, shop] = [price('self'), price('workshop')];
    return {
      instrumentId,
      bowId,
      part,
      who,
      times,
      cost: mine
        ? { low: times.low * mine.low, middle: times.middle * middleOf(mine), high: times.high * mine.high }
        : null,
      saved: self && shop ? times.middle * (middleOf(shop) - middleOf(self)) : null,
    };
  });
}

/** Adds up what is known. */
export function totalCost(costs: readonly Pick<PartCost, 'cost'>[]): Range & { missing: number } {
  return costs.reduce(
    (sum, { cost }) =>
      cost
        ? { ...sum, low: sum.low + cost.low, middle: sum.middle + cost.middle, high: sum.high + cost.high }
        : { ...sum, missing: sum.missing + 1 },
    { low: 0, middle: 0, high: 0, missing: 0 },
  );
}

/** What an hour of playing costs in upkeep, at the expected pace; null when next to nothing is played. */
export function costPerHour(total: Range, hoursPerDay: number): Range | null {
  const hours = hoursPerDay * COST_DAYS;
  return hours < 5 ? null : { low: total.low / hours, middle: total.middle / hours, high: total.high / hours };
}
