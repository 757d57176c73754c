import { Redirect } from 'expo-router';
import type { Instrument } from '@tembrin/contract';
import { useRouteInstrument } from '../kit/route';
import { BrokenScreen } from './BrokenScreen';
import { CompareScreen } from './CompareScreen';
import { SettleScreen } from './SettleScreen';
import { StringsScreen } from './StringsScreen';
import { StrungForm } from './StrungForm';

/** A screen of the instrument that the route names. */
function ofInstrument(Shown: (props: { instrument: Instrument }) => React.ReactNode) {
  return function InstrumentRoute() {
    const instrument = useRouteInstrument();
    return instrument ? <Shown key={instrument.id} instrument={instrument} /> : <Redirect href="/kit" />;
  };
}

export const StringsRoute = ofInstrument(StringsScreen);
export const CompareRoute = ofInstrument(CompareScreen);
export const BrokenRoute = ofInstrument(BrokenScreen);
export const SettleRoute = ofInstrument(SettleScreen);
export const StrungRoute = ofInstrument(StrungForm);
