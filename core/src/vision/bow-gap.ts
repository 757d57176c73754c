import { robustLine, robustParabola } from './fits';
import { apart, lineThrough, mapped, offLine, type Point, type Quad } from './geometry';
import { edgeAcross, shadeAt, type Grey } from './picture';
import { isOnCard, planeOf, pxPerMmAt, withSpread, type CardPlane, type PhotoReading } from './plane';
import { edgesOf } from './segments';

/** A bow from the side as it was read. */
export interface BowReading {
  /** Between hair and stick at the narrowest, mm. */
  gap: PhotoReading;
  /** The ends of the hair's edge that was read, and where the gap is narrowest: on the hair, on the stick; px. */
  hair: readonly [Point, Point];
  narrowest: readonly [Point, Point];
}

/** Why a bow could not be read. */
export type BowFault = 'no-bow' | 'bow-unclear';

/** Places along the hair at which it is looked across. */
const ACROSS = 56;
/** Where the hair's edges and the stick are looked for, mm from the line through the handles. From memory: bows are no larger. */
const HAIR_MM = 3.5;
const STICK_MM = [1.5, 34] as const;
/** Edges weaker than so many shades are none. */
const FAINT = 9;

interface Across {
  /** Millimetres along the hair, and above it towards the stick. */
  along: number;
  height: number;
  rise: number;
}

/** Every edge on a way across the bow, from below the hair to above the stick, in the frame of the hair. */
function edgesAcross(picture: Grey, plane: CardPlane, base: Point, direction: Point, normal: Point): Across[] {
  const at = (t: number): Point => mapped(plane.toPx, { x: base.x + normal.x * t, y: base.y + normal.y * t });
  const [from, to] = [at(-HAIR_MM), at(STICK_MM[1])];
  const length = apart(from, to);
  const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length];
  const step = 0.5;
  const count = Math.floor(length / step);
  const shades: number[] = [];
  for (let index = 0; index <= count; index++) {
    const shade = shadeAt(picture, from.x + ux * index * step, from.y + uy * index * step);
    shades.push(shade);
  }
  const slope = (index: number) => {
    let sum = 0;
    for (let by = 1; by <= 4; by++) sum += (shades[index + by] ?? NaN) - (shades[index - by] ?? NaN);
    return sum / 4;
  };
  const found: Across[] = [];
  for (let index = 6; index < count - 6; index++) {
    const here = Math.abs(slope(index));
    if (!(here > FAINT) || here < Math.abs(slope(index - 1)) || here <= Math.abs(slope(index + 1))) continue;
    const near = { x: from.x + ux * index * step, y: from.y + uy * index * step };
    const edge = edgeAcross(picture, near, ux, uy, 1.5);
    if (!edge) continue;
    const mm = mapped(plane.toMm, edge);
    const [dx, dy] = [mm.x - base.x, mm.y - base.y];
    found.push({
      along: dx * direction.x + dy * direction.y,
      height: dx * normal.x + dy * normal.y,
      rise: edge.rise,
    });
  }
  return found;
}

/** Heights at which edges gather, the strongest gathering first. */
function gatherings(edges: readonly Across[], binMm: number): number[] {
  const bins = new Map<number, number>();
  for (const { height } of edges) {
    const bin = Math.round(height / binMm);
    for (const by of [-1, 0, 1]) bins.set(bin + by, (bins.get(bin + by) ?? 0) + (by === 0 ? 1 : 0.5));
  }
  return [...bins].sort((a, b) => b[1] - a[1]).map(([bin]) => bin * binMm);
}

/** How thick hair is, seen from the side, and a stick, mm. From memory: a band that is a little turned shows more of its width. */
const HAIR_THICK = [0.4, 3] as const;
const STICK_THICK = [3.5, 13] as const;
/** Share of the ways across that must agree. */
const AGREED = 0.55;

/** A straight edge at a height that most ways across meet; null where there is none. */
function straightAt(ways: readonly (readonly Across[])[], height: number) {
  const own = ways.flatMap((way) => {
    const close = way.filter((edge) => Math.abs(edge.height - height) < 0.7);
    const nearer = (a: Across, b: Across) => (Math.abs(b.height - height) < Math.abs(a.height - height) ? b : a);
    return close.length === 0 ? [] : [close.reduce(nearer)];
  });
  const fit =
    own.length < ways.length * AGREED ? null : robustLine(own.map((edge) => ({ x: edge.along, y: edge.height })));
  if (!fit || Math.abs(fit.line.b) < 0.95) return null;
  const rising = own.filter(({ rise }) => rise > 0).length / own.length;
  return { height: fit.line.c / fit.line.b, fit, sign: rising > 0.8 ? 1 : rising < 0.2 ? -1 : 0 };
}

/**
 * The edge of the hair towards the stick. Hair is a thin band: two straight edges close together, one brighter upwards and one
 * downwards. @param strict false: a person has pointed at it, and one edge will do
 */
function hairEdge(ways: readonly (readonly Across[])[], strict: boolean) {
  const near = ways.flat().filter(({ height }) => Math.abs(height) < HAIR_MM);
  const edges = gatherings(near, 0.25)
    .slice(0, 8)
    .flatMap((height) => straightAt(ways, height) ?? [])
    .sort((a, b) => b.height - a.height);
  const [least, most] = HAIR_THICK;
  const banded = edges.find((upper) =>
    edges.some((lower) => {
      const thick = upper.height - lower.height;
      return thick >= least && thick <= most && upper.sign * lower.sign < 0;
    }),
  );
  return (banded ?? (strict ? undefined : edges[0]))?.fit ?? null;
}

/**
 * The edge of the stick towards the hair: on each way the first that stands out beyond the hair, and has another behind it as far off
 * as a stick is thick.
 */
function stickEdge(ways: readonly (readonly Across[])[], hairAt: (along: number) => number, strict: boolean) {
  const firsts = ways.flatMap((way) => {
    const beyond = way.filter(({ along, height }) => height > hairAt(along) + STICK_MM[0] && height < STICK_MM[1]);
    if (beyond.length === 0) return [];
    const strongest = Math.max(...beyond.map(({ rise }) => Math.abs(rise)));
    const first = beyond.find(({ rise }) => Math.abs(rise) > 0.45 * strongest)!;
    const behind = beyond.some(({ height, rise }) => {
      const thick = height - first.height;
      return thick >= STICK_THICK[0] && thick <= STICK_THICK[1] && rise * first.rise < 0;
    });
    return behind || !strict ? [{ x: first.along, y: first.height }] : [];
  });
  return firsts.length < ways.length * AGREED ? null : robustParabola(firsts);
}

/** What blur and compression move an edge as a whole, px: more than its points scatter. Tried on rendered scenes. */
const EDGE_BIAS_PX = 0.25;

/** Reads the gap on one side of the hair; null where there is no stick there. */
function readOnSide(picture: Grey, plane: CardPlane, from: Point, to: Point, side: 1 | -1, strict: boolean) {
  const [p, q] = [mapped(plane.toMm, from), mapped(plane.toMm, to)];
  const length = apart(p, q);
  const direction = { x: (q.x - p.x) / length, y: (q.y - p.y) / length };
  const normal = { x: -direction.y * side, y: direction.x * side };
  const ways = Array.from({ length: ACROSS }, (_, index) => {
    const along = (length * (index + 0.5)) / ACROSS;
    const base = { x: p.x + direction.x * along, y: p.y + direction.y * along };
    return edgesAcross(picture, plane, base, direction, normal).map((edge) => ({ ...edge, along: edge.along + along }));
  });
  const hair = hairEdge(ways, strict);
  if (!hair) return null;
  const hairAt = (along: number) => (hair.line.c - hair.line.a * along) / hair.line.b;
  const stick = stickEdge(ways, hairAt, strict);
  if (!stick) return null;
  let narrowest = { along: 0, gap: Infinity };
  for (let index = 0; index <= 100; index++) {
    const along = (length * index) / 100;
    const gap = stick.at(along) - hairAt(along);
    if (gap < narrowest.gap) narrowest = { along, gap };
  }
  const point = (along: number, height: number) =>
    mapped(plane.toPx, {
      x: p.x + direction.x * along + normal.x * height,
      y: p.y + direction.y * along + normal.y * height,
    });
  return {
    gapMm: narrowest.gap,
    sd: Math.hypot(hair.placeSd, stick.placeSd, (EDGE_BIAS_PX * Math.SQRT2) / pxPerMmAt(plane, from)),
    /** Scatter of what was read against its gap: the smaller, the clearer. */
    clear: Math.hypot(hair.scatter, stick.scatter) / narrowest.gap,
    bend: stick.coefficients[2],
    hair: [point(0, hairAt(0)), point(length, hairAt(length))] as const,
    narrowest: [
      point(narrowest.along, hairAt(narrowest.along)),
      point(narrowest.along, stick.at(narrowest.along)),
    ] as const,
  };
}

/** Gaps that bows have, mm, and scatter from which nothing is clear. From memory. */
const GAPS_MM = [1, 30] as const;
const UNCLEAR = 0.12;

/**
 * The gap of a bow from the side, in the plane of a card beside it.
 * @param from one end of the stretch of hair to read, px, within 3 mm of it; @param to the other
 * @param strict only what has the thickness of hair and of a stick: nobody has pointed at it
 */
export function readBow(
  picture: Grey,
  plane: CardPlane,
  from: Point,
  to: Point,
  strict = false,
): BowReading | BowFault {
  const sides = ([1, -1] as const).flatMap((side) => readOnSide(picture, plane, from, to, side, strict) ?? []);
  const fair = sides.filter(({ gapMm }) => gapMm >= GAPS_MM[0] && gapMm <= GAPS_MM[1]);
  const best = fair.sort((a, b) => a.clear - b.clear)[0];
  if (!best) return 'no-bow';
  if (best.clear > UNCLEAR) return 'bow-unclear';
  const [onHair, onStick] = best.narrowest;
  const gap = withSpread(
    plane,
    (tried) => {
      // Across the hair as it lies in the plane that is tried.
      const [p, q, r] = [best.hair[0], best.hair[1], onStick].map((each) => mapped(tried.toMm, each));
      return Math.abs(offLine(lineThrough(p!, q!), r!));
    },
    best.sd,
  );
  return { gap, hair: best.hair, narrowest: [onHair, onStick] };
}

/** Shortest stretch of hair that is read, mm. */
const LEAST_HAIR_MM = 55;
/** Straight edges that are tried as hair. */
const MOST_TRIED = 14;

/** The bow in a picture with a card: of all long straight edges that which has a stick beside it, bent towards it. */
export function findBow(picture: Grey, plane: CardPlane, edges = edgesOf(picture)): BowReading | BowFault {
  const tried = edges.segments
    .map(({ from, to }) => [edges.inPicture(from), edges.inPicture(to)] as const)
    .filter(([from, to]) => {
      const [p, q] = [mapped(plane.toMm, from), mapped(plane.toMm, to)];
      return apart(p, q) >= LEAST_HAIR_MM && !(isOnCard(p) && isOnCard(q));
    })
    .slice(0, MOST_TRIED);
  let best: { reading: BowReading; score: number } | null = null;
  let unclear = false;
  for (const [from, to] of tried) {
    const reading = readBow(picture, plane, from, to, true);
    if (reading === 'bow-unclear') unclear = true;
    if (typeof reading === 'string') continue;
    const score = apart(from, to) / pxPerMmAt(plane, from) / (1 + reading.gap.sd * 4);
    if (!best || score > best.score) best = { reading, score };
  }
  return best?.reading ?? (unclear ? 'bow-unclear' : 'no-bow');
}

/** The plane of a card given by its corners alone, as a person has set them. @param sd px */
export const planeByHand = (corners: Quad, sd: number): CardPlane => planeOf({ corners, cornerSd: [sd, sd, sd, sd] });
