import { randomLcg, randomLogNormal, randomNormal } from 'd3-random';
import { v7 } from 'uuid';

/** Seeded dice: the same seed gives the same history. */
export interface Chance {
  /** True with the given probability. */
  happens(probability: number): boolean;
  /** Uniform between two bounds. */
  between(low: number, high: number): number;
  normal(mean: number, sd: number): number;
  /** Log-normal about a median. */
  about(median: number, logSd: number): number;
  /** A version 7 UUID stamped with an instant, ms since 1970. */
  id(atMs: number): string;
}

export function chanceFrom(seed: number): Chance {
  const source = randomLcg(seed);
  return {
    happens: (probability) => source() < probability,
    between: (low, high) => low + (high - low) * source(),
    normal: (mean, sd) => randomNormal.source(source)(mean, sd)(),
    about: (median, logSd) => randomLogNormal.source(source)(Math.log(median), logSd)(),
    id: (atMs) =>
      v7({
        msecs: Math.round(atMs),
        random: Uint8Array.from({ length: 16 }, () => source() * 256),
        seq: Math.floor(source() * 0x7fffffff),
      }),
  };
}
