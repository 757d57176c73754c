import { median } from './log';

/** How far the middle half of some runs lies apart, against their median. */
const spreadOf = (values: readonly number[]): number => {
  const sorted = values.toSorted((a, b) => a - b);
  return (
    (sorted[Math.ceil(sorted.length * 0.75) - 1]! - sorted[Math.floor(sorted.length * 0.25)]!) / median([...values])
  );
};

/** From here on runs lie too far apart to tell anything. */
const NOISY = 0.25;

/** A figure against its baseline; said where its runs lie too far apart to tell anything. */
export function told(name: string, values: readonly number[], base: number): string {
  const middle = median([...values]);
  const noisy = spreadOf(values) > NOISY ? ' (noisy)' : '';
  return `${name}: ${middle.toFixed(0)} ms, ${(middle / base).toFixed(1)} × baseline${noisy}`;
}
