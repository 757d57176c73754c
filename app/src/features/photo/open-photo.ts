import { HEADER_BYTES, LONGEST_SIDE, MOST_PICTURE_BYTES, MOST_PIXELS, pictureHeader } from '@tembrin/core/vision';
import { copy } from '@/copy/screens/photo/measure';

/** A photograph that cannot be measured by; the message says what to do. */
export class NoPhoto extends Error {}

/**
 * A photograph from a file, upright, its longer side 2048 px at most. It does not leave the device.
 * @throws NoPhoto where it is none, too large, or cannot be opened here
 */
export async function openPhoto(file: File): Promise<ImageBitmap> {
  if (file.size > MOST_PICTURE_BYTES) throw new NoPhoto(copy.tooManyBytes);
  const header = pictureHeader(new Uint8Array(await file.slice(0, HEADER_BYTES).arrayBuffer()));
  if (typeof header === 'string') throw new NoPhoto(copy.headerFaults[header]);
  if (header.width * header.height > MOST_PIXELS) throw new NoPhoto(copy.tooManyPixels);
  try {
    const whole = await createImageBitmap(file, { imageOrientation: 'from-image' });
    const scale = Math.min(1, LONGEST_SIDE / Math.max(whole.width, whole.height));
    if (scale === 1) return whole;
    const size = { resizeWidth: Math.round(whole.width * scale), resizeHeight: Math.round(whole.height * scale) };
    const small = await createImageBitmap(whole, { ...size, resizeQuality: 'high' });
    whole.close();
    return small;
  } catch {
    throw new NoPhoto(copy.notOpened);
  }
}
