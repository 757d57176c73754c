import type { ErrorBoundaryProps } from 'expo-router';
import { useEffect, useState } from 'react';
import { forgetStand } from '@/opening/kept-stand';
import { Button } from '@/ui/Button';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/broken';

const MARK = 'tembrin-reloaded';
/** A page that fails again so soon is not reloaded by itself any more. */
const AGAIN_MS = 60_000;

/**
 * Instead of a page that failed. Most often a part of it could not be fetched, because the app was built anew while the page was
 * open: then the page is reloaded, once, and goes on.
 */
export function Broken({ error }: Pick<ErrorBoundaryProps, 'error'>) {
  const [reloading] = useState(() => Date.now() - Number(sessionStorage.getItem(MARK)) > AGAIN_MS);
  useEffect(() => {
    if (!reloading) return;
    sessionStorage.setItem(MARK, String(Date.now()));
    // It may be what was kept of the stand that it failed of.
    forgetStand();
    // Without its pages the router goes back to the first address meanwhile.
    const { href } = location;
    setTimeout(() => {
      history.replaceState(null, '', href);
      location.reload();
    });
  }, [reloading]);
  if (reloading) return null;
  return (
    <Stack grow ground="ground">
      <Screen title={copy.thisPageFailed} foot={<Button title={copy.reload} onPress={() => location.reload()} />}>
        <Text>{copy.whatYouRecorded}</Text>
        <Text kind="small" tone="quiet">
          {error.message}
        </Text>
      </Screen>
    </Stack>
  );
}
