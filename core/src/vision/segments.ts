import { halved, type Grey } from './picture';
import { lineThrough, type Line, type Point } from './geometry';

/** Looked up once: these run for each pixel. */
const { abs, atan2, ceil, cos, floor, hypot, max, min, PI, round, sin, sqrt } = Math;

/** Slopes of a picture: how steep, and which way brighter, at each pixel; thin edges alone are kept. */
export interface Slopes {
  width: number;
  height: number;
  gx: Float32Array;
  gy: Float32Array;
  /** Steepness where it is greater than on either side across the edge; 0 elsewhere. */
  thin: Float32Array;
  /** Steepness from which it is an edge. */
  least: number;
}

/** A straight edge between two ends. */
export interface Segment {
  from: Point;
  to: Point;
  line: Line;
  length: number;
}

/** Longest side at which edges are looked for, px. */
const LOOK_SIDE = 720;
/** Edges are the steepest pixels, so many of a hundred at most. */
const STEEP_PERCENT = 10;
const LEAST_STEEP = 10;

/** A picture small enough to be looked through, and by how much smaller it is. */
function lookedAt(picture: Grey): { small: Grey; factor: number } {
  let small = picture;
  let factor = 1;
  while (max(small.width, small.height) > LOOK_SIDE * 1.4) {
    small = halved(small);
    factor *= 2;
  }
  return { small, factor };
}

/** Slopes by Sobel's masks, thinned across the edge. */
function slopesOf({ width, height, data }: Grey): Slopes {
  const count = width * height;
  const gx = new Float32Array(count);
  const gy = new Float32Array(count);
  const steep = new Float32Array(count);
  const histogram = new Uint32Array(512);
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      const at = y * width + x;
      const up = at - width;
      const down = at + width;
      const right = data[up + 1]! + 2 * data[at + 1]! + data[down + 1]!;
      const left = data[up - 1]! + 2 * data[at - 1]! + data[down - 1]!;
      const below = data[down - 1]! + 2 * data[down]! + data[down + 1]!;
      const above = data[up - 1]! + 2 * data[up]! + data[up + 1]!;
      gx[at] = (right - left) / 4;
      gy[at] = (below - above) / 4;
      const size = sqrt(gx[at]! * gx[at]! + gy[at]! * gy[at]!);
      steep[at] = size;
      histogram[min(511, round(size))]!++;
    }
  }
  let wanted = (count * STEEP_PERCENT) / 100;
  let least = 511;
  while (least > LEAST_STEEP && (wanted -= histogram[least]!) > 0) least--;
  return { width, height, gx, gy, thin: thinned(width, height, gx, gy, steep, least), least };
}

function thinned(
  width: number,
  height: number,
  gx: Float32Array,
  gy: Float32Array,
  steep: Float32Array,
  least: number,
): Float32Array {
  const thin = new Float32Array(steep.length);
  for (let y = 2; y < height - 2; y++) {
    for (let x = 2; x < width - 2; x++) {
      const at = y * width + x;
      const size = steep[at]!;
      if (size < least) continue;
      const dx = round(gx[at]! / size);
      const dy = round(gy[at]! / size);
      const step = dy * width + dx;
      if (size >= steep[at + step]! && size > steep[at - step]!) thin[at] = size;
    }
  }
  return thin;
}

const ANGLES = 180;
/** Bins of a line's distance, px. */
const BIN = 2;
/** Lines that are looked into. */
const MOST_LINES = 90;
const COS = Array.from({ length: ANGLES }, (_, at) => cos((at * PI) / ANGLES));
const SIN = Array.from({ length: ANGLES }, (_, at) => sin((at * PI) / ANGLES));

/** Votes of edge pixels for the lines they lie on, by direction and distance: the Hough transform, each pixel for its own direction only. */
function votesOf({ width, height, gx, gy, thin }: Slopes) {
  const reach = ceil(hypot(width, height));
  const bins = ceil((2 * reach) / BIN) + 1;
  const votes = new Float32Array(ANGLES * bins);
  for (let at = 0; at < thin.length; at++) {
    if (thin[at] === 0) continue;
    const x = at % width;
    const y = (at / width) | 0;
    const own = round((atan2(gy[at]!, gx[at]!) * ANGLES) / PI);
    for (let by = -2; by <= 2; by++) {
      const angle = (own + by + 2 * ANGLES) % ANGLES;
      const bin = round((x * COS[angle]! + y * SIN[angle]! + reach) / BIN);
      votes[angle * bins + bin]! += by === 0 ? 1 : 0.6;
    }
  }
  return { votes, bins, reach };
}

/** The lines most pixels lie on, no two of them nearly the same. */
function strongest(
  { votes, bins, reach }: ReturnType<typeof votesOf>,
  least: number,
): { angle: number; rho: number }[] {
  const found: { angle: number; bin: number; votes: number }[] = [];
  for (let angle = 0; angle < ANGLES; angle++) {
    for (let bin = 1; bin < bins - 1; bin++) {
      const count = votes[angle * bins + bin]!;
      if (count < least || count < votes[angle * bins + bin - 1]! || count < votes[angle * bins + bin + 1]!) continue;
      found.push({ angle, bin, votes: count });
    }
  }
  found.sort((a, b) => b.votes - a.votes);
  const chosen: typeof found = [];
  for (const each of found) {
    if (chosen.length === MOST_LINES) break;
    const same = chosen.some(({ angle, bin }) => {
      const turn = abs(angle - each.angle);
      const across = turn > ANGLES / 2;
      const off = across ? abs(bin + each.bin - (2 * reach) / BIN) : abs(bin - each.bin);
      return min(turn, ANGLES - turn) <= 3 && off <= 3;
    });
    if (!same) chosen.push(each);
  }
  return chosen.map(({ angle, bin }) => ({ angle: (angle * PI) / ANGLES, rho: bin * BIN - reach }));
}

/** Gaps an edge may have, px, and the shortest that counts. */
const GAP = 9;
const SHORTEST = 22;
const NEAR = 2.2;
const ALIGNED = 0.94;

/** The stretches of a line along which there are edges, whichever side is the brighter: a card may have a stripe. */
function stretches(slopes: Slopes, angle: number, rho: number, pixels: Int32Array): Segment[] {
  const { width, gx, gy, thin } = slopes;
  const [nx, ny] = [cos(angle), sin(angle)];
  const alongs: number[] = [];
  for (const at of pixels) {
    const x = at % width;
    const y = (at / width) | 0;
    if (abs(nx * x + ny * y - rho) > NEAR) continue;
    const dot = (gx[at]! * nx + gy[at]! * ny) / thin[at]!;
    if (abs(dot) >= ALIGNED) alongs.push(-ny * x + nx * y);
  }
  alongs.sort((a, b) => a - b);
  const segments: Segment[] = [];
  let start = 0;
  for (let at = 1; at <= alongs.length; at++) {
    if (at < alongs.length && alongs[at]! - alongs[at - 1]! <= GAP) continue;
    const [first, last] = [alongs[start]!, alongs[at - 1]!];
    const length = last - first;
    if (length >= SHORTEST && at - start >= length * 0.5) {
      const point = (along: number) => ({ x: nx * rho - ny * along, y: ny * rho + nx * along });
      const [from, to] = [point(first), point(last)];
      segments.push({ from, to, length, line: lineThrough(from, to) });
    }
    start = at;
  }
  return [...segments, ...joined(segments)];
}

/** How long a gap between two stretches of one line may be, as a share of both: a stripe to the edge of a card interrupts it. */
const JOINED_SHARE = 0.45;

/** Stretches of one line, in order, taken together where little lies between them. */
function joined(segments: readonly Segment[]): Segment[] {
  const longer: Segment[] = [];
  for (let first = 0; first < segments.length; first++) {
    let covered = segments[first]!.length;
    for (let last = first + 1; last < min(segments.length, first + 4); last++) {
      covered += segments[last]!.length;
      const [from, to] = [segments[first]!.from, segments[last]!.to];
      const length = hypot(to.x - from.x, to.y - from.y);
      if (length - covered <= JOINED_SHARE * covered) longer.push({ from, to, length, line: lineThrough(from, to) });
    }
  }
  return longer;
}

/** Straight edges of a picture, the longest first. */
function segmentsOf(slopes: Slopes): Segment[] {
  const { thin } = slopes;
  const pixels: number[] = [];
  for (let at = 0; at < thin.length; at++) if (thin[at]! > 0) pixels.push(at);
  const edges = Int32Array.from(pixels);
  const lines = strongest(votesOf(slopes), SHORTEST);
  const all = lines
    .flatMap(({ angle, rho }) => stretches(slopes, angle, rho, edges))
    .sort((a, b) => b.length - a.length);
  // The grain of a table must not crowd out what crosses it.
  const taken = new Array<number>(DIRECTIONS).fill(0);
  return all.filter(({ line: { a, b } }) => {
    const turn = (atan2(b, a) + 2 * PI) % PI;
    return taken[min(DIRECTIONS - 1, floor((turn * DIRECTIONS) / PI))]!++ < MOST_EACH_WAY;
  });
}

/** What is looked through for straight edges: the same for whatever is looked for. */
export interface Edges {
  slopes: Slopes;
  segments: Segment[];
  /** A point of the smaller copy in the picture itself, px. */
  inPicture: (p: Point) => Point;
  /** By how much the copy is smaller. */
  factor: number;
}

/** The straight edges of a picture, found in a smaller copy. */
export function edgesOf(picture: Grey): Edges {
  const { small, factor } = lookedAt(picture);
  const slopes = slopesOf(small);
  const inPicture = ({ x, y }: Point) => ({ x: (x + 0.5) * factor - 0.5, y: (y + 0.5) * factor - 0.5 });
  return { slopes, segments: segmentsOf(slopes), inPicture, factor };
}

/** Directions that are told apart, and how many edges are told of in each. */
const DIRECTIONS = 9;
const MOST_EACH_WAY = 26;
