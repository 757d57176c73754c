import { Redirect } from 'expo-router';
import { AppShell } from '@/features/AppShell';
import { useHousehold } from '@/state/household';
import { keepWanted } from '@/state/wanted';

export default function ShellLayout() {
  const { status, household } = useHousehold();
  if (status === 'out') {
    keepWanted();
    return <Redirect href="/" />;
  }
  return household ? <AppShell /> : null;
}
