import { assessHousehold, assessLargeHousehold, byInstrument, placesAir } from '@tembrin/core';
import {
  bowsAmong,
  loansAmong,
  subjectNames,
  type Card,
  type CardKind,
  type Instrument,
  type Weather,
} from '@tembrin/contract';
import type { Database } from '../database/connect';
import { AirScope } from './air/air-scope';
import { CardScope } from './cards';
import type { HouseholdScope } from './scope';

/** A longer log is read one instrument after another: all of it at once would take this process' memory, and hold it up. */
const LONG_LOG = 50_000;

/** A household as it is judged on its own devices: every instrument, and its year. @param weather null: the air goes on as it is */
export async function assessed(database: Database, scope: HouseholdScope, nowMs: number, weather: Weather | null) {
  const [household, { logNumber }, air, cards] = await Promise.all([
    scope.household(),
    scope.row(),
    new AirScope(database, scope).air(0, weather),
    new CardScope(database, scope).cards(),
  ]);
  const { timeZone, schools, instruments, people, name } = household;
  const appointments = factsOf(cards, 'appointment');
  const occasions = factsOf(cards, 'occasion');
  const question = {
    timeZone,
    schools,
    instruments,
    places: placesAir(air, [], timeZone, nowMs),
    appointments,
    occasions,
    bows: bowsAmong(cards),
    people: people.filter(({ goneAt }) => goneAt === null),
    nowMs,
  };
  return {
    ...(await judged(question, scope, Number(logNumber) > LONG_LOG)),
    appointments,
    occasions,
    loans: loansAmong(cards),
    names: subjectNames(instruments, cards),
    timeZone,
    name,
  };
}

type Question = Parameters<typeof assessLargeHousehold<Instrument>>[0];

async function judged(question: Question, scope: HouseholdScope, long: boolean) {
  if (long)
    return assessLargeHousehold(question, async (instrumentIds) => byInstrument(await scope.logOf(instrumentIds)));
  const logs = byInstrument(await scope.log());
  return assessHousehold({ ...question, eventsOf: (id) => logs.get(id) ?? [] });
}

/** What a household has to do in the coming year. */
export async function assessedYear(database: Database, scope: HouseholdScope, nowMs: number) {
  const { year, loans, names, timeZone, name } = await assessed(database, scope, nowMs, null);
  return { plan: year, loans, names, timeZone, name };
}

/** What stands on the cards of one kind. */
function factsOf<K extends CardKind>(cards: readonly Card[], kind: K): Card<K>['facts'][] {
  return cards.flatMap((card) => (card.kind === kind ? [card.facts as Card<K>['facts']] : []));
}
