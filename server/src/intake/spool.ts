import { createWriteStream } from 'node:fs';
import { mkdir, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { HOUR_MS } from '@tembrin/core';
import { fail } from '../problems/problems';

/** Said of a file that is larger than what is taken. */
export function tooLarge(mostBytes: number): string {
  const size =
    mostBytes >= 1_000_000 ? `${Math.round(mostBytes / 1_000_000)} MB` : `${Math.round(mostBytes / 1000)} KB`;
  return `That file is larger than ${size}. Export a shorter stretch, or cut it in parts.`;
}

/** Files of one household taken in at the same time, by all processes of this machine together. */
const AT_ONCE = 2;
/** A folder that nobody wrote to for so long was left behind by a process that ended: no request lasts that long. */
const LEFT_BEHIND_MS = HOUR_MS;

/** Takes one of a household's places on the disk: a folder, which only one process can make. @throws ProblemError 429 */
async function placeFor(householdId: string): Promise<string> {
  for (let place = 0; place < AT_ONCE; place++) {
    const folder = join(tmpdir(), `tembrin-file-${householdId}-${place}`);
    if (await taken(folder)) return folder;
    const { mtimeMs } = await stat(folder).catch(() => ({ mtimeMs: Date.now() }));
    if (Date.now() - mtimeMs < LEFT_BEHIND_MS) continue;
    await rm(folder, { recursive: true, force: true });
    if (await taken(folder)) return folder;
  }
  return fail(
    429,
    'imports-running',
    'Two files are being taken in already. Wait until one of them is in, then try again.',
  );
}

async function taken(folder: string): Promise<boolean> {
  try {
    await mkdir(folder, { mode: 0o700 });
    return true;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'EEXIST') return false;
    throw error;
  }
}

/**
 * Takes in a file as it comes, up to a size, and has work done on it; it is gone afterwards. Nothing of the database is held
 * while a slow client sends.
 * @param arrived told of every part's size
 * @throws ProblemError 413 for a file that is too large, 429 while the household's others are being taken in
 */
export async function spooled<T>(
  householdId: string,
  body: AsyncIterable<Uint8Array>,
  mostBytes: number,
  arrived: (bytes: number) => void,
  work: (path: string) => Promise<T>,
): Promise<T> {
  const folder = await placeFor(householdId);
  try {
    const path = join(folder, 'file');
    await pipeline(counted(body, mostBytes, arrived), createWriteStream(path));
    return await work(path);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** What comes, as long as it is not too much. */
async function* counted(body: AsyncIterable<Uint8Array>, mostBytes: number, arrived: (bytes: number) => void) {
  let bytes = 0;
  for await (const part of body) {
    bytes += part.length;
    if (bytes > mostBytes) fail(413, 'too-large', tooLarge(mostBytes));
    arrived(part.length);
    yield part;
  }
}

/** The beginning of a file as it comes: as many bytes as are looked at. The rest is left unread. */
export async function beginning(body: AsyncIterable<Uint8Array>, mostBytes: number): Promise<Buffer> {
  const parts: Uint8Array[] = [];
  let bytes = 0;
  for await (const part of body) {
    parts.push(part);
    bytes += part.length;
    if (bytes >= mostBytes) break;
  }
  return Buffer.concat(parts).subarray(0, mostBytes);
}
