import { Slot } from 'expo-router';
import { useEffect } from 'react';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { checkIn } from '@/state/household';
import { keepAirFresh } from '@/state/air';
import { judgeAhead } from '@/state/condition';
import { keepInStep } from '@/state/log';
import { KeySheet } from '@/moments/KeySheet';
import { listenForKeys } from '@/ui/keys';
import { Theme } from '@/ui/theme';

/** Lets the app open without a connection. Browsers allow it over TLS and on the device itself. */
function keepAppOnDevice() {
  if (process.env.NODE_ENV === 'production') void navigator.serviceWorker?.register('/sw.js').catch(() => undefined);
}

export default function Root() {
  useEffect(() => {
    void checkIn();
    keepAppOnDevice();
    const stops = [keepInStep(), keepAirFresh(), judgeAhead(), listenForKeys()];
    return () => stops.forEach((stop) => stop());
  }, []);
  return (
    <SafeAreaProvider>
      <Theme>
        <Slot />
        <KeySheet />
      </Theme>
    </SafeAreaProvider>
  );
}
