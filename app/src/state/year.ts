import type { Card } from '@tembrin/contract';
import { useMemo } from 'react';
import { useAllAssessments, useYearPlan } from './assessments';
import { useCards } from './cards';
import { spareLeft, type SpareLeft } from '@tembrin/core/strings';
import type { Fitting } from '@tembrin/core/log';
import type { Occasion, YearPlan } from '@tembrin/core/year';

export interface Year extends YearPlan {
  occasions: readonly Occasion[];
}

/** The year's plan of the whole household, and the occasions it was laid around. */
export function useYear(): Year {
  const plan = useYearPlan();
  const cards = useCards('occasion');
  return useMemo(() => ({ ...plan, occasions: cards.map(({ facts }) => facts) }), [plan, cards]);
}

/** What is left of each packet of spare strings. */
export function useSpares(): readonly { card: Card<'spare'>; left: SpareLeft }[] {
  const spares = useCards('spare');
  const assessments = useAllAssessments();
  return useMemo(() => {
    const fittings: Fitting[] = assessments.flatMap(({ log }) => [...log.fittings]);
    return spares.map((card) => ({ card, left: spareLeft(card.id, card.facts, fittings) }));
  }, [spares, assessments]);
}
