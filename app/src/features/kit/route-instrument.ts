import type { Instrument } from '@tembrin/contract';
import { useLocalSearchParams } from 'expo-router';
import { useHousehold } from '@/state/household';

/** The instrument a route is about; null when there is none such. */
export function useRouteInstrument(): Instrument | null {
  const { id } = useLocalSearchParams<{ id: string }>();
  return useHousehold((state) => state.household?.instruments.find((each) => each.id === id) ?? null);
}
