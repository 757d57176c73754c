import type { Instrument } from '@tembrin/contract';
import { act } from '@/state/actions';
import { useAssessment, useComplete } from '@/state/assessments';
import { adviceOn, lineOf } from '@tembrin/core/inspection';
import { LOOK_DATA } from '@tembrin/core/instruments';
import type { Settled } from '@tembrin/core/log';
import { guidesFor } from '@tembrin/core/looks';
import { copy } from '@/copy/screens/look/findings';

/** One thing that is looked at: its line, what is open of it, and settling that. */
export function useLook(instrument: Instrument, wanted: string) {
  const assessment = useAssessment(instrument);
  const complete = useComplete(instrument.id);
  const { facts, schools, log, air, found, bows } = assessment;
  const guide = guidesFor(facts, schools).find(({ look }) => look === wanted) ?? null;
  const look = guide?.look ?? null;
  const onBow = look !== null && LOOK_DATA[look].bow === true;
  const own = onBow ? (bows[0]?.log ?? log) : log;
  const open = found.filter((finding) => finding.look === look);
  const settle = (how: Settled) =>
    void act(
      instrument.id,
      open.map(({ eventId }) => ({ type: 'finding-settled' as const, payload: { findingId: eventId, how } })),
      copy.settled[how],
    );
  return {
    assessment,
    complete,
    guide,
    moment: { nowMs: log.nowMs, timeZone: log.timeZone },
    line: look === null ? [] : [...lineOf(own, look)].reverse(),
    settlements: new Map(log.settlements.map(({ findingId, how, at }) => [findingId, { how, at }])),
    figures: (look === null ? [] : (LOOK_DATA[look].figures ?? [])).map((figure) => ({
      figure,
      marks: own.measures.filter((measure) => measure.figure === figure),
    })),
    open: open.map((finding) => ({ finding, advice: adviceOn(finding, air), guide: guide ?? undefined })),
    photos: log.photos.filter((photo) => photo.look === look).length,
    settle,
  };
}

export type LookModel = ReturnType<typeof useLook>;
