import { Readable } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import { promisify } from 'node:util';
import { PHOTO_BYTES, type ResponseOf } from '@tembrin/contract';
import { open, type Entry, type ZipFile as Packed } from 'yauzl';
import { ZipFile } from 'yazl';
import { fail, ProblemError } from '../problems/problems';
import type { PhotoScope } from './photos';

/** A photograph's name in the file: its instrument, and its hash. */
const NAME = /^([0-9a-f]{8}-[0-9a-f-]{27})\/([0-9a-f]{64})\.jpg$/;
/** Entries of a file that are looked at. */
const MOST_ENTRIES = 4000;

/** All photographs of a household as a ZIP file, made as it is read; a photograph is packed as it is. */
export async function photosOut(photos: PhotoScope): Promise<AsyncIterable<Uint8Array>> {
  const zip = new ZipFile();
  const out = zip.outputStream as Readable;
  // What the store gives no more, since it was removed meanwhile, is an empty entry: bringing it in says so.
  const read = (id: string, photo: string) =>
    photos.read({ id, photo }).catch((error: unknown) => {
      if (error instanceof ProblemError && error.problem.status === 404) return Buffer.alloc(0);
      throw error;
    });
  zip.on('error', (error: Error) => out.destroy(error));
  for (const { instrumentId, photo } of await photos.list())
    zip.addReadStreamLazy(`${instrumentId}/${photo}.jpg`, { compress: false }, (take) => {
      void read(instrumentId, photo).then(
        (bytes) => take(null, Readable.from([bytes], { objectMode: false })),
        (error: Error) => take(error, Readable.from([])),
      );
    });
  zip.end();
  return out as AsyncIterable<Uint8Array>;
}

/** Opens a file of photographs. @throws ProblemError 422 where it is none */
async function opened(path: string): Promise<Packed> {
  try {
    return await promisify<string, { lazyEntries: boolean; autoClose: boolean }, Packed>(open)(path, {
      lazyEntries: true,
      autoClose: false,
    });
  } catch {
    return fail(
      422,
      'not-a-file-of-photos',
      'That is no file of photos, or not all of it. Choose the ZIP file saved here.',
    );
  }
}

/** The entries of a file, one after another. @throws ProblemError 422 where its list is broken or too long */
async function* entriesOf(file: Packed): AsyncGenerator<Entry> {
  if (file.entryCount > MOST_ENTRIES) fail(422, 'too-many', `A file holds at most ${MOST_ENTRIES} photos.`);
  for (let seen = 0; seen < file.entryCount; seen++) {
    yield await new Promise<Entry>((resolve, reject) => {
      file.once('entry', resolve);
      file.once('error', reject);
      file.readEntry();
    }).catch(() => fail(422, 'not-whole', 'The list in that file is broken. What came before it was kept.'));
    file.removeAllListeners('entry').removeAllListeners('error');
  }
}

/** Brings the photographs of a file in: each is kept, or it is said why not. @param path of the file */
export async function photosIn(photos: PhotoScope, path: string): Promise<ResponseOf<'importPhotos'>> {
  const file = await opened(path);
  const refused = new Map<string, number>();
  const counts = { photos: 0, known: 0, others: 0 };
  try {
    for await (const entry of entriesOf(file)) {
      if (entry.fileName.endsWith('/')) continue;
      const outcome = await takeIn(photos, file, entry);
      if (outcome in counts) counts[outcome as keyof typeof counts] += 1;
      else refused.set(outcome, (refused.get(outcome) ?? 0) + 1);
    }
  } finally {
    file.close();
  }
  return { photos: counts.photos, known: counts.known, left: sentences(refused, counts.others) };
}

/** Takes one entry in. @returns how it went, or a sentence why it stays behind */
async function takeIn(photos: PhotoScope, file: Packed, entry: Entry): Promise<'photos' | 'known' | 'others' | string> {
  const [, id, photo] = NAME.exec(entry.fileName) ?? [];
  // What is packed smaller could be of any size: photographs are packed as they are.
  const plain = entry.compressionMethod === 0 && entry.uncompressedSize <= PHOTO_BYTES && !entry.isEncrypted();
  if (id === undefined || photo === undefined || !plain) return 'others';
  const bytes = await promisify<Entry, Readable>(file.openReadStream.bind(file))(entry)
    .then(buffer)
    .catch(() => null);
  if (!bytes) return 'others';
  try {
    return (await photos.keepBytes({ id, photo }, bytes)).known ? 'known' : 'photos';
  } catch (error) {
    if (error instanceof ProblemError && error.problem.status < 500) return error.problem.detail;
    throw error;
  }
}

function sentences(refused: ReadonlyMap<string, number>, others: number): string[] {
  const counted = (count: number) => (count === 1 ? 'One photo stays' : `${count} photos stay`);
  return [
    ...[...refused].map(([why, count]) => `${counted(count)} behind. ${why}`),
    ...(others > 0 ? [`${others} ${others === 1 ? 'entry is' : 'entries are'} no photo as it is saved here.`] : []),
  ];
}
