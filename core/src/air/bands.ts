/** A band of relative humidity, fractions. */
export interface Band {
  low: number;
  high: number;
}

export type BandSchool = 'A' | 'B';

/** Bands of relative humidity by school [handbook 3]. School C has no fixed level; see `steadiness`. */
export const BANDS: Readonly<Record<BandSchool, { ideal: Band; acceptable: Band }>> = {
  A: { ideal: { low: 0.45, high: 0.55 }, acceptable: { low: 0.4, high: 0.6 } },
  B: { ideal: { low: 0.5, high: 0.6 }, acceptable: { low: 0.4, high: 0.6 } },
};

export type OutSide = 'dry' | 'damp';

/** On which side a humidity lies outside a band; null inside it. */
export function outside(rh: number, { low, high }: Band): OutSide | null {
  return rh < low ? 'dry' : rh > high ? 'damp' : null;
}
