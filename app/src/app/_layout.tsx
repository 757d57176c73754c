import { Slot, type ErrorBoundaryProps } from 'expo-router';
import { Suspense, useEffect } from 'react';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { checkIn } from '@/state/household';
import { keepAirFresh } from '@/state/air';
import { keepAssessed } from '@/state/assessing';
import { keepInStep } from '@/state/log';
import { Broken } from '@/features/Broken';
import { KeySheet } from '@/features/KeySheet';
import { watchForUse } from '@/ui/arrival';
import { keepWanted } from '@/state/wanted';
import { listenForKeys } from '@/ui/keys';
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

export default function Root() {
  useEffect(() => {
    // Whoever is not signed in is led elsewhere at once: the address they came by is kept before that.
    keepWanted();
    void checkIn();
    keepAppOnDevice();
    const stops = [keepInStep(), keepAirFresh(), keepAssessed(), listenForKeys(), watchForUse()];
    return () => stops.forEach((stop) => stop());
  }, []);
  return (
    <SafeAreaProvider>
      <Theme>
        <Suspense fallback={null}>
          <Slot />
        </Suspense>
        <KeySheet />
      </Theme>
    </SafeAreaProvider>
  );
}
