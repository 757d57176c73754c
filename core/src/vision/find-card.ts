import { CARD_MM } from './card';
import { robustLine, type LineFit } from './fits';
import {
  apart,
  area,
  between,
  isConvex,
  lineThrough,
  meeting,
  type Homography,
  type Point,
  type Quad,
} from './geometry';
import { edgeAcross, pictureFault, type EdgePoint, type Grey, type PictureFault } from './picture';
import { edgesOf, type Edges, type Segment, type Slopes } from './segments';

/** A card as it lies in a picture. */
export interface FoundCard {
  /** Its corners, as if they were not rounded, the first two at the ends of a long edge, px. */
  corners: Quad;
  /** How well each is known, px. */
  cornerSd: readonly [number, number, number, number];
}

/** Why a card was not found, and what to do. */
export type CardFault = PictureFault | 'no-card' | 'card-too-small' | 'card-cut-off' | 'card-bent';

const SHAPE = CARD_MM.long / CARD_MM.short;

/** Focal lengths that are tried, of the longer side of the picture: from a phone's wide lens to its tele. */
const FOCAL = [0.65, 0.8, 1, 1.3, 2] as const;
/** The same more finely, for a rectangle whose corners are well known: steps of six percent. */
const FINE_FOCAL = Array.from({ length: 22 }, (_, at) => 0.6 * 1.06 ** at);
/** How far from a card's shape a rectangle may be, and its sides from a right angle, as a cosine. Tried on rendered scenes. */
const SHAPE_OFF = 0.07;
const SQUARE_OFF = 0.12;

/** The map from the unit square to a quadrilateral, in closed form [Heckbert 1989, Fundamentals of Texture Mapping and Image Warping, 2.2.3]. */
function fromUnitSquare([p, q, r, s]: Quad): Homography | null {
  const [dx1, dx2, sx] = [q.x - r.x, s.x - r.x, p.x - q.x + r.x - s.x];
  const [dy1, dy2, sy] = [q.y - r.y, s.y - r.y, p.y - q.y + r.y - s.y];
  const det = dx1 * dy2 - dx2 * dy1;
  if (Math.abs(det) < 1e-12) return null;
  const [g, h] = [(sx * dy2 - sy * dx2) / det, (dx1 * sy - dy1 * sx) / det];
  return [q.x - p.x + g * q.x, s.x - p.x + h * s.x, p.x, q.y - p.y + g * q.y, s.y - p.y + h * s.y, p.y, g, h, 1];
}

/**
 * How far a quadrilateral is from being a card seen by a camera whose middle is the picture's: the relative error of its shape, by
 * the focal length that fits best. Its long side is the first one.
 * @returns Infinity where it is none
 */
export function shapeError(quad: Quad, width: number, height: number, focals: readonly number[] = FOCAL): number {
  const middle = { x: width / 2, y: height / 2 };
  const side = Math.max(width, height);
  const h = fromUnitSquare(
    quad.map(({ x, y }) => ({ x: (x - middle.x) / side, y: (y - middle.y) / side })) as unknown as Quad,
  );
  if (!h) return Infinity;
  let best = Infinity;
  for (const focal of focals) {
    const edge = (at: number) => [h[at]! / focal, h[3 + at]! / focal, h[6 + at]!] as const;
    const [one, other] = [edge(0), edge(1)];
    const [long, short] = [Math.hypot(...one), Math.hypot(...other)];
    const cos = Math.abs(one[0] * other[0] + one[1] * other[1] + one[2] * other[2]) / long / short;
    const off = Math.abs(Math.log(long / short / SHAPE));
    if (off < SHAPE_OFF && cos < SQUARE_OFF) best = Math.min(best, off + 0.3 * cos);
  }
  return best;
}

/** Share of a side along which there is an edge of the right direction, brighter on the same side all along. */
function support({ width, height, gx, gy, thin }: Slopes, from: Point, to: Point): number {
  const { a, b } = lineThrough(from, to);
  const count = Math.max(16, Math.min(60, Math.round(apart(from, to) / 3)));
  let brighter = 0;
  let darker = 0;
  for (let at = 0; at < count; at++) {
    const { x, y } = between(from, to, 0.07 + (0.86 * (at + 0.5)) / count);
    let found = 0;
    for (let off = -2; off <= 2 && found === 0; off++) {
      const [px, py] = [Math.round(x + a * off), Math.round(y + b * off)];
      if (px < 1 || py < 1 || px >= width - 1 || py >= height - 1) continue;
      for (const near of [0, 1, -1, width, -width]) {
        const place = py * width + px + near;
        const size = thin[place]!;
        if (size === 0) continue;
        const dot = (gx[place]! * a + gy[place]! * b) / size;
        if (Math.abs(dot) > 0.9) {
          found = Math.sign(dot);
          break;
        }
      }
    }
    if (found > 0) brighter++;
    if (found < 0) darker++;
  }
  return Math.max(brighter, darker) / count;
}

/** Two edges that meet near an end of each. */
interface Corner {
  one: number;
  other: number;
  at: Point;
}

/** How near to its end an edge must meet another, px and as a share of its length: corners are rounded, and a stripe may hide one. */
const MEETS_WITHIN = 14;
const MEETS_SHARE = 0.5;

function cornersOf(segments: readonly Segment[]): Corner[] {
  const found: Corner[] = [];
  for (let one = 0; one < segments.length; one++) {
    for (let other = one + 1; other < segments.length; other++) {
      const [s, t] = [segments[one]!, segments[other]!];
      if (Math.abs(s.line.a * t.line.a + s.line.b * t.line.b) > 0.72) continue;
      const at = meeting(s.line, t.line);
      if (!at) continue;
      const near = ({ from, to, length }: Segment) =>
        Math.min(apart(from, at), apart(to, at)) < MEETS_WITHIN + MEETS_SHARE * length;
      if (near(s) && near(t)) found.push({ one, other, at });
    }
  }
  return found;
}

/** Quadrilaterals whose sides are four of the edges, meeting at all four corners. */
function quadsOf(segments: readonly Segment[]): Quad[] {
  const corners = cornersOf(segments);
  const meets = new Map<number, Map<number, Point>>();
  const join = (one: number, other: number, at: Point) => {
    const own = meets.get(one) ?? new Map<number, Point>();
    own.set(other, at);
    meets.set(one, own);
  };
  for (const { one, other, at } of corners) {
    join(one, other, at);
    join(other, one, at);
  }
  const quads: Quad[] = [];
  let tried = 0;
  for (const [first, firsts] of meets) {
    const besides = [...firsts.keys()].filter((each) => each > first);
    for (let a = 0; a < besides.length; a++) {
      for (let b = a + 1; b < besides.length; b++) {
        const [left, right] = [besides[a]!, besides[b]!];
        for (const [opposite, p] of meets.get(left)!) {
          if (++tried > MOST_TRIED) return quads;
          if (opposite <= first || opposite === right) continue;
          const q = meets.get(right)!.get(opposite);
          if (q) quads.push([firsts.get(left)!, p, q, firsts.get(right)!]);
          if (quads.length >= MOST_QUADS) return quads;
        }
      }
    }
  }
  return quads;
}
/** However many edges a picture has, no more quadrilaterals are looked into than these, and no more ways to make one. */
const MOST_QUADS = 40_000;
const MOST_TRIED = 4_000_000;

/** Quadrilaterals that are looked into closely, and how near to each other the corners of one and the same lie, px of the copy. */
const MOST_LIKELY = 8;
const SAME_PX = 5;
/** Least of the picture that a card takes up, and least of each side that must be seen as an edge. */
const LEAST_AREA = 0.008;
const LEAST_SUPPORT = 0.55;

/** Turned so that its long edge comes first; null where neither way round it is a card. */
function asCard(quad: Quad, width: number, height: number): { quad: Quad; error: number } | null {
  const [p, q, r, s] = quad;
  const turned: Quad = [q, r, s, p];
  const [one, other] = [shapeError(quad, width, height), shapeError(turned, width, height)];
  if (!Number.isFinite(Math.min(one, other))) return null;
  return one <= other ? { quad, error: one } : { quad: turned, error: other };
}

/** Whether opposite sides are of about one length, and neighbouring ones of a card's proportion as far as one can tell at a glance. */
function isLikely(quad: Quad, leastArea: number): boolean {
  if (!isConvex(quad) || Math.abs(area(quad)) < leastArea) return false;
  const [a, b, c, d] = quad.map((corner, at) => apart(corner, quad[(at + 1) % 4]!)) as [number, number, number, number];
  const like = (p: number, q: number, most: number) => p < most * q && q < most * p;
  const ratio = (a + c) / (b + d);
  return like(a, c, 1.9) && like(b, d, 1.9) && ((ratio > 1.05 && ratio < 2.6) || (ratio < 0.95 && ratio > 0.38));
}

/** The quadrilaterals that look most like a card, the likeliest first, no two of them nearly the same. */
function propose({ slopes, segments }: Edges): Quad[] {
  const { width, height } = slopes;
  const found: { quad: Quad; score: number }[] = [];
  for (const each of quadsOf(segments)) {
    if (!isLikely(each, LEAST_AREA * width * height)) continue;
    const card = asCard(each, width, height);
    if (!card) continue;
    const sides = card.quad.map((corner, at) => support(slopes, corner, card.quad[(at + 1) % 4]!));
    const least = Math.min(...sides);
    if (least < LEAST_SUPPORT) continue;
    const mean = sides.reduce((sum, side) => sum + side, 0) / 4;
    const score = mean * (1 - 3 * card.error) * Math.abs(area(each)) ** 0.25;
    found.push({ quad: card.quad, score });
  }
  found.sort((a, b) => b.score - a.score);
  const likely: typeof found = [];
  for (const each of found) {
    if (likely.length === MOST_LIKELY) break;
    const same = likely.some(({ quad }) =>
      quad.every((corner) => each.quad.some((other) => apart(corner, other) < SAME_PX)),
    );
    if (!same) likely.push(each);
  }
  return likely.map(({ quad }) => quad);
}

/** Edges looked for on each side, between so much of it from either corner: those are rounded. */
const SAMPLES = 90;
const CORNER_SHARE = 0.09;
/** A side that is bent by more than this many px, or a thousandth of its length, is no straight edge. */
const BENT_PX = 1.1;

/** A side of the card to a fraction of a pixel. */
function refinedSide(picture: Grey, from: Point, to: Point, reach: number): LineFit | null {
  const { a, b } = lineThrough(from, to);
  const points: EdgePoint[] = [];
  for (let at = 0; at < SAMPLES; at++) {
    const share = CORNER_SHARE + ((1 - 2 * CORNER_SHARE) * (at + 0.5)) / SAMPLES;
    const edge = edgeAcross(picture, between(from, to, share), a, b, reach);
    if (edge && Math.abs(edge.rise) > 6) points.push(edge);
  }
  // Of two kinds of edge, brighter inwards or outwards, those there are more of are the card's.
  const brighter = points.filter(({ rise }) => rise > 0);
  const own = brighter.length * 2 >= points.length ? brighter : points.filter(({ rise }) => rise < 0);
  return own.length < SAMPLES / 3 ? null : robustLine(own);
}

/**
 * Corners of a card to a fraction of a pixel, from corners that lie near them.
 * @param within how far off they may be, px
 */
export function refineCard(picture: Grey, corners: Quad, within: number): FoundCard | CardFault {
  let quad = corners;
  let fits: LineFit[] = [];
  for (const reach of [within, Math.max(2.5, within / 3)]) {
    const sides = quad.map((corner, at) => refinedSide(picture, corner, quad[(at + 1) % 4]!, reach));
    if (sides.some((side) => side === null)) return 'no-card';
    fits = sides as LineFit[];
    const met = fits.map((fit, at) => meeting(fits[(at + 3) % 4]!.line, fit.line));
    if (met.some((corner) => corner === null)) return 'no-card';
    quad = met as unknown as Quad;
    if (!isConvex(quad)) return 'no-card';
  }
  const { width, height } = picture;
  if (quad.some(({ x, y }) => x < 1 || y < 1 || x > width - 2 || y > height - 2)) return 'card-cut-off';
  if (fits.some(({ scatter }, at) => scatter > BENT_PX + apart(quad[at]!, quad[(at + 1) % 4]!) / 1000))
    return 'card-bent';
  const sdAt = (at: number) => {
    const sides = [fits[(at + 3) % 4]!, fits[at]!];
    return Math.hypot(
      ...sides.map(({ placeSd, turnSd, centre }) => Math.hypot(placeSd, turnSd * apart(centre, quad[at]!))),
    );
  };
  return { corners: quad, cornerSd: [sdAt(0), sdAt(1), sdAt(2), sdAt(3)] };
}

/** Shortest long edge that is measured by, px. */
const LEAST_EDGE_PX = 90;

/**
 * The bank-size card in a picture, its corners to a fraction of a pixel.
 * Straight edges are found in a smaller copy; four that meet, have edges all along and the shape of a card seen from somewhere
 * are it; its sides are then fitted in the picture itself.
 * @returns the card, or why there is none
 */
export function findCard(picture: Grey, edges = edgesOf(picture)): FoundCard | CardFault {
  const fault = pictureFault(picture);
  if (fault) return fault;
  const { inPicture, factor } = edges;
  let best: { card: FoundCard; error: number } | null = null;
  let why: CardFault = 'no-card';
  for (const quad of propose(edges)) {
    const card = refineCard(picture, quad.map(inPicture) as unknown as Quad, 3 * factor + 3);
    if (typeof card === 'string') {
      if (why === 'no-card') why = card;
      continue;
    }
    // Beside a longer edge several rectangles have sides that are seen: the card is one that has a card's shape to a hair.
    const error = shapeError(card.corners, picture.width, picture.height, FINE_FOCAL);
    if (!best || error < best.error) best = { card, error };
    if (error < CLOSE) break;
  }
  if (!best) return why;
  if (best.error > FAR) return 'no-card';
  const [p, q, r, s] = best.card.corners;
  return (apart(p, q) + apart(r, s)) / 2 < LEAST_EDGE_PX ? 'card-too-small' : best.card;
}
/** A rectangle of so small an error of its shape is the card; one of more than that is none. Tried on rendered scenes. */
const CLOSE = 0.004;
const FAR = 0.02;

/** Whether what was found is a card. */
export const isCard = (found: FoundCard | CardFault): found is FoundCard => typeof found !== 'string';
