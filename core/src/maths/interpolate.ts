import { bisector } from 'd3-array';

/** A point of a line that is straight between its points. */
export type Anchor = readonly [at: number, value: number];

const byPlace = bisector<Anchor, number>(([at]) => at);

/**
 * The value at a place on a line that is straight between its points; before the first and after the last, their values.
 * @param anchors rising in their first number, at least one
 * @example alongLine([[0, 0], [10, 5]], 4) // 2
 */
export function alongLine(anchors: readonly Anchor[], at: number): number {
  const after = byPlace.right(anchors, at);
  const [from, to] = [anchors[after - 1], anchors[after]];
  if (!from) return to![1];
  if (!to) return from[1];
  return from[1] + ((to[1] - from[1]) * (at - from[0])) / (to[0] - from[0]);
}
