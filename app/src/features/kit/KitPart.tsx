import { Redirect, useLocalSearchParams } from 'expo-router';
import { PartScreen } from '../part/part-screen';
import { isPart } from '../part/parts';
import { useRouteInstrument } from './route-instrument';

/** Route: the working of one part of one instrument. */
export function KitPart() {
  const { part } = useLocalSearchParams<{ part: string }>();
  const instrument = useRouteInstrument();
  if (!instrument || !isPart(part)) return <Redirect href="/kit" />;
  return (
    <PartScreen instrument={instrument} part={part} back={{ pathname: '/kit/[id]', params: { id: instrument.id } }} />
  );
}
