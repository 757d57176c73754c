import { robustLine, type LineFit } from './fits';
import { apart, between, lineThrough, meeting, offLine, type Point } from './geometry';
import { edgeAcross, pictureFault, type Grey, type PictureFault } from './picture';
import type { PhotoReading } from './plane';
import { lookedAt, segmentsOf, slopesOf, type Segment } from './segments';

/** Two ends of a line in a picture, px. */
export type PictureLine = readonly [Point, Point];

/** The lean of a bridge as it was read, and the lines it was read by. */
export interface LeanReading {
  /** Between the top, on the side of the tailpiece, and the face of the bridge there, degrees: 90 is square. */
  angle: PhotoReading;
  top: PictureLine;
  face: PictureLine;
}

/** On which side of the picture the tailpiece lies. */
export type TailpieceSide = 'left' | 'right';

export type LeanFault = PictureFault | 'no-bridge' | 'bridge-unclear';

/** Places along each line at which its edge is looked for, and how near to its ends. */
const SAMPLES = 60;
const END_SHARE = 0.08;
/** What a camera that is not quite square to the bridge adds to an angle near 90, degrees. Derived: 5° off about both axes turn it by tan² 5° = 0.44°. */
const NOT_SQUARE_SD = 0.35;
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

const turn = (radians: number) => (radians * 180) / Math.PI;

/** The angle of a face on a top, on the side of the tailpiece, degrees. @param face its foot first */
export function leanOf(top: PictureLine, face: PictureLine, tailpiece: TailpieceSide): number {
  const [p, q] = top;
  const toRight = q.x >= p.x;
  const sign = (tailpiece === 'right') === toRight ? 1 : -1;
  const t = { x: sign * (q.x - p.x), y: sign * (q.y - p.y) };
  const f = { x: face[1].x - face[0].x, y: face[1].y - face[0].y };
  const cos = (t.x * f.x + t.y * f.y) / Math.hypot(t.x, t.y) / Math.hypot(f.x, f.y);
  return turn(Math.acos(Math.max(-1, Math.min(1, cos))));
}

/**
 * The lean of a bridge seen from the side, by lines a person or the finder has laid near the top and the face to the tailpiece.
 * @param within how far off they may be, px
 */
export function readLean(
  picture: Grey,
  top: PictureLine,
  face: PictureLine,
  tailpiece: TailpieceSide,
  within = 6,
): LeanReading | LeanFault {
  let lines = [top, face] as readonly [PictureLine, PictureLine];
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
  const sd = Math.hypot(turn(fits[0]!.turnSd), turn(fits[1]!.turnSd), NOT_SQUARE_SD);
  return { angle: { value: leanOf(lines[0], upright, tailpiece), sd }, top: lines[0], face: upright };
}

/** What the top and a face of the bridge look like: shares of the picture's width and height; degrees. From memory. */
const TOP_SHARE = 0.3;
const TOP_TURN = 30;
const FACE_SHARE = 0.1;
const FACE_LEAN = [68, 112] as const;
/** How far from the top a face may end, as a share of its length. */
const STANDS_SHARE = 0.3;

/** An edge with its lower end first, and how far that lies above a line. */
function standing(top: Segment, { from, to }: Segment): { low: Point; high: Point; off: number } {
  const up = offLine(top.line, { x: top.from.x, y: top.from.y - 1 }) > 0 ? 1 : -1;
  const [one, other] = [up * offLine(top.line, from), up * offLine(top.line, to)];
  return one < other ? { low: from, high: to, off: one } : { low: to, high: from, off: other };
}

/**
 * The bridge in a picture taken from the side: the longest level edge is the top; of the upright edges that stand on it, the one
 * farthest to the side of the tailpiece is the face.
 */
export function findBridge(picture: Grey, tailpiece: TailpieceSide): LeanReading | LeanFault {
  const fault = pictureFault(picture);
  if (fault) return fault;
  const { small, factor } = lookedAt(picture);
  const full = ({ x, y }: Point): Point => ({ x: (x + 0.5) * factor - 0.5, y: (y + 0.5) * factor - 0.5 });
  const segments = segmentsOf(slopesOf(small));
  const isLevel = ({ from, to, length }: Segment) =>
    length > TOP_SHARE * small.width && Math.abs(turn(Math.atan((to.y - from.y) / (to.x - from.x || 1e-9)))) < TOP_TURN;
  const found: { reading: LeanReading; score: number; x: number }[] = [];
  for (const top of segments.filter(isLevel).slice(0, 6)) {
    for (const face of segments) {
      if (face.length < FACE_SHARE * small.height) continue;
      const { low, high, off } = standing(top, face);
      if (Math.abs(off) > STANDS_SHARE * face.length) continue;
      const lean = leanOf([top.from, top.to], [low, high], tailpiece);
      if (lean < FACE_LEAN[0] || lean > FACE_LEAN[1]) continue;
      const reading = readLean(
        picture,
        [full(top.from), full(top.to)],
        [full(low), full(high)],
        tailpiece,
        3 * factor + 1,
      );
      if (typeof reading === 'string') continue;
      found.push({ reading, score: top.length * face.length, x: low.x });
    }
  }
  const best = Math.max(0, ...found.map(({ score }) => score));
  const likely = found.filter(({ score }) => score > 0.45 * best);
  likely.sort((a, b) => (tailpiece === 'right' ? b.x - a.x : a.x - b.x));
  return likely[0]?.reading ?? 'no-bridge';
}
