import { Slot } from 'expo-router';
import { useEffect } from 'react';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { checkIn } from '@/state/household';
import { keepInStep } from '@/state/log';
import { KeySheet } from '@/moments/KeySheet';
import { listenForKeys } from '@/ui/keys';
import { Theme } from '@/ui/theme';

export default function Root() {
  useEffect(() => {
    void checkIn();
    const stops = [keepInStep(), listenForKeys()];
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
