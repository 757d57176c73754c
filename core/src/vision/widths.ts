import { apart, lineThrough, mapped, offLine, type Point } from './geometry';
import { edgeAcross, type Grey } from './picture';
import { HANDLE_SD, pxPerMmAt, withSpread, type CardPlane, type PhotoReading } from './plane';

/** How near to a handle the edge it means is looked for, px. */
const NEAR_PX = 7;
/** An edge weaker than so many shades is none: the handle stands as it was set. */
const FAINT = 10;
/** How well an edge is known that was found there, px. */
const EDGE_SD = 0.4;
/** How much a width may seem larger where no card tells how the camera was held, as a share. From memory: near each other, about square. */
const NO_CARD = 0.04;

/** The two ends of a width, each on the edge near its handle; and how well they are known, px. */
function onEdges(picture: Grey, from: Point, to: Point): { ends: readonly [Point, Point]; sd: number } {
  const length = apart(from, to) || 1;
  const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length];
  const reach = Math.min(NEAR_PX, length / 3);
  const [one, other] = [from, to].map((end) => {
    const edge = edgeAcross(picture, end, ux, uy, reach);
    return edge && Math.abs(edge.rise) > FAINT
      ? { end: { x: edge.x, y: edge.y }, sd: EDGE_SD }
      : { end, sd: HANDLE_SD };
  });
  return { ends: [one!.end, other!.end], sd: Math.hypot(one!.sd, other!.sd) };
}

/** A width of hair against that of the ferrule as it was read, and where their edges lie. */
export interface BandReading {
  /** Percent. */
  band: PhotoReading;
  hair: readonly [Point, Point];
  ferrule: readonly [Point, Point];
}

/**
 * The width of the hair at a place against the width of the ferrule, by ends a person has set across each.
 * @param plane that of a card beside them; null: none, and both are taken to be as near
 * @returns null where the ferrule has no width
 */
export function readBand(
  picture: Grey,
  hair: readonly [Point, Point],
  ferrule: readonly [Point, Point],
  plane: CardPlane | null,
): BandReading | null {
  const [band, whole] = [onEdges(picture, ...hair), onEdges(picture, ...ferrule)];
  const width = (by: CardPlane | null, [p, q]: readonly [Point, Point]) =>
    by ? apart(mapped(by.toMm, p), mapped(by.toMm, q)) : apart(p, q);
  const share = (by: CardPlane | null) => (100 * width(by, band.ends)) / width(by, whole.ends);
  const value = share(plane);
  if (!Number.isFinite(value)) return null;
  const seenSd = value * Math.hypot(band.sd / (apart(...band.ends) || 1), whole.sd / apart(...whole.ends));
  const reading = plane ? withSpread(plane, share, seenSd) : { value, sd: Math.hypot(seenSd, value * NO_CARD) };
  return { band: reading, hair: band.ends, ferrule: whole.ends };
}

/**
 * How far a stick curves in: the distance of its deepest point from the line through its ends, mm, in the plane of a card.
 * @param from one end, px; @param to the other; @param deepest where it is farthest from the line through them
 */
export function readCamber(plane: CardPlane, from: Point, to: Point, deepest: Point): PhotoReading {
  const camber = ({ toMm }: CardPlane) => {
    const [p, q, r] = [from, to, deepest].map((each) => mapped(toMm, each));
    return Math.abs(offLine(lineThrough(p!, q!), r!));
  };
  // The ends weigh half each where the point lies in the middle.
  return withSpread(plane, camber, (Math.sqrt(1.5) * HANDLE_SD) / pxPerMmAt(plane, deepest));
}
