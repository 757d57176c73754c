import { numberWords } from '@/copy/numbers';
import { useMemo, useState } from 'react';
import { useCards, useCardStore } from '@/state/cards';
import { useHousehold } from '@/state/household';
import { useLog } from '@/state/log';
import { useAllAssessments } from '@/state/assessments';
import { judgedFor, useSubjectNames, useYear } from '@/state/year';
import { useMoment } from '../air/where';
import { costPerHour, paidSince, pricesPaid, totalCost, yearCosts, type Range } from '@tembrin/core/year';
import { subjectOf, type DatedPart } from '@tembrin/core/parts';
import { DAY_MS } from '@tembrin/core/time';
import type { Doer } from '@tembrin/core/log';

const YEAR_MS = 365 * DAY_MS;

/** What the year costs at this player’s own prices. */
export function useCosts() {
  const household = useHousehold((state) => state.household)!;
  const { items } = useYear();
  const assessments = useAllAssessments();
  const { nowMs } = useMoment();
  const priceCards = useCards('price');

  const [open, setOpen] = useState<{ instrumentId: string; bowId: string | null; part: DatedPart; by: Doer } | null>(
    null,
  );
  const currency = household.currency ?? 'EUR';
  const money = useMemo(() => {
    const whole = { style: 'currency', currency, maximumFractionDigits: 0 } as const;
    const fine = { style: 'currency', currency } as const;
    return (value: number) => numberWords(value, value >= 20 || value === 0 ? whole : fine);
  }, [currency]);
  const range = ({ low, high }: Range) => (high - low < 0.005 ? money(low) : `${money(low)} to ${money(high)}`);
  const costs = yearCosts(
    items,
    (item) => judgedFor(item, assessments),
    // What was entered goes before what was paid.
    [
      ...priceCards.map(({ facts }) => facts),
      ...assessments.flatMap(({ facts, log }) => pricesPaid(facts.id, log.doneWorks, currency)),
    ],
    nowMs,
  );
  const total = totalCost(costs);
  const paid = assessments.reduce((sum, { log }) => sum + paidSince(log.doneWorks, currency, nowMs - YEAR_MS), 0);
  const hoursPerDay = assessments.reduce((sum, { pace }) => sum + pace.hoursPerDay, 0);
  const perHour = costPerHour(total, hoursPerDay);
  const saved = costs.reduce((sum, cost) => sum + (cost.saved ?? 0), 0);
  const comparable = costs.some((cost) => cost.saved !== null);
  const names = useSubjectNames();
  const bySubject = [...names].flatMap(([id, name]) => {
    const own = costs.filter((cost) => subjectOf(cost) === id);
    return own.length > 0 ? [{ id, name, own }] : [];
  });
  const known = useCardStore((state) => state.cards !== null);
  const complete = useLog((state) => state.complete === 'all');
  return {
    priceCards,
    /** Whether any price is known, entered or paid. */
    priced: costs.some(({ cost }) => cost !== null),
    open,
    setOpen,
    currency,
    money,
    range,
    total,
    paid,
    perHour,
    saved,
    comparable,
    bySubject,
    known,
    complete,
  };
}

export type CostsModel = ReturnType<typeof useCosts>;
