import { Navigator, Redirect } from 'expo-router';
import { AppShell } from '@/features/AppShell';
import { useHousehold } from '@/state/household';

/** The navigator is there from the beginning: while one is missing, the router tells the first address there is for the page's own. */
export default function ShellLayout() {
  return (
    <Navigator>
      <Shell key="shell" />
    </Navigator>
  );
}

function Shell() {
  const { status, household } = useHousehold();
  if (status === 'out') return <Redirect href="/" />;
  return household ? <AppShell /> : null;
}
