import { Redirect, useLocalSearchParams } from 'expo-router';
import { useJudged } from '@/state/condition';
import { standOf, useHousehold } from '@/state/household';
import { useLook } from '@/state/look';
import type { Instrument } from '@tembrin/contract';
import { ChangeJob } from './ChangeJob';
import { ChangeStart } from './ChangeStart';

/** Route: the guided change of strings, of the instrument named or the one on the stand. */
export function ChangeRoute() {
  const { id } = useLocalSearchParams<{ id?: string }>();
  const household = useHousehold((state) => state.household)!;
  const standId = useLook((state) => state.standId);
  const instrument = household.instruments.find((each) => each.id === id) ?? standOf(household, standId);
  return instrument ? <Change key={instrument.id} instrument={instrument} /> : <Redirect href="/kit/add" />;
}

function Change({ instrument }: { instrument: Instrument }) {
  const { log } = useJudged(instrument);
  const open = log.changes.findLast(({ endedAt }) => endedAt === null);
  return open ? (
    <ChangeJob key={open.eventId} instrument={instrument} change={open} />
  ) : (
    <ChangeStart instrument={instrument} />
  );
}
