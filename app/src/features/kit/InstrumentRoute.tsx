import { Redirect } from 'expo-router';
import { useWide } from '@/ui/theme';
import { InstrumentScreen } from './InstrumentScreen';
import { Kit } from './Kit';
import { useRouteInstrument } from './route-instrument';

/** Route: one instrument; on a wide screen beside the list. */
export function InstrumentRoute() {
  const instrument = useRouteInstrument();
  const wide = useWide();
  if (!instrument) return <Redirect href="/kit" />;
  return wide ? <Kit chosen={instrument} /> : <InstrumentScreen key={instrument.id} instrument={instrument} />;
}
