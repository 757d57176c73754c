import { Redirect, useLocalSearchParams } from 'expo-router';
import { PartScreen } from './kit-routes';
import { isPart } from '../part/parts';
import { useRouteInstrument } from './route-instrument';

/** Route: the working of one part of one instrument. */
export function KitPart() {
  const { part, bow } = useLocalSearchParams<{ part: string; bow?: string }>();
  const instrument = useRouteInstrument();
  if (!instrument || !isPart(part)) return <Redirect href="/kit" />;
  return (
    <PartScreen
      instrument={instrument}
      part={part}
      bowId={bow}
      back={
        bow === undefined
          ? { pathname: '/kit/[id]', params: { id: instrument.id } }
          : { pathname: '/kit/[id]/bows/[bow]', params: { id: instrument.id, bow } }
      }
    />
  );
}
