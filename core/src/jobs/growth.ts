import { linearRegression } from 'simple-statistics';
import type { InstrumentFacts } from '../instruments';
import type { Measure } from '../log';
import { DAY_MS, YEAR_DAYS } from '../time';

/** A violin's size by the player's arm, from the neck to the middle of the palm: at least so many mm [handbook 10, from memory]. */
export const VIOLIN_BY_ARM: readonly (readonly [size: string, leastMm: number])[] = [
  ['1/16', 380],
  ['1/8', 420],
  ['1/4', 460],
  ['1/2', 510],
  ['3/4', 560],
  ['4/4', 585],
];

/** How much a child's arm grows in a year where its own growth is not on record, mm, and how far that may be off. From memory. */
const USUAL_YEAR_MM = 25;
const USUAL_SPREAD = 0.4;
/** Readings tell of growth once they lie so far apart. From memory: a quarter of a year. */
const LEAST_DAYS = 90;
/** What is measured by tape is good to so many mm. From memory. */
const TAPE_MM = 5;
/** No arm grows faster, mm a year. From memory. */
const FASTEST_YEAR_MM = 80;

export interface NextSize {
  /** Length of the arm as measured last, mm, and when, ms. */
  armMm: number;
  at: number;
  /** The size such an arm plays; null: smaller than the smallest. */
  fits: string | null;
  /** It is due now: the arm already reaches a larger size than is played. */
  outgrown: boolean;
  /** The size after the one that fits; null: there is none. */
  next: string | null;
  /** When the arm reaches it: earliest, likeliest, latest, ms; null where it does not grow or nothing comes after. */
  window: { from: number; middle: number; to: number } | null;
  /** Growth a year, mm, and whether it was read off this player. */
  perYearMm: number;
  measured: boolean;
}

/** A year's growth from readings that lie far enough apart; null where they do not, or tell of none. */
function growthOf(readings: readonly Measure[]): { perYearMm: number; spread: number } | null {
  const [first, last] = [readings[0], readings.at(-1)];
  if (!first || !last) return null;
  const days = (last.at - first.at) / DAY_MS;
  if (days < LEAST_DAYS) return null;
  const { m } = linearRegression(readings.map(({ at, value }) => [(at - first.at) / DAY_MS / YEAR_DAYS, value]));
  if (m <= 0) return null;
  const perYearMm = Math.min(FASTEST_YEAR_MM, m);
  // Both ends of the line are off by what a tape is off.
  return { perYearMm, spread: Math.min(0.8, (Math.SQRT2 * TAPE_MM * YEAR_DAYS) / days / perYearMm + 0.1) };
}

/**
 * A violin player's next size and when, by the arm [handbook 10].
 * @param readings of the arm, mm, in order of time
 * @returns null where no arm was measured, or the instrument is not chosen by it
 */
export function nextSize(
  { family, size }: Pick<InstrumentFacts, 'family' | 'size'>,
  readings: readonly Measure[],
): NextSize | null {
  const last = readings.at(-1);
  if (family !== 'violin' || !last) return null;
  const reached = VIOLIN_BY_ARM.filter(([, least]) => last.value >= least);
  const fits = reached.at(-1)?.[0] ?? null;
  const after = VIOLIN_BY_ARM[reached.length] ?? null;
  const played = VIOLIN_BY_ARM.findIndex(([each]) => each === size);
  const grown = growthOf(readings);
  const { perYearMm, spread } = grown ?? { perYearMm: USUAL_YEAR_MM, spread: USUAL_SPREAD };
  const years = (rate: number) => (after ? (after[1] - last.value) / rate : 0);
  const at = (rate: number) => last.at + years(rate) * YEAR_DAYS * DAY_MS;
  return {
    armMm: last.value,
    at: last.at,
    fits,
    outgrown: played >= 0 && played < reached.length - 1,
    next: after?.[0] ?? null,
    window: after && {
      from: at(perYearMm * (1 + spread)),
      middle: at(perYearMm),
      to: at(perYearMm * (1 - spread)),
    },
    perYearMm,
    measured: grown !== null,
  };
}
