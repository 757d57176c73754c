import * as z from 'zod';
import { photoHash } from '@tembrin/core/log';

/** Largest photograph that is kept, bytes. */
export { MOST_KEPT_BYTES as PHOTO_BYTES } from '@tembrin/core/vision';
/** Largest file of photographs that is brought in again, bytes: all a household keeps, and the names. */
export const PHOTO_FILE_BYTES = 520_000_000;

export const photoParams = z.object({
  id: z.uuid('That is not an instrument’s id.').toLowerCase(),
  photo: photoHash,
});

/** A photograph that is kept: which, of what instrument, and its size. */
export const photoSchema = z.object({
  instrumentId: z.uuid(),
  photo: photoHash,
  bytes: z.number().int().positive(),
  width: z.number().int().positive(),
  height: z.number().int().positive(),
});
export type KeptPhoto = z.infer<typeof photoSchema>;

export const photoListSchema = z.object({ photos: z.array(photoSchema) });

export const photoOutcomeSchema = z.object({
  /** Photographs that came in, and those that were there already. */
  photos: z.number().int(),
  known: z.number().int(),
  /** What does not come along, a sentence each. */
  left: z.array(z.string()),
});

/** What is answered as bytes: a picture, or a file as it is made. */
export const bytesSchema = z.custom<Uint8Array | AsyncIterable<Uint8Array>>(
  (value) =>
    typeof value === 'object' && value !== null && (value instanceof Uint8Array || Symbol.asyncIterator in value),
);
