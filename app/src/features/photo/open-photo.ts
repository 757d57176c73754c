import { HEADER_BYTES, MOST_PICTURE_BYTES, MOST_PIXELS, pictureHeader } from '@tembrin/core/vision';
import { copy } from '@/copy/screens/photo/measure';
import type { VisionAnswer, VisionJob } from '@/workers/vision-jobs';

/** A photograph that cannot be opened; the message says what to do. */
export class NoPhoto extends Error {}

/**
 * Looks at a file's beginning, before anything of it is unpacked.
 * @throws NoPhoto where it is no photograph, or too large
 */
export async function checkPhoto(file: File): Promise<void> {
  if (file.size > MOST_PICTURE_BYTES) throw new NoPhoto(copy.tooManyBytes);
  const header = pictureHeader(new Uint8Array(await file.slice(0, HEADER_BYTES).arrayBuffer()));
  if (typeof header === 'string') throw new NoPhoto(copy.headerFaults[header]);
  if (header.width * header.height > MOST_PIXELS) throw new NoPhoto(copy.tooManyPixels);
}

/**
 * A photograph as it is kept: upright, at most 2048 px a side, written anew without a trace of place, time or camera; away from the
 * thread that draws.
 * @throws NoPhoto where it is none, too large, or cannot be opened here
 */
export async function takePhoto(file: File): Promise<Uint8Array> {
  await checkPhoto(file);
  const worker = new Worker('/vision.js');
  try {
    const told = await new Promise<VisionAnswer>((resolve, reject) => {
      worker.onmessage = ({ data }: MessageEvent<VisionAnswer>) => resolve(data);
      worker.onerror = () => reject(new NoPhoto(copy.notLooked));
      worker.postMessage({ kind: 'write', file } satisfies VisionJob);
    });
    if (told.kind !== 'written' || !told.bytes) throw new NoPhoto(copy.notOpened);
    return told.bytes;
  } finally {
    worker.terminate();
  }
}
