import type { Instrument } from '@tembrin/contract';
import { useLocalSearchParams } from 'expo-router';
import { standOf, useHousehold } from './household';
import { usePreferences } from './preferences';

/** The instrument that the address names, else the one on the stand; null while the household has none. */
export function useInstrumentMeant(): Instrument | null {
  const { id } = useLocalSearchParams<{ id?: string }>();
  const household = useHousehold((state) => state.household)!;
  const onStand = useInstrumentOnStand();
  return household.instruments.find((each) => each.id === id) ?? onStand;
}

/** The instrument on the stand; null while the household has none. */
export function useInstrumentOnStand(): Instrument | null {
  const household = useHousehold((state) => state.household)!;
  const standId = usePreferences((state) => state.standId);
  return standOf(household, standId);
}
