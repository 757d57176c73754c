import type { Card, Household, Instrument } from '@tembrin/contract';
import { bowsAmong } from '@tembrin/contract/bows';
import { assessHousehold, byInstrument } from '@tembrin/core/assess';
import { usualFacts, type Family, type Kind } from '@tembrin/core/instruments';
import type { EventOf, EventType, LogEvent } from '@tembrin/core/log';
import type { Appointment, Occasion } from '@tembrin/core/year';
import { useAssessmentStore } from '@/state/assessment-store';
import { useCardStore } from '@/state/cards';
import { useHousehold } from '@/state/household';
import { useLog } from '@/state/log';
import { closeHooks } from './hook';

/** The evening all tests of screens take place on, in UTC. */
export const TONIGHT = Date.parse('2026-06-01T20:00:00.000Z');
/** Everything but the date goes on as it is, so that what waits is not held up. */
const REAL = ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'setImmediate', 'clearImmediate'] as const;
const STEADY = ['nextTick', 'queueMicrotask', 'performance', 'requestAnimationFrame', 'cancelAnimationFrame'] as const;

/** Sets the clock to an instant; undone by jest.useRealTimers. */
export const standAt = (nowMs: number) =>
  jest.useFakeTimers({
    now: nowMs,
    doNotFake: [...REAL, ...STEADY, 'hrtime', 'requestIdleCallback', 'cancelIdleCallback'],
  });

let ids = 0;
/** An id that reads as one. */
export const newId = () => `00000000-0000-4000-8000-${String(++ids).padStart(12, '0')}`;

/** An instrument as it is usually strung and kept, on record since the beginning of 2024. */
export function anInstrument(name: string, family: Family, kind?: Kind): Instrument {
  return { id: newId(), name, ...usualFacts(family, kind), addedAt: '2024-01-01T12:00:00.000Z', version: 1 };
}

/** An entry as this device would have written it. */
export function anEvent<T extends EventType>(
  { id: instrumentId }: Instrument,
  type: T,
  atMs: number,
  payload: EventOf<T>['payload'],
): LogEvent {
  const time = new Date(atMs).toISOString();
  return { id: newId(), instrumentId, type, occurredAt: time, recordedAt: time, payload } as LogEvent;
}

/** Sessions of so many minutes, one an evening, over the last days. */
export function evenings(instrument: Instrument, days: number, minutes = 45): LogEvent[] {
  return Array.from({ length: days }, (_, back) => {
    const beganAt = TONIGHT - (days - back) * 86_400_000;
    const began = anEvent(instrument, 'session-began', beganAt, {});
    return [began, anEvent(instrument, 'session-ended', beganAt + minutes * 60_000, { sessionId: began.id })];
  }).flat();
}

/** Opens a household on this page as if it had been fetched and judged; all of it is known. */
export function openTestHousehold(
  instruments: readonly Instrument[],
  events: readonly LogEvent[] = [],
  cards: readonly Card[] = [],
  more: Partial<Household> = {},
): void {
  closeHooks();
  const household = {
    id: newId(),
    name: 'Ours',
    timeZone: 'UTC',
    schools: {},
    version: 1,
    currency: null,
    given: [],
    role: 'keeper' as const,
    people: [],
    ...more,
  };
  const own = byInstrument(events);
  const facts = <K extends Card['kind']>(kind: K) => cards.flatMap((card) => (card.kind === kind ? [card.facts] : []));
  const { assessments, year } = assessHousehold({
    ...household,
    instruments,
    eventsOf: (id) => own.get(id) ?? [],
    places: new Map(),
    appointments: facts('appointment') as Appointment[],
    occasions: facts('occasion') as Occasion[],
    bows: bowsAmong(cards),
    nowMs: TONIGHT,
  });
  useHousehold.setState({ status: 'in', household: { ...household, instruments } as unknown as Household });
  useLog.setState({ householdId: household.id, events: Object.fromEntries(own), complete: 'all' });
  useCardStore.setState({ householdId: household.id, cards });
  useAssessmentStore.setState({
    byInstrument: Object.fromEntries(assessments.map((each) => [each.facts.id, each])),
    complete: Object.fromEntries(assessments.map(({ facts }) => [facts.id, true])),
    year,
  });
}
