import type { Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { useComplete } from '@/state/assessments';
import { usePreferences } from '@/state/preferences';
import { useStrings } from '@/state/assessments';
import { chartNames } from '@/copy/strings';
import { openStrings, setPull } from '@tembrin/core/strings';

/** What is on, and what it pulls. */
export function useWhatIsOn(instrument: Instrument) {
  const { log, on } = useStrings(instrument);
  const complete = useComplete(instrument.id);
  const { forces, setForces } = usePreferences();
  const [described, setDescribed] = useState<number | 'set' | null>(null);
  const strings = openStrings(instrument);
  const set = setPull(strings.map((string, at) => ({ ...string, spec: on[at]?.spec ?? null })));
  const short = chartNames(instrument);
  const params = { id: instrument.id };
  const breaking = set.pulls.flatMap(({ strength }, at) => (strength && strength.toBreaking <= 0 ? [at] : []));
  const estimated = set.pulls.some(({ basis }) => basis === 'estimate');
  return {
    log,
    on,
    complete,
    forces,
    setForces,
    described,
    setDescribed,
    strings,
    set,
    short,
    params,
    breaking,
    estimated,
    instrument,
  };
}

export type StringsModel = ReturnType<typeof useWhatIsOn>;
