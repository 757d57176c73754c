import { Redirect } from 'expo-router';
import { useMay } from '@/state/people';
import { useInstrumentOnStand } from '@/state/stand';
import { After } from '@/ui/After';
import { Empty } from '@/ui/Empty';
import { Screen } from '@/ui/Screen';
import { copy } from '@/copy/screens/now/now';
import { Stand } from './Stand';

/** The instrument on the stand. */
export function Now() {
  const instrument = useInstrumentOnStand();
  const may = useMay('arrange');
  if (instrument)
    return (
      <After opening>
        <Stand key={instrument.id} instrument={instrument} part={null} />
      </After>
    );
  return may ? <Redirect href="/kit/add" /> : <NothingYet />;
}

/** For who plays or helps, before they were given an instrument. */
function NothingYet() {
  return (
    <Screen title="Now">
      <Empty title={copy.nothingYet} text={copy.nothingYetText} />
    </Screen>
  );
}
