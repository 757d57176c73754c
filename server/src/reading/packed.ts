import type { Reading } from '@tembrin/core';

const FIELDS = ['atS', 'rhHundredths', 'tempHundredths', 'lowHundredths', 'highHundredths'] as const;

/** Readings as numbers in one block, which is handed from thread to thread at once; NaN where nothing was read. */
export function packed(readings: readonly Reading[]): Float64Array {
  const block = new Float64Array(readings.length * FIELDS.length);
  for (const [at, reading] of readings.entries())
    for (const [field, name] of FIELDS.entries()) block[at * FIELDS.length + field] = reading[name] ?? NaN;
  return block;
}

/** The readings of a block. */
export function unpacked(block: Float64Array): Reading[] {
  const known = (value: number | undefined) => (value === undefined || Number.isNaN(value) ? null : value);
  return Array.from({ length: block.length / FIELDS.length }, (_, row) => {
    const [at, rh, temp, low, high] = block.subarray(row * FIELDS.length, (row + 1) * FIELDS.length);
    return {
      atS: at!,
      rhHundredths: rh!,
      tempHundredths: known(temp),
      lowHundredths: known(low),
      highHundredths: known(high),
    };
  });
}
