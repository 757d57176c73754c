import type { Card } from '@tembrin/contract';
import { subjectNames } from '@tembrin/contract/year-words';
import { useMemo } from 'react';
import { useAllAssessments, useYearPlan, type InstrumentAssessment } from './assessments';
import { useCards, useCardStore } from './cards';
import { useHousehold } from './household';
import { spareLeft, type SpareLeft } from '@tembrin/core/strings';
import { isOnBow } from '@tembrin/core/parts';
import type { Fitting } from '@tembrin/core/log';
import type { Occasion, PlannedItem, YearPlan } from '@tembrin/core/year';

export interface Year extends YearPlan {
  occasions: readonly Occasion[];
}

/** The year's plan of the whole household, and the occasions it was laid around. */
export function useYear(): Year {
  const plan = useYearPlan();
  const cards = useCards('occasion');
  return useMemo(() => ({ ...plan, occasions: cards.map(({ facts }) => facts) }), [plan, cards]);
}

/** What instruments, and bows that came by themselves, are called, by id. */
export function useSubjectNames(): ReadonlyMap<string, string> {
  const { instruments } = useHousehold((state) => state.household)!;
  const cards = useCardStore((state) => state.cards);
  return useMemo(() => subjectNames(instruments, cards ?? []), [instruments, cards]);
}

/** What a piece of upkeep was judged from: its instrument's threads and pace, or its bow's. */
export function judgedFor(
  { instrumentId, bowId }: Pick<PlannedItem, 'instrumentId' | 'bowId'>,
  assessments: readonly InstrumentAssessment[],
) {
  const assessment = assessments.find(({ facts }) => facts.id === instrumentId);
  const bows = assessment?.bows ?? [];
  const own = bows.find(({ bow }) => bow.id === (bowId ?? instrumentId));
  if (!assessment || !own) return assessment;
  // An instrument's own threads, but the hair of the bow it came with, whichever is in hand.
  const ofOthers = bowId === null ? assessment.threads.filter(({ part }) => !isOnBow(part)) : [];
  return { threads: [...own.threads, ...ofOthers], pace: bowId === null ? assessment.pace : own.pace };
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
