type Point = readonly [x: number, y: number];
/** A cubic curve from where the one before ended: two control points and its end. */
type Curve = readonly [number, number, number, number, number, number];

/** A smooth stretch of an outline. Between two of them stands a corner, cut straight. */
export interface Run {
  from: Point;
  curves: readonly Curve[];
}

const short = (value: number) => Number(value.toFixed(1));

/** An outline as a path. */
export function outlineOf(runs: readonly Run[]): string {
  return runs
    .map(
      ({ from, curves }, at) =>
        `${at === 0 ? 'M' : 'L'}${from.join(' ')}${curves.map((curve) => `C${curve.join(' ')}`).join('')}`,
    )
    .join('');
}

/** Points along a curve that are looked at. */
const SAMPLES = 7;

/** Points a distance inside a stretch; inside is to the right of the way it goes. */
function inside({ from, curves }: Run, distance: number): Point[] {
  const points: Point[] = [];
  let [x0, y0] = from;
  for (const [x1, y1, x2, y2, x3, y3] of curves) {
    for (let at = points.length === 0 ? 0 : 1; at <= SAMPLES; at++) {
      const [t, s] = [at / SAMPLES, 1 - at / SAMPLES];
      const mix = (a: number, b: number, c: number, d: number) =>
        s ** 3 * a + 3 * s * s * t * b + 3 * s * t * t * c + t ** 3 * d;
      const slope = (a: number, b: number, c: number, d: number) =>
        s * s * (b - a) + 2 * s * t * (c - b) + t * t * (d - c);
      const [dx, dy] = [slope(x0, x1, x2, x3), slope(y0, y1, y2, y3)];
      const length = Math.hypot(dx, dy) || 1;
      points.push([mix(x0, x1, x2, x3) - (dy / length) * distance, mix(y0, y1, y2, y3) + (dx / length) * distance]);
    }
    [x0, y0] = [x3, y3];
  }
  return points;
}

/**
 * A line inside an outline, as purfling runs: beside its edge, and drawn out to a point in each corner.
 * @param distance from the edge
 */
export function insetOf(runs: readonly Run[], distance: number): string {
  const points: Point[] = [];
  runs.forEach((run, at) => {
    const own = inside(run, distance);
    const before = points.at(-1);
    if (before && at > 0) {
      // The point is drawn half way out into the corner, between the two lines that meet there.
      const [last] = runs[at - 1]!.curves.slice(-1);
      const corner = [(last![4] + run.from[0]) / 2, (last![5] + run.from[1]) / 2] as const;
      const between = [(before[0] + own[0]![0]) / 2, (before[1] + own[0]![1]) / 2] as const;
      points.push([between[0] + (corner[0] - between[0]) * 0.4, between[1] + (corner[1] - between[1]) * 0.4]);
    }
    points.push(...own);
  });
  return `M${points.map(([x, y]) => `${short(x)} ${short(y)}`).join('L')}`;
}
