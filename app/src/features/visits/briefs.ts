import type { Card, Instrument } from '@tembrin/contract';
import { useAssessmentStore } from '@/state/assessment-store';
import { useCards } from '@/state/cards';
import { useShares } from '@/state/shares';
import { composed } from '@/copy/brief';
import type { LengthUnit } from '@/copy/measures';
import type { Assessment } from '@tembrin/core/assess';
import { briefOf } from '@tembrin/core/brief';
import { caseOnRecord } from '@tembrin/core/triage';
import { isOver, visitState, type VisitState } from '@tembrin/core/visits';
import type { PlannedItem } from '@tembrin/core/year';

/** A brief composed from an instrument's log, with what its year has for the workshop. */
export function composedFor(assessment: Assessment<Instrument>, items: readonly PlannedItem[], lengths: LengthUnit) {
  const { log, facts: instrument } = assessment;
  const own = items.filter(({ instrumentId }) => instrumentId === instrument.id);
  const brief = briefOf(assessment, own);
  const cases = brief.troubles.map((trouble) => caseOnRecord(assessment, trouble));
  return composed(brief, { nowMs: log.nowMs, timeZone: log.timeZone, instrument, lengths, cases });
}

/** Where each visit of the household stands. */
export function useVisitStates(): ReadonlyMap<string, VisitState> {
  const visits = useCards('visit');
  const briefs = useCards('brief');
  const shares = useShares((state) => state.shares) ?? [];
  const assessed = useAssessmentStore((state) => state.byInstrument);
  return new Map(
    visits.map(({ id, facts }) => {
      const sent = shares.filter(({ visitId }) => visitId === id);
      const about = briefs.filter((brief) => facts.briefIds.includes(brief.id));
      const stays = about.flatMap((brief) => assessed[brief.facts.instrumentId]?.log.stays ?? []);
      const answers = sent.reduce((count, share) => count + share.answers.length, 0);
      return [id, visitState(id, facts, { shared: sent.length > 0, answers }, stays)];
    }),
  );
}

/** The briefs that are being written, by their instruments: of each the last that belongs to no visit that is over. */
export function useBriefsBeingWritten(): ReadonlyMap<string, Card<'brief'>> {
  const visits = useCards('visit');
  const states = useVisitStates();
  const past = new Set(visits.flatMap((visit) => (isOver(states.get(visit.id)!) ? visit.facts.briefIds : [])));
  const briefs = useCards('brief').filter((card) => !past.has(card.id));
  return new Map(briefs.map((card) => [card.facts.instrumentId, card]));
}

/** The brief of an instrument that is being written; null: none. */
export function useBriefCard({ id }: Pick<Instrument, 'id'>): Card<'brief'> | null {
  return useBriefsBeingWritten().get(id) ?? null;
}
