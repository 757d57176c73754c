import type { Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { useAssessment, useComplete } from '@/state/assessments';
import { adviceOn } from '@tembrin/core/inspection';
import { LOOK_DATA, recordOf, type Zone } from '@tembrin/core/instruments';
import { guidesFor } from '@tembrin/core/looks';

/** Everything that is looked at on an instrument, and what is open. */
export function useFindings(instrument: Instrument) {
  const { facts, schools, log, air, found } = useAssessment(instrument);
  const complete = useComplete(instrument.id);
  const [zone, setZone] = useState<Zone | null>(null);
  const guides = guidesFor(facts, schools);
  const zones = recordOf(facts.family).zones.filter((each) => guides.some(({ look }) => LOOK_DATA[look].zone === each));
  return {
    complete,
    moment: { nowMs: log.nowMs, timeZone: log.timeZone },
    photos: log.photos.length,
    zone,
    setZone,
    zones,
    open: found.map((finding) => ({
      finding,
      advice: adviceOn(finding, air),
      guide: guides.find(({ look }) => look === finding.look),
    })),
    looks: guides
      .filter(({ look }) => zone === null || LOOK_DATA[look].zone === zone)
      .map(({ look }) => ({ look, last: log.findings.findLast((finding) => finding.look === look) ?? null })),
  };
}
