import { EigenvalueDecomposition, Matrix, solve } from 'ml-matrix';
import { median } from 'simple-statistics';
import { offLine, type Line, type Point } from './geometry';

/** A line through points that were seen, and how well it is known. */
export interface LineFit {
  line: Line;
  /** Middle of what it rests on. */
  centre: Point;
  /** sd of a single point about it. */
  scatter: number;
  /** sd of the line's place at its centre, and of its direction, rad. */
  placeSd: number;
  turnSd: number;
  /** Points it rests on, and all there were. */
  used: number;
  of: number;
}

/** Points off by more than so many times the scatter are not of the line. */
const OUTLIER = 2.5;
/** The scatter that a fine edge has at the least, px: below it nothing is told apart. */
const LEAST_SCATTER = 0.03;
const ROUNDS = 8;

/** The line of least squared distances through weighted points: the direction of their greatest spread. */
export function leastSquaresLine(
  points: readonly Point[],
  weights: readonly number[],
): { line: Line; centre: Point; spread: number } {
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const mean = (of: (p: Point) => number) => points.reduce((sum, p, at) => sum + weights[at]! * of(p), 0) / total;
  const centre = { x: mean((p) => p.x), y: mean((p) => p.y) };
  const xx = mean((p) => (p.x - centre.x) ** 2);
  const yy = mean((p) => (p.y - centre.y) ** 2);
  const xy = mean((p) => (p.x - centre.x) * (p.y - centre.y));
  const { eigenvectorMatrix, realEigenvalues } = new EigenvalueDecomposition(
    new Matrix([
      [xx, xy],
      [xy, yy],
    ]),
  );
  const [a, b] = [eigenvectorMatrix.get(0, 0), eigenvectorMatrix.get(1, 0)];
  return { line: { a, b, c: a * centre.x + b * centre.y }, centre, spread: Math.max(0, realEigenvalues[1]!) };
}

/** Robust sd: the median of the absolute values, as of a normal distribution. */
const robustSd = (values: readonly number[]) => Math.max(LEAST_SCATTER, 1.4826 * median(values.map(Math.abs)));

/** The line through two of the points from which the median point is least far: half of them may be of something else. */
function leastMedianLine(points: readonly Point[]): Line | null {
  let best: { line: Line; off: number } | null = null;
  const stride = Math.max(1, Math.floor(points.length / 14));
  for (let one = 0; one < points.length; one += stride) {
    for (let other = one + 2 * stride; other < points.length; other += stride) {
      const [p, q] = [points[one]!, points[other]!];
      const length = Math.hypot(q.x - p.x, q.y - p.y);
      if (length < 1e-9) continue;
      const line: Line = { a: (p.y - q.y) / length, b: (q.x - p.x) / length, c: 0 };
      line.c = line.a * p.x + line.b * p.y;
      const off = median(points.map((each) => Math.abs(offLine(line, each))));
      if (!best || off < best.off) best = { line, off };
    }
  }
  return best?.line ?? null;
}

/**
 * A line through points of which some are not of it: least median of squares first, then least squares of those that lie near.
 * @returns null where fewer than a half, or fewer than six, agree
 */
export function robustLine(points: readonly Point[]): LineFit | null {
  if (points.length < 6) return null;
  let line = leastMedianLine(points);
  if (!line) return null;
  let used: readonly Point[] = points;
  let fit = leastSquaresLine(
    points,
    points.map(() => 1),
  );
  let scatter = LEAST_SCATTER;
  for (let round = 0; round < ROUNDS; round++) {
    const off = points.map((p) => offLine(line!, p));
    scatter = robustSd(off);
    const near = points.filter((_p, at) => Math.abs(off[at]!) <= OUTLIER * scatter);
    if (near.length < 6 || near.length < points.length / 2) return null;
    if (near.length === used.length && round > 1) break;
    used = near;
    fit = leastSquaresLine(
      used,
      used.map(() => 1),
    );
    line = fit.line;
  }
  const rest = used.map((p) => offLine(line!, p));
  const sd = Math.max(LEAST_SCATTER, Math.sqrt(rest.reduce((sum, each) => sum + each * each, 0) / (used.length - 2)));
  const along = Math.sqrt(fit.spread * used.length);
  return {
    line,
    centre: fit.centre,
    scatter: sd,
    placeSd: sd / Math.sqrt(used.length),
    turnSd: along > 0 ? sd / along : Math.PI,
    used: used.length,
    of: points.length,
  };
}

/** y = p0 + p1·x + p2·x² through points, some of which are not of it. */
export interface CurveFit {
  at: (x: number) => number;
  coefficients: readonly [number, number, number];
  scatter: number;
  used: number;
  /** sd of the curve's height in the middle of its points. */
  placeSd: number;
}

function parabola(points: readonly Point[]): [number, number, number] {
  const rows = points.map(({ x }) => [1, x, x * x]);
  const [p0, p1, p2] = solve(new Matrix(rows), Matrix.columnVector(points.map(({ y }) => y)), true).to1DArray();
  return [p0!, p1!, p2!];
}

/** A parabola through most of the points; null where fewer than a half, or fewer than eight, agree. */
export function robustParabola(points: readonly Point[]): CurveFit | null {
  if (points.length < 8) return null;
  let used: readonly Point[] = points;
  let scatter = LEAST_SCATTER;
  let coefficients: [number, number, number] = [0, 0, 0];
  for (let round = 0; round < ROUNDS; round++) {
    coefficients = parabola(used);
    const [p0, p1, p2] = coefficients;
    const off = points.map(({ x, y }) => y - (p0 + p1 * x + p2 * x * x));
    scatter = robustSd(off);
    const near = points.filter((_p, at) => Math.abs(off[at]!) <= OUTLIER * scatter);
    if (near.length < 8 || near.length < points.length / 2) return null;
    if (near.length === used.length && round > 0) break;
    used = near;
  }
  const [p0, p1, p2] = coefficients;
  const at = (x: number) => p0 + p1 * x + p2 * x * x;
  const sd = Math.sqrt(used.reduce((sum, { x, y }) => sum + (y - at(x)) ** 2, 0) / (used.length - 3));
  // In the middle of evenly spaced points a parabola is known as the mean is, but for a factor of one and a half.
  return { at, coefficients, scatter: sd, used: used.length, placeSd: (1.5 * sd) / Math.sqrt(used.length) };
}
