import { enter } from '@/state/actions';
import { loadPhotos } from '@/state/load-seldom';
import { written, type Draft } from '@/state/log';
import type { LogEvent } from '@tembrin/core/log';

/**
 * Puts a look on record, with its photograph as one act. That is kept on this device first, so that no entry names what is nowhere.
 * @returns the entries; none where it could not be, which the player is told
 */
export async function actWithPhoto(
  instrumentId: string,
  drafts: readonly Draft[],
  bytes: Uint8Array | null,
  done: string | null,
): Promise<readonly LogEvent[]> {
  const events: LogEvent[] = drafts.map((draft) => written(instrumentId, draft));
  const looked = events.find((event) => event.type === 'looked-at');
  if (!bytes || !looked) return enter(events, done);
  const photos = await loadPhotos();
  const photo = await photos.keepPhoto(instrumentId, bytes);
  if (photo === null) return [];
  const { look, zone } = looked.payload;
  const payload = { photo, look, zone, findingId: looked.id };
  const entered = await enter([...events, written(instrumentId, { type: 'photographed', payload })], done);
  if (entered.length === 0) await photos.letGo({ instrumentId, photo });
  void photos.sendPhotos().catch(() => undefined);
  return entered;
}
