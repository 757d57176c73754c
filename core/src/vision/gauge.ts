import { CARD_MM } from './card';

/** Screens have between so many pixels to the millimetre: a wall display, and the finest phone at its least zoom. From memory. */
const LEAST_PX = 1.5;
const MOST_PX = 30;

/** A screen that was held against a card. */
export interface ScreenScale {
  /** Pixels of the page to a millimetre. */
  pxPerMm: number;
  /** Pixels of the screen to one of the page when that was done: another ratio is another zoom, or another screen. */
  ratio: number;
}

/**
 * The scale of a screen on which a card's short edge covers so many pixels of the page: the long one is longer than a phone is wide.
 * @returns null where no screen is like that: the edge was not matched
 */
export function screenScale(edgePx: number, ratio: number): ScreenScale | null {
  const pxPerMm = edgePx / CARD_MM.short;
  return pxPerMm >= LEAST_PX && pxPerMm <= MOST_PX && ratio > 0 ? { pxPerMm, ratio } : null;
}

/** How far what is drawn may be off, mm: a pixel of the screen at either edge, and the card's edge matched to within a pixel of the page. */
export function gaugeWithin({ pxPerMm, ratio }: ScreenScale, mm: number): number {
  const pixelMm = 1 / (pxPerMm * ratio);
  return Math.hypot(pixelMm, (mm / CARD_MM.short) * (1 / pxPerMm));
}
