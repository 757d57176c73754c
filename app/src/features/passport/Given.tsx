import type { Instrument } from '@tembrin/contract';
import { Redirect, router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { removeInstrument, useHousehold } from '@/state/household';
import { useLog } from '@/state/log';
import { notify } from '@/state/notice';
import { Button } from '@/ui/Button';
import { Text } from '@/ui/Text';
import { Stack } from '@/ui/layout';
import { fullDateWords } from '@/copy/dates';
import { copy } from '@/copy/screens/kit/give';
import { assess } from '@tembrin/core/assess';
import { schoolsFor } from '@tembrin/core/instruments';
import { foldLog } from '@tembrin/core/log';
import { useMoment } from '../air/where';
import { useAsking } from '../asking';
import { PassportPage } from './PassportScreen';

/** Route: the copy of an instrument that was handed over. */
export function GivenRoute() {
  const { given: id } = useLocalSearchParams<{ given: string }>();
  const instrument = useHousehold((state) => state.household?.given.find((each) => each.id === id));
  return instrument ? <Given instrument={instrument} /> : <Redirect href="/kit" />;
}

function Given({ instrument }: { instrument: Instrument }) {
  const { schools } = useHousehold((state) => state.household)!;
  const events = useLog((state) => state.events[instrument.id]) ?? [];
  const { nowMs, timeZone } = useMoment();
  // What is not here any more is judged by nobody else: its life is folded here.
  const [assessment] = useState(() =>
    assess(instrument, foldLog(events, nowMs, timeZone), {
      schools: schoolsFor(instrument.family, schools, instrument.schools),
      observedFrom: Date.parse(instrument.addedAt),
    }),
  );
  const when = fullDateWords(timeZone)(Date.parse(instrument.givenAt!));
  return (
    <>
      <PassportPage assessment={assessment} back="/kit" note={copy.givenNote(instrument.givenTo ?? '', when)} />
      <RemoveCopy instrument={instrument} />
    </>
  );
}

/** The copy goes for good: so it is asked. */
function RemoveCopy({ instrument }: { instrument: Instrument }) {
  const [asked, setAsked] = useState(false);
  const { busy, ask } = useAsking();
  const remove = () =>
    void ask(async () => {
      await removeInstrument(instrument);
      router.replace('/kit');
      notify(copy.removed);
    });
  return (
    <Stack pad="one" gap="small">
      {asked && <Text kind="small">{copy.removeText}</Text>}
      <Button
        rank={asked ? 'outline' : 'plain'}
        title={copy.remove}
        busy={busy}
        onPress={asked ? remove : () => setAsked(true)}
      />
    </Stack>
  );
}
