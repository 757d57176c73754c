import type { Zone } from '@tembrin/core/instruments';

/** What a part of the drawing is made of; the plate turns it into the theme's colours. */
export type Material = 'wood' | 'ebony' | 'metal' | 'hair' | 'string' | 'stick' | 'none';

export interface Shape {
  /** SVG path, in millimetres of a full-size instrument or near it. */
  d: string;
  fill: Material;
  /** Width of its outline; 0 for none. */
  edge: number;
  /** Drawn again mirrored about x = 0: the path is one half of something symmetrical. */
  mirrored?: boolean;
}

/** An instrument as drawn: its shapes from back to front, and its named zones. */
export interface PlateData {
  viewBox: readonly [x: number, y: number, width: number, height: number];
  shapes: readonly Shape[];
  zones: Readonly<Partial<Record<Zone, readonly Shape[]>>>;
  /** Where a mark stands that is about a whole zone. */
  anchors: Readonly<Partial<Record<Zone, readonly [x: number, y: number]>>>;
}

export const path = (d: string, fill: Material, edge = 0, mirrored = false): Shape => ({ d, fill, edge, mirrored });

/** An ellipse as a path. */
export function ellipse(cx: number, cy: number, rx: number, ry = rx): string {
  return `M${cx - rx} ${cy}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0Z`;
}

/** A four-sided strip symmetrical about x = 0, with its half widths at top and bottom. */
export function taper(top: number, halfTop: number, bottom: number, halfBottom: number): string {
  return `M${-halfTop} ${top}H${halfTop}L${halfBottom} ${bottom}H${-halfBottom}Z`;
}

/** Strings side by side from one height to another. */
export function strings(
  count: number,
  top: number,
  halfTop: number,
  bottom: number,
  halfBottom: number,
  gauge: (at: number) => number,
): Shape[] {
  return Array.from({ length: count }, (_, at) => {
    const across = count === 1 ? 0 : (2 * at) / (count - 1) - 1;
    return path(`M${across * halfTop} ${top}L${across * halfBottom} ${bottom}`, 'string', gauge(at));
  });
}
