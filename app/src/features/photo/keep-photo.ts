import type { Instrument } from '@tembrin/contract';
import { act } from '@/state/actions';
import { loadPhotos } from '@/state/load-seldom';
import { notify } from '@/state/notice';
import { copy } from '@/copy/screens/photo/photos';
import type { LookId, View, Zone } from '@tembrin/core/instruments';
import type { Photographed } from '@tembrin/core/log';

/** What a photograph shows. */
interface Shown {
  look: LookId | null;
  zone: Zone;
  view?: View;
  /** Photographs of the same thing that are on record. */
  photos: readonly Photographed[];
}

/**
 * Keeps a photograph and puts it on record, unless the very same picture of the same thing is.
 * @param done what the player is told
 * @returns whether it came to it
 */
export async function keepAndRecord(
  instrument: Instrument,
  bytes: Uint8Array,
  { look, zone, view, photos: there }: Shown,
  done: string,
): Promise<boolean> {
  const photos = await loadPhotos();
  const hash = photos.hashOf(bytes);
  if (there.some((each) => each.photo === hash && each.view === view)) {
    notify(copy.already);
    return false;
  }
  const photo = await photos.keepPhoto(instrument.id, bytes);
  if (photo === null) return false;
  const payload = { photo, look, zone, findingId: null, ...(view !== undefined && { view }) };
  const recorded = await act(instrument.id, [{ type: 'photographed', payload }], done);
  if (recorded.length === 0) await photos.letGo({ instrumentId: instrument.id, photo });
  void photos.sendPhotos().catch(() => undefined);
  return recorded.length > 0;
}
