import { Navigator, Slot, type ErrorBoundaryProps } from 'expo-router';
import { Suspense, useEffect, useState } from 'react';
import { keepAirFresh } from '@/state/air';
import { keepAssessed } from '@/state/assessing';
import { keepInStep } from '@/state/log';
import { keepStand } from '@/state/stand-before';
import { Broken } from '@/features/Broken';
import { KeySheet } from '@/features/KeySheet';
import { watchForUse } from '@/ui/arrival';
import { listenForKeys } from '@/ui/keys';
import { drawNext } from '@/ui/turn';
import { Theme } from '@/ui/theme';

/** What stands in place of a page that failed. */
export function ErrorBoundary(props: ErrorBoundaryProps) {
  return (
    <Theme>
      <Broken {...props} />
    </Theme>
  );
}

/** Lets the app open without a connection. Browsers allow it over TLS and on the device itself. */
function keepAppOnDevice() {
  if (process.env.NODE_ENV === 'production') void navigator.serviceWorker?.register('/sw.js').catch(() => undefined);
}

/** The navigator is there from the beginning: while one is missing, the router tells another address. */
export default function Root() {
  // Pages come in a second task: one with the router's beginning would keep a slow phone from answering for long.
  const [begun, setBegun] = useState(false);
  useEffect(() => {
    keepAppOnDevice();
    const stops = [keepInStep(), keepAirFresh(), keepAssessed(), keepStand(), listenForKeys(), watchForUse()];
    drawNext(() => setBegun(true));
    return () => stops.forEach((stop) => stop());
  }, []);
  return (
    <Theme>
      <Navigator>
        <Suspense key="pages" fallback={null}>
          {begun && <Slot />}
        </Suspense>
      </Navigator>
      <KeySheet />
    </Theme>
  );
}
