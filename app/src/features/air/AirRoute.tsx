import { useLocalSearchParams } from 'expo-router';
import { useWide } from '@/ui/theme';
import { Air } from './Air';
import { PlaceRoute } from './PlaceScreen';

/** Route: the rooms at a glance; on a phone one of them by itself, on a wide screen beside the others. */
export function AirRoute() {
  const { place } = useLocalSearchParams<{ place?: string }>();
  const wide = useWide();
  return place && !wide ? <PlaceRoute /> : <Air chosen={place} />;
}
