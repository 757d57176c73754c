import { QUOTAS, type Quota } from '@tembrin/contract/quotas';
import { fail } from './problems';

/** What to do where there is as much of something as there may be. */
const SENTENCES: Readonly<Record<Quota, (most: string) => string>> = {
  instruments: (most) => `A household holds at most ${most} instruments. Remove one first.`,
  places: (most) => `A household holds at most ${most} rooms and cases. Remove one first.`,
  sensors: (most) => `A household holds at most ${most} hygrometers. Remove one first.`,
  checks: (most) => `At most ${most} checks of one hygrometer are kept. Remove old ones first.`,
  cards: (most) => `A household keeps at most ${most} dates, prices and packets. Remove some first.`,
  events: (most) =>
    `A household’s log holds at most ${most} entries. Save it as a file and remove instruments that are no longer yours.`,
  shares: (most) => `At most ${most} links to workshops are kept, and all of them are open. Revoke one first.`,
  people: (most) => `A household has at most ${most} people, those who are gone among them.`,
  photos: (most) => `A household keeps at most ${most} photos. Remove some first.`,
  photoBytes: () =>
    `The photos of a household take at most ${QUOTAS.photoBytes / 1e6} MB, and these are full. Remove some first, or save them as a file.`,
  readings: (most) =>
    `A household keeps at most ${most} readings. Save them as a file and remove a hygrometer that no longer hangs anywhere.`,
};

/** @throws ProblemError 422 where there would be more of something than a household keeps */
export function checkQuota(what: Quota, there: number, coming = 1): void {
  const most = QUOTAS[what];
  if (coming > 0 && there + coming > most) fail(422, 'too-many', SENTENCES[what](most.toLocaleString('en')));
}
