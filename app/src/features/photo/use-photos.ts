import type { Instrument } from '@tembrin/contract';
import { useEffect, useState } from 'react';
import { enter, takeBack } from '@/state/actions';
import { call } from '@/state/api';
import { useAssessment, useComplete } from '@/state/assessments';
import { loadPhotos } from '@/state/load-seldom';
import { written } from '@/state/log';
import { notify } from '@/state/notice';
import { photoKey, usePhotosWaiting } from '@/state/photos-waiting';
import { ZONE_NAMES } from '@/copy/names';
import { copy } from '@/copy/screens/photo/photos';
import { LOOK_DATA, VIEW_DATA, type LookId, type View, type Zone } from '@tembrin/core/instruments';
import type { Photographed } from '@tembrin/core/log';
import { keepAndRecord } from './keep-photo';

/** Photographs of the same thing, the oldest first. */
interface Group {
  key: string;
  title: string;
  look: LookId | null;
  zone: Zone;
  view?: View;
  photos: readonly Photographed[];
}

/** An instrument's photographs, by what they show. */
function grouped(photos: readonly Photographed[]): Group[] {
  const groups = new Map<string, Group>();
  for (const each of photos) {
    const zone = each.zone ?? 'whole';
    const { view } = each;
    const key = view ?? each.look ?? zone;
    const title = view ? VIEW_DATA[view].title : each.look ? LOOK_DATA[each.look].title : ZONE_NAMES[zone];
    const before = groups.get(key)?.photos ?? [];
    groups.set(key, { key, title, look: each.look, zone, ...(view && { view }), photos: [...before, each] });
  }
  return [...groups.values()];
}

/** Room that the household's photographs take on the server; null while it is not known. */
function useRoom(count: number) {
  const [room, setRoom] = useState<{ count: number; bytes: number } | null>(null);
  useEffect(() => {
    call('readPhotos').then(
      ({ photos }) => setRoom({ count: photos.length, bytes: photos.reduce((sum, { bytes }) => sum + bytes, 0) }),
      () => undefined,
    );
  }, [count]);
  return room;
}

/** Takes a photograph off the record, and offers to put it back. @param elsewhere whether another entry names it: then it stays */
async function takeOff(name: { instrumentId: string; photo: string }, eventId: string, elsewhere: boolean) {
  const retraction = written(name.instrumentId, { type: 'retracted', payload: { eventId } });
  if ((await enter([retraction], null)).length === 0) return;
  const putBack = elsewhere ? null : await (await loadPhotos()).removePhoto(name);
  notify(elsewhere ? copy.removedHere : copy.removed, async () => {
    await putBack?.();
    await takeBack([retraction]);
  });
}

/** An instrument’s photographs: two dates of one thing side by side. @param wanted what is shown first */
export function usePhotosOf(instrument: Instrument, wanted: string | undefined) {
  const { log } = useAssessment(instrument);
  const complete = useComplete(instrument.id);
  const waiting = usePhotosWaiting();
  const groups = grouped(log.photos);
  const [chosen, setChosen] = useState(wanted ?? null);
  const group = groups.find(({ key }) => key === chosen) ?? groups[0] ?? null;
  const [pair, setPair] = useState<readonly [string | null, string | null]>([null, null]);
  const [large, setLarge] = useState<string | null>(null);
  const photos = group?.photos ?? [];
  const at = (eventId: string | null, otherwise: number) => {
    const found = photos.findIndex((each) => each.eventId === eventId);
    return found < 0 ? otherwise : found;
  };
  const newer = at(pair[1], photos.length - 1);
  const older = at(pair[0], Math.max(0, photos.length - 2));
  const room = useRoom(log.photos.length - Object.keys(waiting).length);
  const shown = [older, newer].filter((_index, side) => photos.length > 1 || side === 1);
  const setSide = (side: 0 | 1, index: number) => {
    const id = photos[index]?.eventId ?? null;
    setPair(side === 0 ? [id, photos[newer]?.eventId ?? null] : [photos[older]?.eventId ?? null, id]);
  };
  const remove = async (each: Photographed) => {
    const elsewhere = log.photos.some(({ eventId, photo }) => photo === each.photo && eventId !== each.eventId);
    const name = { instrumentId: instrument.id, photo: each.photo };
    setLarge(null);
    await takeOff(name, each.eventId, elsewhere);
  };
  const problemOf = ({ photo }: Photographed) => {
    const key = photoKey({ instrumentId: instrument.id, photo });
    return key in waiting ? (waiting[key]?.detail ?? 'waits') : null;
  };
  return {
    complete,
    moment: { nowMs: log.nowMs, timeZone: log.timeZone },
    groups,
    group,
    choose: (key: string) => {
      setChosen(key);
      setPair([null, null]);
      setLarge(null);
    },
    photos,
    shown,
    setSide,
    large: photos.find(({ eventId }) => eventId === large) ?? null,
    setLarge,
    room,
    remove,
    problemOf,
    sendAgain: async ({ photo }: Photographed) =>
      (await loadPhotos()).sendAgain({ instrumentId: instrument.id, photo }),
    add: async (bytes: Uint8Array) => {
      const as = group ?? { look: null, zone: 'whole' as const, photos: [] };
      if (await keepAndRecord(instrument, bytes, as, copy.added)) setPair([null, null]);
    },
  };
}

export type PhotosModel = ReturnType<typeof usePhotosOf>;
