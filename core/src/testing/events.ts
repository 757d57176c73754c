import type { EventOf, EventType, LogEvent } from '../log';
import { HOUR_MS } from '../time';

/** Makers of events for tests. Ids are numbered, so that a failing test names them. */
export function scribe(instrumentId = '00000000-0000-4000-8000-0000000000ff') {
  let count = 0;
  const id = () => `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`;
  function event<T extends EventType>(type: T, at: number | string, payload: EventOf<T>['payload']): EventOf<T> {
    const time = new Date(at).toISOString();
    return { id: id(), instrumentId, type, occurredAt: time, recordedAt: time, payload } as EventOf<T>;
  }
  /** A timed session as its two events. */
  function session(at: number | string, hours: number): [EventOf<'session-began'>, EventOf<'session-ended'>] {
    const began = event('session-began', at, {});
    return [began, event('session-ended', Date.parse(began.occurredAt) + hours * HOUR_MS, { sessionId: began.id })];
  }
  const retract = (eventId: string, at: number | string) => event('retracted', at, { eventId });
  return { event, session, retract };
}

/** One session a day of so many hours, from a day on, at 18:00 UTC. */
export function dailySessions(from: string, days: number, hours: number): LogEvent[] {
  const { session } = scribe();
  const start = Date.parse(`${from}T18:00:00.000Z`);
  return Array.from({ length: days }, (_, day) => session(start + day * 24 * HOUR_MS, hours)).flat();
}
