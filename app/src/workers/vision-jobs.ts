import type { BowFault, CardFault, PhotoReading, Point, Quad } from '@tembrin/core/vision';

/** What is measured by a photograph beside a card. */
export type Measured = 'gap' | 'length';

/** What the worker is asked: to open a picture and look for what is measured, or to read it by handles. */
export type VisionJob =
  | { kind: 'open'; bitmap: ImageBitmap; what: Measured }
  | { kind: 'read'; what: Measured; corners: Quad; ends: readonly [Point, Point] };

/** What it found, or read. Where nothing was found the handles stand somewhere to begin from, and why is said. */
export type VisionAnswer =
  | {
      kind: 'found';
      corners: Quad;
      /** The ends of the hair, or of the length. */
      ends: readonly [Point, Point];
      cardFault: CardFault | null;
      fault: BowFault | null;
    }
  | {
      kind: 'read';
      reading: PhotoReading | null;
      narrowest: readonly [Point, Point] | null;
      fault: BowFault | 'corners' | null;
    };
