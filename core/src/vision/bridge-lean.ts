import { robustLine, type LineFit } from './fits';
import { apart, between, lineThrough, mapped, meeting, offLine, type Point } from './geometry';
import { edgeAcross, pictureFault, type Grey, type PictureFault } from './picture';
import { isOnCard, withSpread, type CardPlane, type PhotoReading } from './plane';
import { edgesOf, type Segment } from './segments';

/** Two ends of a line in a picture, px. */
export type PictureLine = readonly [Point, Point];

/** The lean of a bridge as it was read, and the lines it was read by. */
export interface LeanReading {
  /** Between the top, on the side of the tailpiece, and the face of the bridge there, degrees: 90 is square. */
  angle: PhotoReading;
  top: PictureLine;
  /** Its foot first. */
  face: PictureLine;
}

/** On which side of the picture the tailpiece lies. */
export type TailpieceSide = 'left' | 'right';

export type LeanFault = PictureFault | 'no-bridge' | 'bridge-unclear';

/** Places along each line at which its edge is looked for, and how near to its ends. */
const SAMPLES = 60;
const END_SHARE = 0.08;
/**
 * What a camera that is not quite square to the bridge adds to an angle near 90, degrees, where no card tells how it was held. Derived:
 * turned by α and β about its two axes, an angle near 90 is off by tan α · tan β; 6° each make 0.63°.
 */
const NOT_SQUARE_SD = 0.5;
/** Lines whose edge scatters more than that are none to read by, px. */
const UNCLEAR_PX = 2;

/** An edge along a stretch, to a fraction of a pixel. */
function edgeAlong(picture: Grey, [from, to]: PictureLine, reach: number): LineFit | null {
  const { a, b } = lineThrough(from, to);
  const points = Array.from({ length: SAMPLES }, (_, at) => {
    const share = END_SHARE + ((1 - 2 * END_SHARE) * (at + 0.5)) / SAMPLES;
    return edgeAcross(picture, between(from, to, share), a, b, reach);
  }).filter((edge) => edge !== null && Math.abs(edge.rise) > 6) as Point[];
  return points.length < SAMPLES / 2 ? null : robustLine(points);
}

/** Where a stretch ends along a line that was fitted near it. */
function alongFit([from, to]: PictureLine, { line }: LineFit): PictureLine {
  const foot = (p: Point) => {
    const off = offLine(line, p);
    return { x: p.x - line.a * off, y: p.y - line.b * off };
  };
  return [foot(from), foot(to)];
}

const degrees = (radians: number) => (radians * 180) / Math.PI;

/**
 * The angle of a face on a top, on the side of the tailpiece, degrees.
 * @param top from left to right in the picture; @param face its foot first
 */
export function leanOf([p, q]: PictureLine, [foot, head]: PictureLine, tailpiece: TailpieceSide): number {
  const sign = tailpiece === 'right' ? 1 : -1;
  const t = { x: sign * (q.x - p.x), y: sign * (q.y - p.y) };
  const f = { x: head.x - foot.x, y: head.y - foot.y };
  const cos = (t.x * f.x + t.y * f.y) / Math.hypot(t.x, t.y) / Math.hypot(f.x, f.y);
  return degrees(Math.acos(Math.max(-1, Math.min(1, cos))));
}

/**
 * The lean of a bridge seen from the side, by lines a person or the finder has laid near the top and the face to the tailpiece.
 * @param plane that of a card held beside it; null: none, and the camera is taken to be held square
 * @param within how far off they may be, px
 */
export function readLean(
  picture: Grey,
  [top, face]: readonly [PictureLine, PictureLine],
  tailpiece: TailpieceSide,
  plane: CardPlane | null,
  within = 6,
): LeanReading | LeanFault {
  const level: PictureLine = top[0].x <= top[1].x ? top : [top[1], top[0]];
  let lines = [level, face] as readonly [PictureLine, PictureLine];
  let fits: LineFit[] = [];
  for (const reach of [within, 3]) {
    const found = lines.map((line) => edgeAlong(picture, line, reach));
    if (found.some((fit) => fit === null)) return 'bridge-unclear';
    fits = found as LineFit[];
    lines = lines.map((line, at) => alongFit(line, fits[at]!)) as unknown as [PictureLine, PictureLine];
  }
  if (fits.some(({ scatter }) => scatter > UNCLEAR_PX)) return 'bridge-unclear';
  const foot = meeting(fits[0]!.line, fits[1]!.line);
  if (!foot) return 'bridge-unclear';
  const [one, other] = lines[1];
  const upright: PictureLine = apart(foot, one) < apart(foot, other) ? [one, other] : [other, one];
  const seenSd = Math.hypot(degrees(fits[0]!.turnSd), degrees(fits[1]!.turnSd));
  const lean = (by: CardPlane | null) => {
    const seen = (line: PictureLine) => (by ? (line.map((p) => mapped(by.toMm, p)) as unknown as PictureLine) : line);
    return leanOf(seen(lines[0]), seen(upright), tailpiece);
  };
  // What lies a little before or behind the card's plane is larger, not turned.
  const angle = plane
    ? withSpread(plane, lean, Math.hypot(seenSd, EDGE_TURN), 0)
    : { value: lean(null), sd: Math.hypot(seenSd, NOT_SQUARE_SD) };
  return { angle, top: lines[0], face: upright };
}

/** What lens, blur and compression turn an edge as a whole, degrees. Tried on rendered scenes. */
const EDGE_TURN = 0.26;

/** What the top and a face of the bridge look like: shares of the picture's width and height; degrees. From memory. */
const TOP_SHARE = 0.3;
const TOP_TURN = 30;
const FACE_SHARE = 0.1;
const FACE_LEAN = [68, 112] as const;
/** How thick a bridge is at its feet, as a share of the length of a face that is seen. From memory. */
const THICK_SHARE = [0.06, 0.4] as const;
/** How far from the top a face may end, as a share of its length. */
const STANDS_SHARE = 0.3;

/** An edge with its lower end first, and how far that lies above a line. */
function standing(top: Segment, { from, to }: Segment): { low: Point; high: Point; off: number } {
  const up = offLine(top.line, { x: top.from.x, y: top.from.y - 1 }) > 0 ? 1 : -1;
  const [one, other] = [up * offLine(top.line, from), up * offLine(top.line, to)];
  return one < other ? { low: from, high: to, off: one } : { low: to, high: from, off: other };
}

/**
 * The bridge in a picture taken from the side: the longest level edge is the top; of two upright edges that stand on it as far from
 * each other as a bridge is thick, the one on the side of the tailpiece is the face.
 */
export function findBridge(
  picture: Grey,
  tailpiece: TailpieceSide,
  plane: CardPlane | null,
  edges = edgesOf(picture),
): LeanReading | LeanFault {
  const fault = pictureFault(picture);
  if (fault) return fault;
  const { slopes, inPicture, factor } = edges;
  // The card's own edges are level and upright too.
  const ofCard = (p: Point) => plane !== null && isOnCard(mapped(plane.toMm, inPicture(p)));
  const segments = edges.segments.filter(({ from, to }) => !(ofCard(from) && ofCard(to)));
  const isLevel = ({ from, to, length }: Segment) =>
    length > TOP_SHARE * slopes.width &&
    Math.abs(degrees(Math.atan((to.y - from.y) / (to.x - from.x || 1e-9)))) < TOP_TURN;
  const found: { reading: LeanReading; score: number; x: number; length: number }[] = [];
  for (const top of segments.filter(isLevel).slice(0, 6)) {
    const level: PictureLine = top.from.x <= top.to.x ? [top.from, top.to] : [top.to, top.from];
    for (const face of segments) {
      if (face.length < FACE_SHARE * slopes.height) continue;
      const { low, high, off } = standing(top, face);
      if (Math.abs(off) > STANDS_SHARE * face.length) continue;
      const lean = leanOf(level, [low, high], tailpiece);
      if (lean < FACE_LEAN[0] || lean > FACE_LEAN[1]) continue;
      const lines = [level, [low, high]].map((line) => line.map(inPicture)) as unknown as [PictureLine, PictureLine];
      const reading = readLean(picture, lines, tailpiece, plane, 3 * factor + 1);
      if (typeof reading === 'string') continue;
      found.push({ reading, score: top.length * face.length, x: low.x, length: face.length });
    }
  }
  const best = Math.max(0, ...found.map(({ score }) => score));
  const likely = found.filter(({ score }) => score > 0.45 * best);
  // Of its two faces, each alone could be either: both must be seen.
  const side = tailpiece === 'right' ? 1 : -1;
  const outer = likely.filter((each) =>
    likely.some(({ x }) => {
      const thick = (side * (each.x - x)) / each.length;
      return thick >= THICK_SHARE[0] && thick <= THICK_SHARE[1];
    }),
  );
  outer.sort((a, b) => b.score - a.score);
  return outer[0]?.reading ?? 'no-bridge';
}
