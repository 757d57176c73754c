import type { Instrument } from '@tembrin/contract';
import { standOf, useHousehold } from './household';
import { usePreferences } from './preferences';

/** The instrument on the stand; null while the household has none. */
export function useInstrumentOnStand(): Instrument | null {
  const household = useHousehold((state) => state.household)!;
  const standId = usePreferences((state) => state.standId);
  return standOf(household, standId);
}
