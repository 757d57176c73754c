import { Redirect } from 'expo-router';
import type { Instrument } from '@tembrin/contract';
import { useRouteInstrument } from './route-instrument';

/** A screen of the instrument that its route names. */
export function ofInstrument(Shown: (props: { instrument: Instrument }) => React.ReactNode) {
  return function InstrumentRoute() {
    const instrument = useRouteInstrument();
    return instrument ? <Shown key={instrument.id} instrument={instrument} /> : <Redirect href="/kit" />;
  };
}
