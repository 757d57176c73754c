import { Matrix, solve } from 'ml-matrix';

/** A point of a picture, px from its upper left corner, or of a plane, mm. */
export interface Point {
  x: number;
  y: number;
}

/** Corners in the order of a walk round them. */
export type Quad = readonly [Point, Point, Point, Point];

/** A line in normal form: a·x + b·y = c, with a² + b² = 1. */
export interface Line {
  a: number;
  b: number;
  c: number;
}

/** A map between planes as a camera makes it: nine numbers, row by row. */
export type Homography = readonly number[];

/** Corners that are none: crossed, in a row, or without an area. */
export class NoQuad extends Error {}

const cross = (o: Point, p: Point, q: Point) => (p.x - o.x) * (q.y - o.y) - (p.y - o.y) * (q.x - o.x);

/** Area of a quadrilateral by the shoelace formula, signed by its sense. */
export function area(quad: Quad): number {
  return quad.reduce((sum, p, at) => sum + (p.x * quad[(at + 1) % 4]!.y - quad[(at + 1) % 4]!.x * p.y) / 2, 0);
}

/** Whether a quadrilateral bends the same way at each corner: not crossed, and none in a row. */
export function isConvex(quad: Quad): boolean {
  const turns = quad.map((p, at) => cross(p, quad[(at + 1) % 4]!, quad[(at + 2) % 4]!));
  return turns.every((turn) => turn > 0) || turns.every((turn) => turn < 0);
}

/** The middle of four points: within them, where they are no more than corners of what was flat. */
const middleOf = (quad: Quad): Point => ({
  x: quad.reduce((sum, { x }) => sum + x, 0) / 4,
  y: quad.reduce((sum, { y }) => sum + y, 0) / 4,
});

/**
 * The map that takes four points to four others, by the direct linear transform. It is worked out about the middle of the four, which
 * never lies on their horizon: a picture's own corner can.
 * @throws NoQuad where either is crossed, or has no area
 */
export function homographyOf(from: Quad, to: Quad): Homography {
  if (!isConvex(from) || !isConvex(to))
    throw new NoQuad('Four corners, none of them in a row, the sides not crossing.');
  const rows: number[][] = [];
  const right: number[] = [];
  const middle = middleOf(from);
  from.forEach((corner, at) => {
    const [x, y] = [corner.x - middle.x, corner.y - middle.y];
    const { x: u, y: v } = to[at]!;
    rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y], [0, 0, 0, x, y, 1, -v * x, -v * y]);
    right.push(u, v);
  });
  const about = [...solve(new Matrix(rows), Matrix.columnVector(right)).to1DArray(), 1];
  return about.map((each, at) => (at % 3 === 2 ? each - about[at - 2]! * middle.x - about[at - 1]! * middle.y : each));
}

/** A point taken through a map. */
export function mapped(h: Homography, { x, y }: Point): Point {
  const w = h[6]! * x + h[7]! * y + h[8]!;
  return { x: (h[0]! * x + h[1]! * y + h[2]!) / w, y: (h[3]! * x + h[4]! * y + h[5]!) / w };
}

/** The map back. */
export function inverted(h: Homography): Homography {
  const [a, b, c, d, e, f, g, i, k] = h as [number, number, number, number, number, number, number, number, number];
  const cofactors = [e * k - f * i, c * i - b * k, b * f - c * e, f * g - d * k, a * k - c * g, c * d - a * f];
  const rest = [d * i - e * g, b * g - a * i, a * e - b * d];
  return [...cofactors, ...rest].map((each) => each / rest[2]!);
}

/** The line through two points. */
export function lineThrough(p: Point, q: Point): Line {
  const length = Math.hypot(q.x - p.x, q.y - p.y);
  const [a, b] = [(p.y - q.y) / length, (q.x - p.x) / length];
  return { a, b, c: a * p.x + b * p.y };
}

/** How far a point lies from a line, signed by its side. */
export const offLine = ({ a, b, c }: Line, { x, y }: Point): number => a * x + b * y - c;

/** Where two lines meet; null where they are as good as parallel. */
export function meeting(one: Line, other: Line): Point | null {
  const det = one.a * other.b - other.a * one.b;
  if (Math.abs(det) < 1e-9) return null;
  return { x: (one.c * other.b - other.c * one.b) / det, y: (one.a * other.c - other.a * one.c) / det };
}

/** Distance between two points. */
export const apart = (p: Point, q: Point): number => Math.hypot(p.x - q.x, p.y - q.y);

/** The point a share of the way from one to another. */
export const between = (p: Point, q: Point, share: number): Point => ({
  x: p.x + share * (q.x - p.x),
  y: p.y + share * (q.y - p.y),
});
