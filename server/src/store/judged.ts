import { conditionOf, dueItems, foldLog, schoolsFor, yearPlan, type LogEvent, type YearPlan } from '@tembrin/core';
import { instrumentAir, placesAir, type Instrument } from '@tembrin/contract';
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

/** Events by the instrument they are about. */
export function byInstrument(events: readonly LogEvent[]): Map<string, LogEvent[]> {
  const found = new Map<string, LogEvent[]>();
  for (const event of events) {
    const own = found.get(event.instrumentId);
    if (own) own.push(event);
    else found.set(event.instrumentId, [event]);
  }
  return found;
}

/** What a household has to do in the coming year, judged from its log, its settings and the moment, as on its own devices. */
export async function judgedYear(
  database: Database,
  scope: HouseholdScope,
  nowMs: number,
): Promise<{ plan: YearPlan; instruments: Instrument[]; timeZone: string; name: string }> {
  const [household, events, air, cards] = await Promise.all([
    scope.household(),
    wholeLog(database, scope),
    new AirScope(database, scope).air(0, null),
    new CardScope(database, scope).cards(),
  ]);
  const { timeZone, instruments, name } = household;
  const logs = byInstrument(events);
  const places = placesAir(air, [], timeZone, nowMs);
  const items = instruments.flatMap((instrument) => {
    const log = foldLog(logs.get(instrument.id) ?? [], nowMs, timeZone);
    const schools = schoolsFor(instrument.family, household.schools, instrument.schools);
    const around = instrumentAir(instrument, schools.air, log, places);
    const condition = conditionOf(instrument, log, schools, Date.parse(instrument.addedAt), around);
    return dueItems(instrument, log, condition, schools);
  });
  const of = <K extends (typeof cards)[number]['kind']>(kind: K) =>
    cards.flatMap((card) =>
      card.kind === kind ? [card.facts as Extract<(typeof cards)[number], { kind: K }>['facts']] : [],
    );
  return { plan: yearPlan(items, of('appointment'), of('occasion'), nowMs, timeZone), instruments, timeZone, name };
}
