import { useEffect, useState } from 'react';
import { Refused } from '@/state/api';
import { loadPhotos } from '@/state/load-seldom';
import { photoKey, usePhotosWaiting } from '@/state/photos-waiting';

/** What can be seen of a photograph. */
export type PhotoSight =
  { kind: 'loading' | 'gone' | 'out-of-reach' } | { kind: 'here'; url: string; waits: boolean; problem: string | null };

type Seen = { key: string } & ({ url: string; why: null } | { url: null; why: 'gone' | 'out-of-reach' });

/** A photograph to be shown: from this device, or the server. */
export function usePhoto(instrumentId: string, photo: string): PhotoSight {
  const key = photoKey({ instrumentId, photo });
  const [seen, setSeen] = useState<Seen | null>(null);
  const waiting = usePhotosWaiting((state) => state[key]);
  useEffect(() => {
    let url: string | null = null;
    let shown = true;
    const look = async () => (await loadPhotos()).photoBytes({ instrumentId, photo });
    look().then(
      (bytes) => {
        if (!shown) return;
        url = URL.createObjectURL(new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'image/jpeg' }));
        setSeen({ key, url, why: null });
      },
      (error: unknown) => {
        const gone = error instanceof Refused && error.problem.status === 404;
        if (shown) setSeen({ key, url: null, why: gone ? 'gone' : 'out-of-reach' });
      },
    );
    return () => {
      shown = false;
      if (url) URL.revokeObjectURL(url);
    };
  }, [instrumentId, photo, key]);
  if (seen?.key !== key) return { kind: 'loading' };
  if (seen.why !== null) return { kind: seen.why };
  return { kind: 'here', url: seen.url, waits: waiting !== undefined, problem: waiting?.detail ?? null };
}
