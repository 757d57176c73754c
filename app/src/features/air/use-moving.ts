import { useState } from 'react';
import { useAir } from '@/state/air';
import { usePlaces } from '@/state/places';
import { useInstrumentOnStand } from '@/state/stand';
import { usePreferences } from '@/state/preferences';
import { readNumber } from '@/copy/numbers';
import { useMoment } from './where';
import { DAY_MS } from '@tembrin/core/time';
import { equilibriumMoisture, movement, movingPlan, woodParts } from '@tembrin/core/air';

export const ELSEWHERE = 'elsewhere';

const ROOM_C = 20;

/** Two climates, and the steps from one to the other. */
export function useMoving() {
  const lengths = usePreferences((state) => state.lengths);
  const known = useAir((state) => state.air);
  const places = usePlaces();
  const { nowMs, timeZone } = useMoment();

  const read = [...places.values()].filter(({ latest }) => latest !== null);
  const [from, setFrom] = useState<string | null>(null);
  const [to, setTo] = useState<string | null>(null);
  const [typed, setTyped] = useState({ from: '50', to: '35' });
  const [startDays, setStartDays] = useState(0);
  const instrument = useInstrumentOnStand();
  const fromKey = from ?? read[0]?.place.id ?? ELSEWHERE;
  const toKey = to ?? ELSEWHERE;
  const climateOf = (key: string, text: string) => {
    const place = places.get(key);
    if (place) {
      const days = place.record.days.slice(-30);
      const mean = days.reduce((sum, { rh }) => sum + rh, 0) / Math.max(1, days.length);
      return days.length > 0 ? { rh: mean, tempC: ROOM_C } : null;
    }
    const percent = readNumber(text);
    return percent !== null && percent >= 10 && percent <= 90 ? { rh: percent / 100, tempC: ROOM_C } : null;
  };
  const [one, other] = [climateOf(fromKey, typed.from), climateOf(toKey, typed.to)];
  const plan = one && other ? movingPlan(one, other, nowMs + startDays * DAY_MS) : null;
  const body = instrument ? woodParts(instrument)[0] : undefined;
  const moves =
    body && one && other
      ? movement(body, equilibriumMoisture(one.rh, ROOM_C), equilibriumMoisture(other.rh, ROOM_C)).mm
      : null;
  const options = [
    ...read.map(({ place }) => ({ value: place.id, title: place.name })),
    { value: ELSEWHERE, title: 'Somewhere else' },
  ];
  return {
    lengths,
    known,
    nowMs,
    timeZone,
    setFrom,
    setTo,
    typed,
    setTyped,
    startDays,
    setStartDays,
    instrument,
    fromKey,
    toKey,
    one,
    other,
    plan,
    moves,
    options,
  };
}

export type MovingModel = ReturnType<typeof useMoving>;
