import { Redirect } from 'expo-router';
import { standOf, useHousehold } from '@/state/household';
import { useLook } from '@/state/look';
import { Stand } from './Stand';

/** The instrument on the stand. */
export function Now() {
  const household = useHousehold((state) => state.household)!;
  const standId = useLook((state) => state.standId);
  const instrument = standOf(household, standId);
  return instrument ? <Stand key={instrument.id} instrument={instrument} part={null} /> : <Redirect href="/kit/add" />;
}
