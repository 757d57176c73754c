import type { BowFault, CardFault, LeanFault, PhotoReading, Point, Quad, TailpieceSide } from '@tembrin/core/vision';

/** What is measured by a photograph. */
export const MEASURED = ['gap', 'length', 'lean', 'band', 'camber'] as const;
export type Measured = (typeof MEASURED)[number];

/** Handles each takes besides the card's corners, and whether a card must lie beside it. */
export const HANDLES: Readonly<Record<Measured, { points: number; card: boolean }>> = {
  /** The ends of the hair. */
  gap: { points: 2, card: true },
  length: { points: 2, card: true },
  /** The top's ends, the face's foot and head. */
  lean: { points: 4, card: false },
  /** Across the hair, across the ferrule. */
  band: { points: 4, card: false },
  /** The stick's ends, and its deepest place. */
  camber: { points: 3, card: true },
};

/** How a picture is asked of. */
interface Asked {
  what: Measured;
  /** On which side of the picture the tailpiece lies, for a lean. */
  tailpiece: TailpieceSide;
}

/**
 * What the worker is asked: to open a picture and look for what is measured, to look at the open one for something else, to read it by
 * handles, or to write that of a file as it is kept.
 */
export type VisionJob =
  | ({ kind: 'open'; file: Blob } & Asked)
  | ({ kind: 'look' } & Asked)
  | { kind: 'write'; file: Blob }
  | ({ kind: 'read'; corners: Quad | null; points: readonly Point[] } & Asked);

/** What it found, or read. Where nothing was found the handles stand somewhere to begin from, and why is said. */
export type VisionAnswer =
  /** The picture as it is shown; what was found in it follows. */
  | { kind: 'opened'; whole: ImageBitmap; shown: ImageBitmap }
  /** This browser cannot open it. */
  | { kind: 'not-opened' }
  /** null: this browser cannot write it. */
  | { kind: 'written'; bytes: Uint8Array | null }
  | {
      kind: 'found';
      /** null: no card, and none is needed. */
      corners: Quad | null;
      points: readonly Point[];
      cardFault: CardFault | null;
      fault: BowFault | LeanFault | null;
      /** Handles that the device could not lay: a person has to. */
      open: 'none' | 'points' | 'all';
    }
  | {
      kind: 'read';
      reading: PhotoReading | null;
      /** Lines that were read, to be shown on the picture. */
      seen: readonly (readonly [Point, Point])[];
      fault: BowFault | LeanFault | 'corners' | null;
    };
