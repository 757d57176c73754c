import { QUOTA_TOLD_FROM, QUOTAS, type Quota } from '@tembrin/contract/quotas';
import { numberWords } from '../numbers';

const NAMES: Readonly<Record<Exclude<Quota, 'checks' | 'people' | 'photoBytes' | 'shares'>, string>> = {
  instruments: 'instruments',
  places: 'rooms and cases',
  sensors: 'hygrometers',
  cards: 'dates, prices and packets',
  events: 'entries in the log',
  readings: 'readings',
  photos: 'photos',
};
/** What a household may fill up. */
export type Fillable = keyof typeof NAMES;

/** Told before a household has as much of something as it may; null while there is plenty of room. */
export function fillingWords(used: Readonly<Partial<Record<Fillable, number>>>): string | null {
  const nearly = (Object.keys(NAMES) as Fillable[]).filter(
    (what) => (used[what] ?? 0) >= QUOTA_TOLD_FROM * QUOTAS[what],
  );
  if (nearly.length === 0) return null;
  const each = nearly.map((what) => `${numberWords(used[what]!)} of ${numberWords(QUOTAS[what])} ${NAMES[what]}`);
  return `Nearly full: ${each.join('; ')}. Save the household as a file, then remove what is no longer yours.`;
}
