import type { Point } from './geometry';

/** Looked up once: these run for each pixel. */
const { abs, ceil, exp, floor, max, min } = Math;

/** A picture in shades of grey: 0 black to 255 white, row by row. */
export interface Grey {
  width: number;
  height: number;
  data: Uint8Array | Uint8ClampedArray | Float32Array;
}

/** Shades of grey of a picture in colour, by the weights of ITU-R BT.601. @param rgba four bytes a pixel */
export function greyOf(rgba: Uint8ClampedArray | Uint8Array, width: number, height: number): Grey {
  const data = new Uint8Array(width * height);
  for (let at = 0, from = 0; at < data.length; at++, from += 4)
    data[at] = (rgba[from]! * 77 + rgba[from + 1]! * 150 + rgba[from + 2]! * 29) >> 8;
  return { width, height, data };
}

/** The same in half its size: each pixel the mean of four. */
export function halved({ width, height, data }: Grey): Grey {
  const [w, h] = [width >> 1, height >> 1];
  const half = new Uint8Array(w * h);
  for (let y = 0; y < h; y++) {
    for (let x = 0; x < w; x++) {
      const at = 2 * y * width + 2 * x;
      half[y * w + x] = (data[at]! + data[at + 1]! + data[at + width]! + data[at + width + 1]! + 2) >> 2;
    }
  }
  return { width: w, height: h, data: half };
}

/** Shade at a point between pixels, whose middles lie at whole numbers; NaN outside. */
export function shadeAt({ width, height, data }: Grey, x: number, y: number): number {
  const left = floor(x);
  const top = floor(y);
  if (left < 0 || top < 0 || left + 1 >= width || top + 1 >= height) return NaN;
  const fx = x - left;
  const fy = y - top;
  const at = top * width + left;
  const upper = data[at]! * (1 - fx) + data[at + 1]! * fx;
  const lower = data[at + width]! * (1 - fx) + data[at + width + 1]! * fx;
  return upper * (1 - fy) + lower * fy;
}

/** What is wrong with a picture before anything is looked for in it. */
export type PictureFault = 'too-dark' | 'too-bright' | 'too-blurred' | 'too-small';

const LEAST_SIDE = 300;
/** Pixels that tell how light a picture is. */
const ENOUGH = 400_000;
/** The brightest fiftieth of a usable picture is brighter than the one, its darkest darker than the other. From memory. */
const DARK = 70;
const BRIGHT = 225;
/** The steepest edges of a sharp picture rise by such a share of their height from pixel to pixel. Tried on rendered scenes: blur of 3 px and more falls below. */
const SHARP = 0.16;

/** Share of the rise between its sides that falls into one pixel, at the steepest hundredth of edges. */
function steepness({ width, height, data }: Grey): number {
  const shares: number[] = [];
  const step = max(3, floor(height / 210));
  for (let y = 4; y < height - 4; y += step) {
    for (let x = 8; x < width - 8; x += 1) {
      const at = y * width + x;
      const step = abs(data[at + 1]! - data[at - 1]!) / 2;
      const rise = abs(data[at + 7]! - data[at - 7]!);
      if (rise > 50 && step > 4) shares.push(step / rise);
    }
  }
  if (shares.length < 40) return 1;
  shares.sort((a, b) => b - a);
  return shares[floor(shares.length / 20)]!;
}

/** Why nothing can be measured in a picture; null where it can be tried. */
export function pictureFault(picture: Grey): PictureFault | null {
  const { width, height, data } = picture;
  if (min(width, height) < LEAST_SIDE) return 'too-small';
  const counts = new Uint32Array(256);
  // Of a large picture some hundred thousand pixels tell as much; an odd step falls on all columns.
  const step = floor(data.length / ENOUGH / 2) * 2 + 1;
  for (let at = 0; at < data.length; at += step) counts[data[at]! | 0]!++;
  const fiftieth = data.length / step / 50;
  let [brightest, darkest] = [255, 0];
  for (let left = fiftieth; brightest > 0 && (left -= counts[brightest]!) > 0;) brightest--;
  for (let left = fiftieth; darkest < 255 && (left -= counts[darkest]!) > 0;) darkest++;
  if (brightest < DARK) return 'too-dark';
  if (darkest > BRIGHT) return 'too-bright';
  return steepness(picture) < SHARP ? 'too-blurred' : null;
}

/** An edge as it was found across a line. */
export interface EdgePoint extends Point {
  /** How much brighter it is behind than before, in shades. */
  rise: number;
}

/** How far the shades on either side are smoothed, px. */
const SMOOTH = 1.2;

/** How much the shade so many half pixels before and behind counts: the slope of a bell curve. */
const WEIGHTS = Float64Array.from(
  { length: ceil(3 * SMOOTH * 2) + 1 },
  (_, by) => (by / 2) * exp(-((by / 2 / SMOOTH) ** 2) / 2),
);
/** What a step of one shade comes to: so that a rise is told in shades. */
const STEP = WEIGHTS.reduce((sum, weight) => sum + weight, 0);

/** Differences of smoothed shades along a way through a picture, one each half pixel. */
function slopesAlong(picture: Grey, from: Point, ux: number, uy: number, reach: number): Float64Array | null {
  const count = ceil(reach * 4) + 1;
  const shades = new Float64Array(count);
  for (let at = 0; at < count; at++) {
    const off = -reach + at / 2;
    const shade = shadeAt(picture, from.x + ux * off, from.y + uy * off);
    if (Number.isNaN(shade)) return null;
    shades[at] = shade;
  }
  const radius = WEIGHTS.length - 1;
  const slopes = new Float64Array(count);
  for (let at = radius; at < count - radius; at++) {
    let slope = 0;
    for (let by = 1; by <= radius; by++) {
      slope += WEIGHTS[by]! * (shades[at + by]! - shades[at - by]!);
    }
    slopes[at] = slope;
  }
  return slopes;
}

/**
 * The strongest edge across a point, to a fraction of a pixel: the greatest slope of smoothed shades, by a parabola through it.
 * @param ux direction across which it is looked for, of length 1
 * @param reach how far to either side, px
 * @param rising only edges that grow brighter along the direction (1) or darker (-1); 0: either
 */
export function edgeAcross(
  picture: Grey,
  from: Point,
  ux: number,
  uy: number,
  reach: number,
  rising: -1 | 0 | 1 = 0,
): EdgePoint | null {
  const margin = 3 * SMOOTH + 0.5;
  const slopes = slopesAlong(picture, from, ux, uy, reach + margin);
  if (!slopes) return null;
  const value = (at: number) => (rising === 0 ? abs(slopes[at]!) : rising * slopes[at]!);
  let best = -1;
  for (let at = 1; at < slopes.length - 1; at++) {
    if (value(at) >= value(at - 1) && value(at) > value(at + 1) && (best < 0 || value(at) > value(best))) best = at;
  }
  if (best < 0) return null;
  const [before, here, after] = [value(best - 1), value(best), value(best + 1)];
  const bend = before - 2 * here + after;
  const shift = bend < 0 ? (before - after) / (2 * bend) : 0;
  const off = -(reach + margin) + (best + max(-1, min(1, shift))) / 2;
  return { x: from.x + ux * off, y: from.y + uy * off, rise: slopes[best]! / STEP };
}
