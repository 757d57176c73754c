import type { Card } from '@tembrin/contract';
import { addCards, changeCard, useCardStore } from '@/state/cards';
import { MOST_SHEETS } from '@tembrin/core/visits';

const visitsNow = () =>
  (useCardStore.getState().cards ?? []).filter((card): card is Card<'visit'> => card.kind === 'visit');

/**
 * The visit that some briefs are for: one that has any of them, with the others put to it; else a new one.
 * @returns its id
 * @throws Refused where it is not taken
 */
export async function openVisitFor(briefIds: readonly string[], date: string | null = null): Promise<string> {
  const there = visitsNow().findLast(({ facts }) => facts.briefIds.some((id) => briefIds.includes(id)));
  if (!there) {
    const facts = { briefIds: briefIds.slice(0, MOST_SHEETS), contactId: null, date, askedAt: null, endedAt: null };
    const [card] = await addCards([{ kind: 'visit', facts }], null);
    return card!.id;
  }
  const more = briefIds.filter((id) => !there.facts.briefIds.includes(id));
  const all = [...there.facts.briefIds, ...more].slice(0, MOST_SHEETS);
  if (more.length > 0) await changeCard(there, { ...there.facts, briefIds: all }, null);
  return there.id;
}
