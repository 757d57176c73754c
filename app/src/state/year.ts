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

type Known = ReturnType<typeof useAllJudged>;

interface YearBasis {
  judged: Known;
  occasions: readonly Card<'occasion'>[];
  appointments: readonly Card<'appointment'>[];
  timeZone: string;
}

export interface Year extends YearPlan {
  judged: Known;
  occasions: readonly Occasion[];
}

/** The plan worked out last, for as long as it rests on the same judgements and cards. */
let last: { basis: YearBasis; year: Year } | null = null;

function sameBasis(a: YearBasis, b: YearBasis): boolean {
  return (
    a.timeZone === b.timeZone &&
    a.occasions === b.occasions &&
    a.appointments === b.appointments &&
    a.judged.length === b.judged.length &&
    a.judged.every((each, at) => each.judged === b.judged[at]!.judged)
  );
}

function yearOf(basis: YearBasis): Year {
  if (last && sameBasis(last.basis, basis)) return last.year;
  const { judged, timeZone } = basis;
  const nowMs = Math.max(0, ...judged.map((each) => each.judged.log.nowMs)) || Date.now();
  const items = judged.flatMap(({ instrument, judged: { log, condition, schools } }) =>
    dueItems(instrument, log, condition, schools),
  );
  const occasions = basis.occasions.map(({ facts }): Occasion => facts);
  const appointments = basis.appointments.map(({ facts }): Appointment => facts);
  const year = { ...yearPlan(items, appointments, occasions, nowMs, timeZone), judged, occasions };
  last = { basis, year };
  return year;
}

/** The year's plan of the whole household: a pure function of log, settings, cards and the hour. */
export function useYear(): Year {
  const { timeZone } = useHousehold((state) => state.household)!;
  const judged = useAllJudged(true);
  const occasions = useCards('occasion');
  const appointments = useCards('appointment');
  return useMemo(
    () => yearOf({ judged, occasions, appointments, timeZone }),
    [judged, occasions, appointments, timeZone],
  );
}

/** What is left of each packet in the cupboard. */
export function useSpares(): readonly { card: Card<'spare'>; left: SpareLeft }[] {
  const spares = useCards('spare');
  const judged = useAllJudged(true);
  return useMemo(() => {
    const fittings: Fitting[] = judged.flatMap((each) => [...each.judged.log.fittings]);
    return spares.map((card) => ({ card, left: spareLeft(card.id, card.facts, fittings) }));
  }, [spares, judged]);
}
