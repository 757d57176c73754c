import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useComplete } from '@/state/assessments';
import { useHere } from '@/state/here';
import { useBows } from '@/state/bows';
import { useCards } from '@/state/cards';
import { usePreferences } from '@/state/preferences';
import { useKeys } from '@/ui/keys';
import { useWide } from '@/ui/theme';
import { bowLogOf } from '@tembrin/core/assess';
import { hoursInAll } from '@tembrin/core/log';
import { copy } from '@/copy/screens/kit/instrument';

/** One instrument, as its page shows it. */
export function useInstrument(instrument: Instrument) {
  const wide = useWide();
  const assessment = useHere(instrument);
  const { log, threads, pace, air, found } = assessment;
  const bows = useBows(instrument);
  const complete = useComplete(instrument.id);
  const loan = useCards('loan').findLast(({ facts }) => facts.instrumentId === instrument.id && facts.back === null);
  const { standId, putOnStand, lengths } = usePreferences();
  const moment = { nowMs: log.nowMs, timeZone: log.timeZone };
  const hours = hoursInAll(log);
  const stand = () => {
    putOnStand(instrument.id);
    router.push('/now');
  };
  useKeys({ p: { label: copy.putOnTheStand(instrument.name), run: stand } });
  return {
    wide,
    bows,
    bowLog: bowLogOf(assessment),
    log,
    threads,
    found,
    pace,
    air,
    complete,
    lentTo: loan?.facts.to ?? null,
    standId,
    lengths,
    moment,
    hours,
    stand,
    instrument,
  };
}

export type InstrumentModel = ReturnType<typeof useInstrument>;
