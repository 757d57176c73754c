import { mulberry32, normals } from './dice';
import type { Grey } from '../vision/picture';
import type { Point, Quad } from '../vision/geometry';

/** Photographs made up from known geometry, for tests of what is read off them: a pinhole camera with a lens that bends lines. */
export interface Scene {
  width: number;
  height: number;
  /** Focal length in widths of the picture, and the bending of the lens (k1 of r² in widths). */
  focal: number;
  bend: number;
  /** Turned about the three axes, degrees: off square by the first two. */
  tilt: readonly [number, number, number];
  /** From camera to plane along the middle ray, mm, and the point of the plane there. */
  distance: number;
  middle: Point;
  /** Where the card's corner lies, mm, its turn in the plane, and its shades: ground and print. */
  card: { at: Point; turn: number; shade: number; print: number } | null;
  /** A bow across, its hair along y = 0 of a frame of its own; lifted off the plane by so many mm. */
  bow: {
    at: Point;
    turn: number;
    gap: number;
    camber: number;
    half: number;
    hair: number;
    stick: number;
    lift: number;
  } | null;
  /** A bridge on its top from the side: its face to the tailpiece (on the right) stands at an angle, degrees; up is against y. */
  bridge?: { angle: number; tall: number; foot: number; crown: number; shade: number; top: number; mirrored: boolean };
  ground: { shade: number; texture: 'plain' | 'grain' | 'cloth' };
  /** Light falls off across the picture by this share, and a soft shadow darkens it by that. */
  gradient: number;
  shadow: number;
  /** Sensor noise and blur, as a share of white and in px. */
  noise: number;
  blur: number;
  jpeg: boolean;
  seed: number;
}

const { cos, sin, tan, PI, sqrt, floor, round, ceil, min, max, abs, exp } = Math;
type Mat = readonly [number, number, number, number, number, number, number, number, number];

function rotation([tx, ty, tz]: Scene['tilt']): Mat {
  const [a, b, c] = [(tx * PI) / 180, (ty * PI) / 180, (tz * PI) / 180];
  const [ca, sa, cb, sb, cc, sc] = [cos(a), sin(a), cos(b), sin(b), cos(c), sin(c)];
  return [
    cb * cc,
    sa * sb * cc - ca * sc,
    ca * sb * cc + sa * sc,
    cb * sc,
    sa * sb * sc + ca * cc,
    ca * sb * sc - sa * cc,
    -sb,
    sa * cb,
    ca * cb,
  ];
}

/** The camera of a scene: from a pixel to the plane lifted by z, and back. */
export function cameraOf({ width, height, focal, bend, tilt, distance, middle }: Scene) {
  const r = rotation(tilt);
  const f = focal * width;
  // World = R · camera; the camera stands `distance` before the middle along its own axis.
  const origin = [middle.x - r[2] * distance, middle.y - r[5] * distance, -r[8] * distance] as const;
  const toPlane = (u: number, v: number, z = 0): Point => {
    let x = (u - width / 2) / f;
    let y = (v - height / 2) / f;
    const dx = x;
    const dy = y;
    for (let each = 0; each < 3; each++) {
      const k = 1 + bend * (x * x + y * y);
      x = dx / k;
      y = dy / k;
    }
    const s = (z - origin[2]) / (r[6] * x + r[7] * y + r[8]);
    return { x: origin[0] + s * (r[0] * x + r[1] * y + r[2]), y: origin[1] + s * (r[3] * x + r[4] * y + r[5]) };
  };
  const toPixel = ({ x, y }: Point, z = 0): Point => {
    const [px, py, pz] = [x - origin[0], y - origin[1], z - origin[2]];
    const [cx, cy, cz] = [
      r[0] * px + r[3] * py + r[6] * pz,
      r[1] * px + r[4] * py + r[7] * pz,
      r[2] * px + r[5] * py + r[8] * pz,
    ];
    const [nx, ny] = [cx / cz, cy / cz];
    const k = 1 + bend * (nx * nx + ny * ny);
    return { x: f * nx * k + width / 2, y: f * ny * k + height / 2 };
  };
  return { toPlane, toPixel };
}

/** A point in a frame that lies at a place, turned by some degrees. */
function framed({ x, y }: Point, at: Point, turn: number): Point {
  const c = cos((turn * PI) / 180);
  const s = sin((turn * PI) / 180);
  return { x: c * (x - at.x) + s * (y - at.y), y: -s * (x - at.x) + c * (y - at.y) };
}
const placed = ({ x, y }: Point, at: Point, turn: number): Point => {
  const [c, s] = [cos((turn * PI) / 180), sin((turn * PI) / 180)];
  return { x: at.x + c * x - s * y, y: at.y + s * x + c * y };
};

/** Corners of the card in the picture. */
export function cornersOf(scene: Scene): Quad {
  const { toPixel } = cameraOf(scene);
  const { at, turn } = scene.card!;
  const corner = (x: number, y: number) => toPixel(placed({ x, y }, at, turn));
  return [corner(0, 0), corner(85.6, 0), corner(85.6, 53.98), corner(0, 53.98)];
}

/** Two points of the hair's edge towards the stick in the picture. */
export function hairOf(scene: Scene): readonly [Point, Point] {
  const { toPixel } = cameraOf(scene);
  const { at, turn, half, lift } = scene.bow!;
  return [
    toPixel(placed({ x: -0.8 * half, y: 0 }, at, turn), lift),
    toPixel(placed({ x: 0.8 * half, y: 0 }, at, turn), lift),
  ];
}

const cover = (inside: number, pixelMm: number) => min(1, max(0, 0.5 + inside / pixelMm));

function groundShade({ shade, texture }: Scene['ground'], { x, y }: Point): number {
  if (texture === 'plain') return shade;
  if (texture === 'grain') return shade + 11 * sin(y * 0.9 + 1.7 * sin(x * 0.03)) + 5 * sin(y * 3.1 + x * 0.05);
  return shade + 9 * sin(x * 2.1) * sin(y * 2.3);
}

/** Share of a rounded rectangle, and its print: a dark stripe, a chip, lines of writing. */
function cardShade(card: NonNullable<Scene['card']>, p: Point, under: number, pixelMm: number): number {
  const { x, y } = framed(p, card.at, card.turn);
  const r = 3.18;
  const dx = abs(x - 42.8) - 42.8 + r;
  const dy = abs(y - 26.99) - 26.99 + r;
  if (dx > r + 1 || dy > r + 1) return under;
  const inside = r - (sqrt(max(dx, 0) ** 2 + max(dy, 0) ** 2) + min(max(dx, dy), 0));
  const on = cover(inside, pixelMm);
  if (on === 0) return under;
  let shade = card.shade;
  if (y > 6 && y < 16) shade = card.print;
  if (x > 9 && x < 21 && y > 24 && y < 33) shade = (card.print + card.shade) / 2;
  if (y > 40 && y < 43 && x > 8 && x < 60 && floor(x / 2.4) % 3 !== 0) shade = card.print;
  return under * (1 - on) + shade * on;
}

function bowShade(bow: NonNullable<Scene['bow']>, p: Point, under: number, pixelMm: number): number {
  const { x, y } = framed(p, bow.at, bow.turn);
  if (abs(x) > bow.half || y < -3 || y > 40) return under;
  const hair = cover(min(-y, y + 1.4), pixelMm);
  const low = bow.gap + bow.camber * (x / bow.half) ** 2;
  const stick = cover(min(y - low, low + 7.5 - y), pixelMm);
  const round7 = 1 - 0.35 * abs((y - low - 3.75) / 3.75);
  const withHair = under * (1 - hair) + bow.hair * hair;
  return withHair * (1 - stick) + bow.stick * round7 * stick;
}

function bridgeShade(bridge: NonNullable<Scene['bridge']>, p: Point, under: number, pixelMm: number): number {
  const x = bridge.mirrored ? -p.x : p.x;
  const up = -p.y;
  const lean = ((bridge.angle - 90) * PI) / 180;
  // The face is straight; the other side tapers to the crown.
  const face = -up * tan(lean);
  const thick = bridge.foot + (bridge.crown - bridge.foot) * (up / bridge.tall);
  const inside = min(min(face - x, x - (face - thick)), min(up, bridge.tall - up));
  const on = cover(inside, pixelMm);
  const wood = cover(min(-up, up + 16), pixelMm);
  const string = cover(0.4 - abs(up - bridge.tall + 0.2 + abs(x) * 0.16), pixelMm);
  let shade = under * (1 - wood) + bridge.top * wood;
  shade = shade * (1 - string) + 210 * string;
  return shade * (1 - on) + bridge.shade * on;
}

function blurred(data: Float32Array, width: number, height: number, sd: number): Float32Array {
  if (sd < 0.2) return data;
  const radius = ceil(3 * sd);
  const kernel = Array.from({ length: radius + 1 }, (_, at) => exp(-(at * at) / (2 * sd * sd)));
  const total = kernel[0]! + 2 * kernel.slice(1).reduce((sum, each) => sum + each, 0);
  const pass = (from: Float32Array, step: number, along: number, across: number, other: number) => {
    const to = new Float32Array(from.length);
    for (let line = 0; line < across; line++) {
      for (let at = 0; at < along; at++) {
        const here = line * other + at * step;
        let sum = kernel[0]! * from[here]!;
        for (let by = 1; by <= radius; by++) {
          const a = at < by ? 0 : at - by;
          const b = at + by < along ? at + by : along - 1;
          sum += kernel[by]! * (from[line * other + a * step]! + from[line * other + b * step]!);
        }
        to[here] = sum / total;
      }
    }
    return to;
  };
  return pass(pass(data, 1, width, height, width), width, height, width, 1);
}

/** The luminance table of JPEG [ITU-T T.81, table K.1], as quality 80 scales it. */
const LUMINANCE = [
  16, 11, 10, 16, 24, 40, 51, 61, 12, 12, 14, 19, 26, 58, 60, 55, 14, 13, 16, 24, 40, 57, 69, 56, 14, 17, 22, 29, 51,
  87, 80, 62, 18, 22, 37, 56, 68, 109, 103, 77, 24, 35, 55, 64, 81, 104, 113, 92, 49, 64, 78, 87, 103, 121, 120, 101,
  72, 92, 95, 98, 112, 100, 103, 99,
].map((each) => max(1, round(each * 0.4)));
const DCT = Float32Array.from({ length: 64 }, (_, at) => {
  const [k, n] = [at >> 3, at & 7];
  return (k === 0 ? sqrt(1 / 8) : 0.5) * cos(((2 * n + 1) * k * PI) / 16);
});

/** Each block of 8 × 8 as JPEG of quality 80 would leave it. */
function compressed(data: Float32Array, width: number, height: number): void {
  const block = new Float32Array(64);
  const half = new Float32Array(64);
  const turn = (forward: boolean) => {
    for (const rows of [true, false]) {
      for (let line = 0; line < 8; line++) {
        for (let k = 0; k < 8; k++) {
          let sum = 0;
          for (let n = 0; n < 8; n++)
            sum += DCT[forward ? k * 8 + n : n * 8 + k]! * block[rows ? line * 8 + n : n * 8 + line]!;
          half[rows ? line * 8 + k : k * 8 + line] = sum;
        }
      }
      block.set(half);
    }
  };
  for (let y = 0; y + 8 <= height; y += 8) {
    for (let x = 0; x + 8 <= width; x += 8) {
      for (let at = 0; at < 64; at++) block[at] = data[(y + (at >> 3)) * width + x + (at & 7)]! - 128;
      turn(true);
      for (let at = 0; at < 64; at++) block[at] = round(block[at]! / LUMINANCE[at]!) * LUMINANCE[at]!;
      turn(false);
      for (let at = 0; at < 64; at++) data[(y + (at >> 3)) * width + x + (at & 7)] = block[at]! + 128;
    }
  }
}

/** The photograph of a scene. */
export function photograph(scene: Scene): Grey {
  const { width, height, card, bow, ground, gradient, shadow } = scene;
  const { toPlane } = cameraOf(scene);
  const pixelMm = scene.distance / (scene.focal * width);
  let data: Float32Array = new Float32Array(width * height);
  for (let v = 0; v < height; v++) {
    for (let u = 0; u < width; u++) {
      const p = toPlane(u, v);
      let shade = groundShade(ground, p);
      if (scene.bridge) shade = bridgeShade(scene.bridge, p, shade, pixelMm);
      if (card) shade = cardShade(card, p, shade, pixelMm);
      if (bow) shade = bowShade(bow, bow.lift === 0 ? p : toPlane(u, v, bow.lift), shade, pixelMm);
      const light = 1 - gradient * (u / width) - shadow / (1 + exp((v / height - 0.5 + 0.2 * (u / width)) * 14));
      data[v * width + u] = shade * light;
    }
  }
  data = blurred(data, width, height, scene.blur);
  const normal = normals(mulberry32(scene.seed));
  if (scene.noise > 0) for (let at = 0; at < data.length; at++) data[at]! += 255 * scene.noise * normal();
  if (scene.jpeg) compressed(data, width, height);
  return { width, height, data: Uint8ClampedArray.from(data) };
}

/** A scene drawn by lot: within what a person with a phone would take for a fair picture. */
export function anyScene(seed: number, width = 960, height = 720): Scene {
  const uniform = mulberry32(seed);
  for (;;) {
    const scene = drawn(uniform, seed, width, height);
    const whole = cornersOf(scene).every(({ x, y }) => x > 12 && y > 12 && x < width - 12 && y < height - 12);
    if (whole) return scene;
  }
}

function drawn(uniform: () => number, seed: number, width: number, height: number): Scene {
  const within = (low: number, high: number) => low + (high - low) * uniform();
  const focal = [0.72, 0.95, 1.5][floor(uniform() * 3)]!;
  // The bow's middle and the card beside it fill the picture.
  const distance = within(215, 260) * focal;
  const turn = within(-12, 12);
  const half = within(110, 150);
  const below = uniform() < 0.5;
  const dark = uniform() < 0.5;
  return {
    width,
    height,
    focal,
    bend: focal < 0.9 ? within(-0.06, 0.03) : within(-0.01, 0.01),
    tilt: [within(-30, 30) * 0.7, within(-30, 30) * 0.7, within(-4, 4)],
    distance,
    middle: { x: 0, y: 0 },
    card: {
      at: { x: within(-60, -30), y: below ? within(-78, -66) : within(24, 32) },
      turn: within(-9, 9),
      shade: dark ? within(30, 80) : within(190, 240),
      print: dark ? within(150, 230) : within(20, 110),
    },
    bow: {
      at: { x: within(-8, 8), y: within(-4, 4) },
      turn: below ? turn * 0.4 : 180 + turn * 0.4,
      gap: within(4, 13),
      camber: within(0.6, 5),
      half,
      hair: within(205, 240),
      stick: within(45, 85),
      lift: within(-2, 2),
    },
    ground: { shade: within(115, 165), texture: (['plain', 'grain', 'cloth'] as const)[floor(uniform() * 3)]! },
    gradient: within(0, 0.3),
    shadow: within(0, 0.25),
    noise: within(0.004, 0.02),
    blur: within(0.4, 1.5),
    jpeg: true,
    seed,
  };
}

/** A card that stands out from a dark room. */
const LIGHT = { shade: 215, print: 60 };

/**
 * A bridge from the side, drawn by lot. With a card standing beside it the phone is held as it comes; without one about square, since
 * nothing tells how it is held.
 */
export function anyBridge(seed: number, withCard: boolean, width = 1440, height = 1080): Scene {
  const uniform = mulberry32(seed + 90_000);
  const within = (low: number, high: number) => low + (high - low) * uniform();
  for (;;) {
    const base = anyScene(seed, width, height);
    const tilted = withCard ? 30 * 0.7 : 5;
    const mirrored = uniform() < 0.5;
    const dark = uniform() < 0.5;
    const scene: Scene = {
      ...base,
      card: withCard
        ? { ...base.card!, ...(dark && LIGHT), at: { x: within(26, 36), y: within(-12, -4) }, turn: within(-97, -83) }
        : null,
      bow: null,
      tilt: [within(-tilted, tilted), within(-tilted, tilted), within(-6, 6)],
      distance: (withCard ? within(225, 270) : within(170, 230)) * base.focal,
      middle: withCard ? { x: within(15, 30), y: within(-42, -30) } : { x: within(-8, 8), y: within(-22, -10) },
      bridge: {
        angle: within(82, 98),
        tall: within(28, 36),
        foot: within(4, 5),
        crown: within(1.2, 2),
        shade: within(170, 215),
        top: within(60, 110),
        mirrored,
      },
      ground: { shade: dark ? within(20, 50) : within(115, 140), texture: 'plain' },
    };
    const inside = ({ x, y }: Point) => x > 12 && y > 12 && x < width - 12 && y < height - 12;
    if (!withCard || cornersOf(scene).every(inside)) return scene;
  }
}

/** Handles on a scene's bridge as a person would set them: along the top, and up the face to the tailpiece from its foot; px. */
export function bridgeLinesOf(scene: Scene): readonly [readonly [Point, Point], readonly [Point, Point]] {
  const { toPixel } = cameraOf(scene);
  const { angle, tall, mirrored } = scene.bridge!;
  const side = mirrored ? -1 : 1;
  const face = (up: number) => toPixel({ x: -side * up * tan(((angle - 90) * PI) / 180), y: -up });
  return [
    [toPixel({ x: side * 4, y: 0 }), toPixel({ x: side * 24, y: 0 })],
    [face(3), face(tall * 0.8)],
  ];
}
