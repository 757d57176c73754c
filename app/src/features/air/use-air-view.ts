import { router } from 'expo-router';
import { useState } from 'react';
import { useAir } from '@/state/air';
import { usePlaces } from '@/state/places';
import { useMay } from '@/state/people';
import { useKeys } from '@/ui/keys';
import { useWide } from '@/ui/theme';
import { useMoment } from './where';
import { copy } from '@/copy/screens/air/air';

/** Rooms and cases with what their hygrometers report. */
export function useAirView({ chosen }: { chosen?: string }) {
  const air = useAir((state) => state.air);
  const reached = useAir((state) => state.reached);
  const unsent = useAir((state) => state.unsent);
  const places = usePlaces();
  const wide = useWide();

  const moment = useMoment();
  const [reading, setReading] = useState(false);
  const add = () => router.push('/air/add');
  const list = [...places.values()];
  const read = () => (list.length > 0 ? setReading(true) : add());
  const may = useMay('arrange');
  useKeys({
    r: { label: copy.readAHygrometer, run: read },
    ...(may && { a: { label: copy.addARoomOr, run: add } }),
  });
  const faults = (air?.sensors ?? []).flatMap((sensor) => sensor.faults.map((fault) => ({ sensor, fault })));
  const shown = places.get(chosen ?? '') ?? list[0];
  return { air, reached, unsent, wide, moment, reading, setReading, add, list, read, faults, shown };
}

export type AirModel = ReturnType<typeof useAirView>;
