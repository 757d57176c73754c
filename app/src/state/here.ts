import type { Household, Instrument } from '@tembrin/contract';
import { useMemo } from 'react';
import { seenBy } from '@tembrin/core/assess';
import { useAssessment, type InstrumentAssessment } from './assessments';
import { useHousehold } from './household';
import { personAt, present } from './persons';
import { usePreferences } from './preferences';

/** A judgement, for who is at the stand now. */
export function seenHere(assessment: InstrumentAssessment): InstrumentAssessment {
  const household = useHousehold.getState().household!;
  return forWho(assessment, household, usePreferences.getState().personId);
}

function forWho(assessment: InstrumentAssessment, household: Household, said: string | null): InstrumentAssessment {
  return seenBy(assessment, personAt(household, said), present(household), household.schools);
}

/** An instrument as it was judged last, for who is at the stand: their own ways, and what was measured of them. */
export function useHere(instrument: Pick<Instrument, 'id'>): InstrumentAssessment {
  const assessment = useAssessment(instrument);
  const household = useHousehold((state) => state.household)!;
  const said = usePreferences((state) => state.personId);
  return useMemo(() => forWho(assessment, household, said), [assessment, household, said]);
}
