import { assessHousehold, byInstrument, placesAir, type YearPlan } from '@tembrin/core';
import { bowsAmong, subjectNames, type Card, type CardKind } from '@tembrin/contract';
import type { Database } from '../database/connect';
import { AirScope } from './air/air-scope';
import { CardScope } from './cards';
import type { HouseholdScope } from './scope';

/** What a household has to do in the coming year, as on its own devices. */
export async function assessedYear(
  database: Database,
  scope: HouseholdScope,
  nowMs: number,
): Promise<{ plan: YearPlan; names: ReadonlyMap<string, string>; timeZone: string; name: string }> {
  const [household, events, air, cards] = await Promise.all([
    scope.household(),
    scope.log(),
    new AirScope(database, scope).air(0, null),
    new CardScope(database, scope).cards(),
  ]);
  const { timeZone, schools, instruments, name } = household;
  const logs = byInstrument(events);
  const { year } = assessHousehold({
    timeZone,
    schools,
    instruments,
    eventsOf: (id) => logs.get(id) ?? [],
    places: placesAir(air, [], timeZone, nowMs),
    appointments: factsOf(cards, 'appointment'),
    occasions: factsOf(cards, 'occasion'),
    bows: bowsAmong(cards),
    nowMs,
  });
  return { plan: year, names: subjectNames(instruments, cards), timeZone, name };
}

/** What stands on the cards of one kind. */
function factsOf<K extends CardKind>(cards: readonly Card[], kind: K): Card<K>['facts'][] {
  return cards.flatMap((card) => (card.kind === kind ? [card.facts as Card<K>['facts']] : []));
}
