import { CARD_MM } from './card';
import type { FoundCard } from './find-card';
import { apart, homographyOf, inverted, mapped, type Homography, type Point, type Quad } from './geometry';

/** What was read off a picture, and how far off it may be: one sd. */
export interface PhotoReading {
  value: number;
  sd: number;
}

/** The plane a card lies in, in its millimetres: the first corner is the origin, the long edge runs along x. */
export interface CardPlane {
  card: FoundCard;
  toMm: Homography;
  toPx: Homography;
}

const CARD_CORNERS: Quad = [
  { x: 0, y: 0 },
  { x: CARD_MM.long, y: 0 },
  { x: CARD_MM.long, y: CARD_MM.short },
  { x: 0, y: CARD_MM.short },
];

/** The plane of a card. @throws NoQuad where its corners are none */
export function planeOf(card: FoundCard): CardPlane {
  const toMm = homographyOf(card.corners, CARD_CORNERS);
  return { card, toMm, toPx: inverted(toMm) };
}

/** How near to the card an edge is taken to be its own, mm. */
const OF_CARD_MM = 4;

/** Whether a point of its plane lies on the card or at its edge. @param p mm */
export const isOnCard = ({ x, y }: Point): boolean =>
  x > -OF_CARD_MM && x < CARD_MM.long + OF_CARD_MM && y > -OF_CARD_MM && y < CARD_MM.short + OF_CARD_MM;

/** How far in a plane that lies nearer or farther than the card may be off: z/d, 3 mm at 400 mm [handbook 9, derived]. */
export const OFF_PLANE = 3 / 400;
/** A step of a corner by which it is tried how much a reading rests on it, px. */
const TRIED_PX = 0.05;

/**
 * How far a reading may be off because corners of the card are, and because what is read lies a little before or behind it.
 * @param read what is read in a plane; its errors are taken to be small and to add up as squares
 * @param seenSd what its own edges add
 * @param offPlane how far off it may be for lying before or behind, as a share of it
 */
export function withSpread(
  plane: CardPlane,
  read: (plane: CardPlane) => number,
  seenSd: number,
  offPlane = OFF_PLANE,
): PhotoReading {
  const value = read(plane);
  const { corners, cornerSd } = plane.card;
  let variance = seenSd ** 2 + (value * offPlane) ** 2;
  corners.forEach((_corner, at) => {
    for (const axis of ['x', 'y'] as const) {
      const moved = corners.map((each, index) => (index === at ? { ...each, [axis]: each[axis] + TRIED_PX } : each));
      const slope = (read(planeOf({ corners: moved as unknown as Quad, cornerSd })) - value) / TRIED_PX;
      variance += (slope * cornerSd[at]!) ** 2;
    }
  });
  return { value, sd: Math.sqrt(variance) };
}

/** Pixels to a millimetre at a point of a picture, as a mean of both directions. */
export function pxPerMmAt({ toMm, toPx }: CardPlane, p: Point): number {
  const mm = mapped(toMm, p);
  const along = apart(mapped(toPx, { x: mm.x + 0.5, y: mm.y }), mapped(toPx, { x: mm.x - 0.5, y: mm.y }));
  const across = apart(mapped(toPx, { x: mm.x, y: mm.y + 0.5 }), mapped(toPx, { x: mm.x, y: mm.y - 0.5 }));
  return Math.sqrt(along * across);
}

/** How well a handle stands that a person has set, px. From memory: about the width of a line under a loupe. */
export const HANDLE_SD = 0.7;

/** The distance between two points in the plane of the card, mm. @param p px */
export function readLength(plane: CardPlane, p: Point, q: Point, handleSd = HANDLE_SD): PhotoReading {
  const sd = Math.hypot(handleSd / pxPerMmAt(plane, p), handleSd / pxPerMmAt(plane, q));
  return withSpread(plane, ({ toMm }) => apart(mapped(toMm, p), mapped(toMm, q)), sd);
}
