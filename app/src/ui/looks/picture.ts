import type { Verdict } from '@tembrin/core/instruments';
import { path, type Material, type Shape } from '../plate/shapes';

/** A picture of what a look finds: what is there, and over it what is wrong, in the colour of the verdict. */
export interface Picture {
  shapes: readonly Shape[];
  marks: readonly Shape[];
}

/** Draws one look in one of its three states. */
export type Draw = (verdict: Verdict) => Picture;

export const WIDE = 132;
export const TALL = 84;

/** One of three, by the verdict. */
export const by = <T>(good: T, watch: T, act: T) => ({ good, watch, act });

export const line = (d: string, width = 1.6, fill: Material = 'metal'): Shape => path(d, fill, width);
export const solid = (d: string, fill: Material = 'wood', edge = 1.6): Shape => path(d, fill, edge);
export const box = (x: number, y: number, width: number, height: number, fill: Material = 'wood', edge = 1.6): Shape =>
  path(`M${x} ${y}h${width}v${height}h${-width}Z`, fill, edge);
/** A mark is a line, drawn in the verdict's colour. */
export const mark = (d: string, width = 2.4): Shape => path(d, 'none', width);

/** Turned about a point: an affine map of a polygon given by its corners. */
export function turned(
  points: readonly (readonly [number, number])[],
  degrees: number,
  cx: number,
  cy: number,
): string {
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  const at = ([x, y]: readonly [number, number]) =>
    `${(cx + (x - cx) * cos - (y - cy) * sin).toFixed(1)} ${(cy + (x - cx) * sin + (y - cy) * cos).toFixed(1)}`;
  return `M${points.map(at).join('L')}Z`;
}

/** Waves of a sound beside what sounds: whole, broken, or jagged. */
export function sound(x: number, y: number, verdict: Verdict): Shape[] {
  if (verdict === 'good')
    return [0, 1, 2].map((at) =>
      line(`M${x + 7 * at} ${y - 6 - 4 * at}q${5 + at} ${6 + 4 * at} 0 ${12 + 8 * at}`, 1.6, 'stick'),
    );
  if (verdict === 'watch') return [line(`M${x} ${y - 5}q5 5 0 10`, 1.6, 'stick')];
  return [line(`M${x} ${y - 10}l6 4l-6 4l6 4l-6 4l6 4`, 1.6, 'stick')];
}
