import { Redirect } from 'expo-router';
import { useHousehold } from '@/state/household';
import { Welcome } from '@/features/auth/Welcome';

export default function Index() {
  const status = useHousehold((state) => state.status);
  if (status === 'checking') return null;
  return status === 'in' ? <Redirect href="/now" /> : <Welcome />;
}
