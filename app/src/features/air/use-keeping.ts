import { useState } from 'react';
import { useAir } from '@/state/air';
import { usePlaces } from '@/state/places';
import { usePreferences } from '@/state/preferences';
import { temperatureFigure } from '@/copy/measures';
import { readTemperature } from '@/copy/typed';
import { useMoment } from './where';
import { WARM_THROUGH_H, warmThrough, weatherHours } from '@tembrin/core/air';
import { DAY_MS, HOUR_MS } from '@tembrin/core/time';
import type { CaseKind } from '@tembrin/core/instruments';

/** A case from the cold and a parked car, by today’s weather and rooms. */
export function useKeeping() {
  const { nowMs, timeZone } = useMoment();
  const temperatures = usePreferences((state) => state.temperatures);
  const weather = weatherHours(useAir((state) => state.air?.weather ?? null));
  const places = [...usePlaces().values()].filter(
    ({ place, latest }) => place.kind === 'room' && latest?.tempC != null,
  );
  const [placeId, setPlaceId] = useState<string | null>(null);
  const [kind, setKind] = useState<CaseKind>('hard');
  const [text, setText] = useState<string | null>(null);
  const today = weather.filter(({ at }) => at >= nowMs - HOUR_MS && at < nowMs + DAY_MS);
  const out = today[0]?.tempC ?? null;
  const warmest = today.length > 0 ? Math.max(...today.map(({ tempC }) => tempC)) : null;
  const room = places.find(({ place }) => place.id === placeId) ?? places[0];
  const typed = text ?? (out === null ? '' : temperatureFigure(out, temperatures));
  const caseC = typed.trim() === '' ? null : readTemperature(typed, temperatures);
  const through =
    room && typeof caseC === 'number'
      ? warmThrough(caseC, { rh: room.latest!.rh, tempC: room.latest!.tempC! }, WARM_THROUGH_H[kind])
      : null;
  return {
    nowMs,
    timeZone,
    temperatures,
    places,
    setPlaceId,
    kind,
    setKind,
    setText,
    warmest,
    room,
    typed,
    caseC,
    through,
  };
}

export type KeepingModel = ReturnType<typeof useKeeping>;
