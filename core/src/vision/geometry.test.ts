import fc from 'fast-check';
import { Matrix, SingularValueDecomposition } from 'ml-matrix';
import { linearRegression } from 'simple-statistics';
import { mulberry32, normals } from '../testing/dice';
import { CARD_MM } from './card';
import { robustLine, robustParabola } from './fits';
import {
  apart,
  area,
  homographyOf,
  inverted,
  isConvex,
  mapped,
  meeting,
  NoQuad,
  type Point,
  type Quad,
} from './geometry';
import { readLength, planeOf } from './plane';

const unit = fc.double({ min: -1, max: 1, noNaN: true });
/** A quadrilateral about a place, none of its corners moved far enough to cross. */
const anyQuad: fc.Arbitrary<Quad> = fc.array(fc.tuple(unit, unit), { minLength: 4, maxLength: 4 }).map(
  (moves) =>
    [
      [0, 0],
      [100, 0],
      [100, 60],
      [0, 60],
    ].map(([x, y], at) => ({
      x: x! + 18 * moves[at]![0]! + 200,
      y: y! + 18 * moves[at]![1]! + 150,
    })) as unknown as Quad,
);
const CARD: Quad = [
  { x: 0, y: 0 },
  { x: CARD_MM.long, y: 0 },
  { x: CARD_MM.long, y: CARD_MM.short },
  { x: 0, y: CARD_MM.short },
];

/** The same map by the textbook's way: the right singular vector of the least singular value [Hartley and Zisserman, Multiple View Geometry, 4.1]. */
function bySvd(from: Quad, to: Quad): number[] {
  const rows = from.flatMap(({ x, y }, at) => {
    const { x: u, y: v } = to[at]!;
    return [
      [-x, -y, -1, 0, 0, 0, u * x, u * y, u],
      [0, 0, 0, -x, -y, -1, v * x, v * y, v],
    ];
  });
  const { rightSingularVectors } = new SingularValueDecomposition(new Matrix([...rows, new Array<number>(9).fill(0)]));
  const h = rightSingularVectors.getColumn(8);
  return h.map((each) => each / h[8]!);
}

describe('homographies', () => {
  test('are those a general library finds, on any quadrilateral', () => {
    fc.assert(
      fc.property(anyQuad, (quad) => {
        const own = homographyOf(quad, CARD);
        const other = bySvd(quad, CARD);
        for (const p of [...quad, { x: 240, y: 170 }]) {
          const [a, b] = [mapped(own, p), mapped(other, p)];
          expect(apart(a, b)).toBeLessThan(1e-4);
        }
      }),
    );
  });

  test('take corners to corners, and back', () => {
    fc.assert(
      fc.property(anyQuad, (quad) => {
        const h = homographyOf(quad, CARD);
        quad.forEach((corner, at) => {
          expect(apart(mapped(h, corner), CARD[at]!)).toBeLessThan(1e-6);
          expect(apart(mapped(inverted(h), CARD[at]!), corner)).toBeLessThan(1e-6);
        });
      }),
    );
  });

  test('of corners that are none are refused: crossed, in a row, without an area', () => {
    const [p, q, r, s] = CARD;
    expect(() => homographyOf([p, r, q, s], CARD)).toThrow(NoQuad);
    expect(() => homographyOf([p, p, p, p], CARD)).toThrow(NoQuad);
    expect(() => homographyOf([p, { x: 1, y: 0 }, { x: 2, y: 0 }, { x: 3, y: 0 }], CARD)).toThrow(NoQuad);
    expect(isConvex([p, q, r, s])).toBe(true);
    expect(area(CARD)).toBeCloseTo(85.6 * 53.98, 8);
  });
});

describe('lines', () => {
  test('meet where they cross, and nowhere where they are parallel', () => {
    expect(meeting({ a: 1, b: 0, c: 3 }, { a: 0, b: 1, c: 4 })).toEqual({ x: 3, y: 4 });
    expect(meeting({ a: 1, b: 0, c: 3 }, { a: 1, b: 0, c: 5 })).toBeNull();
  });

  test('through flat points are those of ordinary least squares', () => {
    const uniform = mulberry32(7);
    const normal = normals(uniform);
    const points = Array.from({ length: 80 }, (_, x) => ({ x, y: 12 + 0.02 * x + 0.1 * normal() }));
    const { m, b } = linearRegression(points.map(({ x, y }) => [x, y]));
    const { line, scatter, used } = robustLine(points)!;
    expect(-line.a / line.b).toBeCloseTo(m, 3);
    expect(line.c / line.b).toBeCloseTo(b, 1);
    expect(scatter).toBeCloseTo(0.1, 1);
    expect(used).toBeGreaterThan(70);
  });

  test('are not drawn aside by points of something else, up to four in ten', () => {
    const uniform = mulberry32(11);
    const points: Point[] = Array.from({ length: 100 }, (_, x) => ({
      x,
      y: x % 5 < 2 ? 40 + 30 * uniform() : 5 + 0.1 * uniform(),
    }));
    const fit = robustLine(points)!;
    expect(fit.line.c / fit.line.b).toBeCloseTo(5.05, 1);
    expect(fit.used).toBe(60);
    expect(robustLine(points.slice(0, 5))).toBeNull();
  });

  test('a parabola is found through outliers too', () => {
    const points = Array.from({ length: 60 }, (_, at) => ({
      x: at - 30,
      y: at % 6 === 0 ? 90 : 7 + 0.002 * (at - 30) ** 2,
    }));
    const fit = robustParabola(points)!;
    expect(fit.at(0)).toBeCloseTo(7, 6);
    expect(fit.coefficients[2]).toBeCloseTo(0.002, 6);
  });
});

const ON_HORIZON: Quad = [
  { x: 200, y: 150 },
  { x: 300, y: 132 },
  { x: 300, y: 210 },
  { x: 200, y: 210 },
];

describe('what is read in the plane of a card', () => {
  test('is in millimetres, whatever the picture’s scale and turn', () => {
    fc.assert(
      fc.property(
        anyQuad,
        fc.double({ min: 0.3, max: 8, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (quad, scale, turn) => {
          const [c, s] = [Math.cos(turn) * scale, Math.sin(turn) * scale];
          const moved = (p: Point) => ({ x: c * p.x - s * p.y + 40, y: s * p.x + c * p.y - 90 });
          const read = (corners: Quad, p: Point, q: Point) =>
            readLength(planeOf({ corners, cornerSd: [0.2, 0.2, 0.2, 0.2] }), p, q);
          const [p, q] = [
            { x: 210, y: 160 },
            { x: 280, y: 200 },
          ];
          const [one, other] = [read(quad, p, q), read(quad.map(moved) as unknown as Quad, moved(p), moved(q))];
          expect(Math.abs(one.value - other.value)).toBeLessThan(1e-5 * one.value + 1e-6);
        },
      ),
      // The picture's own corner lies on the horizon of the card's plane.
      { examples: [[ON_HORIZON, 0.3, 0]] },
    );
  });

  test('is uncertain by what lies off the plane: 5 mm at 400 mm are 1.2 percent', () => {
    // Handbook 9, derived: z/d. A plane nearer by z is seen larger by d/(d − z).
    expect(400 / (400 - 5) - 1).toBeCloseTo(0.0127, 3);
    const corners = CARD.map(({ x, y }) => ({ x: x * 10, y: y * 10 })) as unknown as Quad;
    const { value, sd } = readLength(planeOf({ corners, cornerSd: [0, 0, 0, 0] }), { x: 0, y: 0 }, { x: 400, y: 0 }, 0);
    expect(value).toBeCloseTo(40, 8);
    expect(sd / value).toBeCloseTo(3 / 400, 6);
  });
});
