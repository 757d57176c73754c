import {
  dueItems,
  spareLeft,
  yearPlan,
  type Appointment,
  type Fitting,
  type Occasion,
  type SpareLeft,
  type YearPlan,
} from '@tembrin/core';
import type { Card } from '@tembrin/contract';
import { useMemo } from 'react';
import { useCards } from './cards';
import { useAllJudged } from './condition';
import { useHousehold } from './household';

/** The year's plan of the whole household: a pure function of log, settings, cards and the minute. */
export function useYear(): YearPlan & { judged: ReturnType<typeof useAllJudged>; occasions: readonly Occasion[] } {
  const { timeZone } = useHousehold((state) => state.household)!;
  const judged = useAllJudged();
  const occasionCards = useCards('occasion');
  const appointmentCards = useCards('appointment');
  return useMemo(() => {
    const nowMs = Math.max(0, ...judged.map((each) => each.judged.log.nowMs)) || Date.now();
    const items = judged.flatMap(({ instrument, judged: { log, condition, schools } }) =>
      dueItems(instrument, log, condition, schools),
    );
    const occasions = occasionCards.map(({ facts }): Occasion => facts);
    const appointments = appointmentCards.map(({ facts }): Appointment => facts);
    return { ...yearPlan(items, appointments, occasions, nowMs, timeZone), judged, occasions };
  }, [judged, occasionCards, appointmentCards, timeZone]);
}

/** What is left of each packet in the cupboard. */
export function useSpares(): readonly { card: Card<'spare'>; left: SpareLeft }[] {
  const spares = useCards('spare');
  const judged = useAllJudged();
  return useMemo(() => {
    const fittings: Fitting[] = judged.flatMap((each) => [...each.judged.log.fittings]);
    return spares.map((card) => ({ card, left: spareLeft(card.id, card.facts, fittings) }));
  }, [spares, judged]);
}
