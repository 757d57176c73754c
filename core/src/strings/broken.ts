import { recordOf, type Family } from '../instruments';

/** What a verdict on a broken string rests on. */
export interface BrokenCase {
  family: Family;
  /** Wear and age of the other strings, and the longest that the set takes to settle. */
  others: readonly { wear: number | null; daysOn: number | null }[];
  /** Days that a new set, and the one string, take to settle. */
  settleDays: { one: number; set: number };
  /** Days until the next performance; null when none is known. */
  performanceInDays: number | null;
  /** What lies in the cupboard. */
  spares: { one: boolean; set: boolean };
}

export type BrokenReason =
  | { code: 'others-fresh'; days: number }
  | { code: 'others-half'; wear: number }
  | { code: 'others-old'; days: number; wear: number | null }
  | { code: 'others-unknown' }
  | { code: 'fretted'; days: number }
  | { code: 'each-alone' }
  | { code: 'performance'; days: number; settleDays: number }
  | { code: 'spare'; what: 'one' | 'set' }
  | { code: 'no-spare'; what: 'one' | 'set' };

export interface BrokenVerdict {
  /** Replace the one, or the set with it. */
  answer: 'one' | 'set';
  /** The rest of the set follows once the performance is over. */
  restAfter: boolean;
  /** What is fitted now is not settled by the performance: tune often, and play it in. */
  unsettled: boolean;
  reasons: BrokenReason[];
}

/** After two to three weeks fretted strings sound duller than a new one beside them [handbook 4]. */
export const FRETTED_FRESH_DAYS = 21;
/** Bowed strings past half their life are an old set. From memory: the handbook says only "an old set". */
export const OLD_SET_WEAR = 0.5;

/**
 * One string broke: this one, or the set? On an old set the whole, on a fresh one just the one [handbook 4];
 * never the whole within its settling time before a performance. A harp's strings are of many ages anyway.
 */
export function brokenVerdict({ family, others, settleDays, performanceInDays, spares }: BrokenCase): BrokenVerdict {
  const reasons: BrokenReason[] = [];
  const wears = others.flatMap(({ wear }) => wear ?? []);
  const ages = others.flatMap(({ daysOn }) => daysOn ?? []);
  const wear = wears.length > 0 ? Math.max(...wears) : null;
  const days = ages.length > 0 ? Math.max(...ages) : null;
  const { renewed } = recordOf(family).strings;
  let old = false;
  if (renewed === 'each-alone') reasons.push({ code: 'each-alone' });
  else if (days === null) reasons.push({ code: 'others-unknown' });
  else if (renewed === 'by-brilliance') {
    old = days > FRETTED_FRESH_DAYS;
    reasons.push(old ? { code: 'fretted', days } : { code: 'others-fresh', days });
  } else {
    old = wear !== null && wear >= OLD_SET_WEAR;
    if (old) reasons.push({ code: 'others-old', days, wear });
    else if (days <= FRETTED_FRESH_DAYS) reasons.push({ code: 'others-fresh', days });
    else reasons.push({ code: 'others-half', wear: wear ?? 0 });
  }
  const close = (settles: number) =>
    performanceInDays !== null && performanceInDays >= 0 && performanceInDays < settles;
  let answer: 'one' | 'set' = old ? 'set' : 'one';
  const restAfter = answer === 'set' && close(settleDays.set);
  if (restAfter) answer = 'one';
  if (close(settleDays.set)) {
    reasons.push({ code: 'performance', days: performanceInDays!, settleDays: settleDays[restAfter ? 'set' : answer] });
  }
  reasons.push(spares[answer] ? { code: 'spare', what: answer } : { code: 'no-spare', what: answer });
  return { answer, restAfter, unsettled: close(settleDays[answer]), reasons };
}
