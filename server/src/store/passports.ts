import type { BodyOf } from '@tembrin/contract';
import { fail } from '../problems/problems';
import { outcomeApart } from '../reading/apart';
import type { PassportPages } from '../formats/passport-pdf';
import type { PhotoScope } from './photos';
import type { HouseholdScope } from './scope';

/** Bytes of photographs on one passport: what can be sent about. From memory. */
const MOST_BYTES = 40_000_000;

/**
 * The life of an instrument as a PDF, made apart from everything else, with those of its photographs that are kept and fit.
 * @param loan who signs, where it goes with a loan
 * @throws ProblemError 404; 503 where the store of photographs is not there
 */
export async function printPassport(
  scope: HouseholdScope,
  photos: PhotoScope,
  id: string,
  { passport, paper }: BodyOf<'printPassport'>,
  loan?: PassportPages['loan'],
): Promise<Buffer> {
  const { instruments } = await scope.household();
  if (!instruments.some((each) => each.id === id))
    fail(404, 'no-such-instrument', 'There is no such instrument here. It may have been removed.');
  let room = MOST_BYTES;
  let missing = 0;
  const fetched = async (list: readonly { photo: string; words: string }[]) => {
    const pictures = [];
    for (const { photo, words } of list) {
      const [bytes] = room > 0 ? await photos.readAll(id, [photo]) : [];
      if (bytes && bytes.length <= room) {
        room -= bytes.length;
        pictures.push({ words, bytes });
      } else missing++;
    }
    return pictures;
  };
  const [views, besides] = [await fetched(passport.views), await fetched(passport.photos)];
  const pages = { passport, views, photos: besides, missing, paper, atMs: Date.now() };
  const made = await outcomeApart('passport', { ...pages, ...(loan && { loan }) });
  return Buffer.from(made);
}
