import type { Sweat } from '../instruments';

/** How the player's hands lengthen or shorten a string's life. From memory, as stated defaults. */
export const SWEAT_FACTORS: Readonly<Record<Sweat, number>> = { low: 1.15, usual: 1, corrosive: 0.7 };

/** What hands do to the strings of an instrument. */
export interface Hands {
  /** null: those of several, that differ. */
  kind: Sweat | null;
  /** Of a string's life. */
  factor: number;
  /** Whether who plays it said so of themselves; else it was said of the instrument. */
  own: boolean;
}
