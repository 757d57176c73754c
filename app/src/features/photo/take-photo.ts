import { keptPhoto, LONGEST_SIDE, withoutNotes } from '@tembrin/core/vision';
import { PHOTO_BYTES } from '@tembrin/contract';
import { copy } from '@/copy/screens/photo/measure';
import { NoPhoto, openPhoto } from './open-photo';

/** How finely a photograph is written, tried one after another until it is small enough. From memory. */
const QUALITIES = [0.85, 0.7, 0.5];

/**
 * A photograph as it is kept: upright, at most 2048 px a side, written anew without a trace of place, time or camera.
 * @throws NoPhoto where it is none, too large, or cannot be opened here
 */
export async function takePhoto(file: File): Promise<Uint8Array> {
  const bitmap = await openPhoto(file);
  try {
    return await bytesOf(bitmap);
  } finally {
    bitmap.close();
  }
}

/** An opened picture as it is kept. @throws NoPhoto where this browser cannot write it */
export async function bytesOf(bitmap: ImageBitmap): Promise<Uint8Array> {
  const canvas = document.createElement('canvas');
  canvas.width = Math.min(bitmap.width, LONGEST_SIDE);
  canvas.height = Math.min(bitmap.height, LONGEST_SIDE);
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  for (const quality of QUALITIES) {
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', quality));
    const bytes = blob && withoutNotes(new Uint8Array(await blob.arrayBuffer()));
    if (bytes && typeof keptPhoto(bytes) !== 'string' && bytes.length <= PHOTO_BYTES) return bytes;
  }
  throw new NoPhoto(copy.notOpened);
}
