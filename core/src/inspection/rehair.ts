import type { Finding } from '../log';

/** What becomes of a bow after a look at it. */
export type HairVerdict = 'well' | 'watch' | 'rehair' | 'rehair-or-bow';

/** The verdict of the bow part of a look-over. @param found what is open on the bow @param now its hair is due by its thread */
export function hairVerdict(
  found: readonly Pick<Finding, 'look' | 'verdict'>[],
  now: boolean,
  student: boolean,
): HairVerdict {
  const ofHair = found.filter(({ look }) => look.startsWith('hair-'));
  const act = now || ofHair.some(({ verdict }) => verdict === 'act');
  if (act) return student ? 'rehair-or-bow' : 'rehair';
  return ofHair.length > 0 ? 'watch' : 'well';
}

/** What a rehair is held against. Prices in one currency; months. */
export interface RehairQuestion {
  rehairPrice: number;
  bowPrice: number;
  /** How long hair lasts at this pace. */
  hairMonths: number;
  /** How long the size will still be played; null: it is not outgrown. */
  sizeMonths: number | null;
}

/** What each way costs until the size is outgrown, or in the life of one hair, and which is cheaper. */
export interface RehairAnswer {
  months: number;
  rehairs: number;
  rehairCost: number;
  /** The new bow, and the rehairs it wants after the hair it came with. */
  bowCost: number;
  cheaper: 'rehair' | 'bow' | 'equal';
}

/**
 * Rehair, or another bow [handbook 9]: the price of the rehairs until the size is outgrown against that of a bow with new hair.
 * @throws RangeError for a price or a time that is not positive
 */
export function rehairOrBow({ rehairPrice, bowPrice, hairMonths, sizeMonths }: RehairQuestion): RehairAnswer {
  if (rehairPrice < 0 || bowPrice < 0 || hairMonths <= 0 || (sizeMonths !== null && sizeMonths <= 0))
    throw new RangeError('Prices are not negative, and times are positive.');
  const months = sizeMonths ?? hairMonths;
  const rehairs = Math.max(1, Math.ceil(months / hairMonths - 1e-9));
  const rehairCost = rehairs * rehairPrice;
  const bowCost = bowPrice + (rehairs - 1) * rehairPrice;
  return {
    months,
    rehairs,
    rehairCost,
    bowCost,
    cheaper: bowCost < rehairCost ? 'bow' : bowCost > rehairCost ? 'rehair' : 'equal',
  };
}
