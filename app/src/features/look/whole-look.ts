import { written } from '@/state/log';
import type { InstrumentAssessment } from '@/state/assessments';
import type { LogEvent, Looker } from '@tembrin/core/log';
import { wholeLook, wholeLookBegun } from '@tembrin/core/looks';

/** The entries of a whole look-over at which all was good; what something is open on is passed over. */
export function wholeLookOf({ facts, schools, found, foundAside }: InstrumentAssessment, by: Looker): LogEvent[] {
  const begun = written(facts.id, wholeLookBegun(by));
  const open = [...found, ...foundAside.flatMap((aside) => aside.found)].map(({ look }) => look);
  return [
    begun,
    ...wholeLook({ facts, schools, by, open }, begun.id).map((entry) => written(facts.id, entry)),
    written(facts.id, { type: 'look-over-ended', payload: { overId: begun.id } }),
  ];
}
