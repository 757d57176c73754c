import { Redirect } from 'expo-router';
import { AppShell } from '@/features/AppShell';
import { useHousehold } from '@/state/household';

export default function ShellLayout() {
  const { status, household } = useHousehold();
  if (status === 'out') return <Redirect href="/" />;
  return household ? <AppShell /> : null;
}
