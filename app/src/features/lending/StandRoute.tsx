import { Redirect, useLocalSearchParams } from 'expo-router';
import { useEffect } from 'react';
import { useHousehold } from '@/state/household';
import { forgetWanted } from '@/state/wanted';
import { usePreferences } from '@/state/preferences';
import { Empty } from '@/ui/Empty';
import { Screen } from '@/ui/Screen';
import { copy } from '@/copy/screens/lending/stand';

/** Route: the address on a label. It puts its instrument on the stand, for who may see it. */
export function StandRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const instrument = useHousehold((state) => state.household!.instruments.find((each) => each.id === id));
  const standId = usePreferences((state) => state.standId);
  useEffect(() => {
    // Whoever sees this is signed in: the way back was taken.
    forgetWanted();
    if (instrument) usePreferences.getState().putOnStand(instrument.id);
  }, [instrument]);
  if (!instrument)
    return (
      <Screen title={copy.title} back="/now">
        <Empty title={copy.notHere} text={copy.notHereText} />
      </Screen>
    );
  return standId === instrument.id ? <Redirect href="/now" /> : null;
}
