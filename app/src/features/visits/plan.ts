import type { Card } from '@tembrin/contract';
import { addCards, changeCard, useCardStore } from '@/state/cards';
import type { BriefDocument } from '@tembrin/core/brief';
import { subjectOf } from '@tembrin/core/parts';
import { SECOND_MS } from '@tembrin/core/time';
import type { PlannedItem } from '@tembrin/core/year';

const appointmentsNow = () =>
  (useCardStore.getState().cards ?? []).filter((card): card is Card<'appointment'> => card.kind === 'appointment');

/** What comes due of the instruments of a visit and is to be done in it. */
export function itemsOfVisit(
  items: readonly PlannedItem[],
  briefs: readonly Pick<BriefDocument, 'instrumentId' | 'asked'>[],
): PlannedItem[] {
  return items.filter((item) =>
    briefs.some(
      ({ instrumentId, asked = [] }) =>
        instrumentId === item.instrumentId &&
        asked.some((each) => each.about === 'part' && each.part === item.part && each.bowId === item.bowId),
    ),
  );
}

/** Has the year plan some things for a day, by the workshop. @throws Refused where it is not taken */
export async function planFor(items: readonly PlannedItem[], date: string): Promise<void> {
  const there = appointmentsNow();
  for (const item of items) {
    const facts = {
      instrumentId: item.instrumentId,
      ...(item.bowId !== null && { bowId: item.bowId }),
      part: item.part,
      date,
      lifeFrom: Math.round(item.from),
      by: 'workshop' as const,
    };
    const card = there.find(
      (each) =>
        subjectOf(each.facts) === subjectOf(item) &&
        each.facts.part === item.part &&
        Math.abs(each.facts.lifeFrom - item.from) < SECOND_MS,
    );
    if (card) await changeCard(card, facts, null);
    else await addCards([{ kind: 'appointment', facts }], null);
  }
}
