import { Redirect } from 'expo-router';
import { useInstrumentOnStand } from '@/state/stand';
import { Stand } from './Stand';

/** The instrument on the stand. */
export function Now() {
  const instrument = useInstrumentOnStand();
  return instrument ? <Stand key={instrument.id} instrument={instrument} part={null} /> : <Redirect href="/kit/add" />;
}
