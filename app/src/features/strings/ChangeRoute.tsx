import { Redirect } from 'expo-router';
import { useAssessment } from '@/state/assessments';
import { useInstrumentMeant } from '@/state/stand';
import type { Instrument } from '@tembrin/contract';
import { Beside } from '@/ui/Beside';
import { Bench } from '../bench/routes';
import { ChangeJob } from './ChangeJob';
import { ChangeStart } from './ChangeStart';

/** Route: the guided change of strings, of the instrument named or the one on the stand. */
export function ChangeRoute() {
  const instrument = useInstrumentMeant();
  return instrument ? <Change key={instrument.id} instrument={instrument} /> : <Redirect href="/kit/add" />;
}

function Change({ instrument }: { instrument: Instrument }) {
  const { log } = useAssessment(instrument);
  const open = log.changes.findLast(({ endedAt }) => endedAt === null);
  return open ? (
    <ChangeJob key={open.eventId} instrument={instrument} change={open} />
  ) : (
    <Beside list={<Bench />}>
      <ChangeStart instrument={instrument} />
    </Beside>
  );
}
