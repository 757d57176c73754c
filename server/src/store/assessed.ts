import { assessHousehold, byInstrument, placesAir, type LogEvent, type YearPlan } from '@tembrin/core';
import { bowsAmong, subjectNames, type Card, type CardKind } from '@tembrin/contract';
import type { Database } from '../database/connect';
import { AirScope } from './air/air-scope';
import { CardScope } from './cards';
import { eventOf } from './rows';
import type { HouseholdScope } from './scope';

/** All of a household's log, in the order in which it was stored. */
export async function wholeLog({ models }: Database, scope: HouseholdScope): Promise<LogEvent[]> {
  const rows = await models.Event.findAll({ where: scope.where({}), order: [['seq', 'ASC']], raw: true });
  return rows.map(eventOf);
}

/** What a household has to do in the coming year, as on its own devices. */
export async function assessedYear(
  database: Database,
  scope: HouseholdScope,
  nowMs: number,
): Promise<{ plan: YearPlan; names: ReadonlyMap<string, string>; timeZone: string; name: string }> {
  const [household, events, air, cards] = await Promise.all([
    scope.household(),
    wholeLog(database, scope),
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
