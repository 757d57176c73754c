import { Redirect } from 'expo-router';
import { useHousehold } from '@/state/household';
import { Places } from '@/moments/places';

export default function PlacesLayout() {
  const { status, household } = useHousehold();
  if (status === 'out') return <Redirect href="/" />;
  return household ? <Places /> : null;
}
