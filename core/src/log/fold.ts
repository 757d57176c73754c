import type { LogEvent } from './events';
import { emptyLists, meaningOf, type LogLists } from './meanings';
import { playingFrom, type Playing } from './playing';
import { liveEvents } from './retraction';
import { sessionsFrom, type Session } from './sessions';

/** What one instrument's log amounts to. Every list is in order of time. */
export type InstrumentLog = {
  nowMs: number;
  timeZone: string;
  sessions: readonly Session[];
  /** The session whose clock is running, if one is. */
  running: Session | null;
  playing: Playing;
} & { readonly [K in keyof LogLists]: Readonly<LogLists[K]> };

/**
 * Folds one instrument's events into what they amount to at `nowMs`.
 * Depends on the set of events only: late, repeated or disordered arrival changes nothing.
 * @param events one instrument's events, in any order
 * @param nowMs ms since 1970-01-01T00:00Z; events dated later do not count yet
 * @param timeZone IANA name of the household's place
 */
export function foldLog(events: readonly LogEvent[], nowMs: number, timeZone: string): InstrumentLog {
  const live = liveEvents(events);
  const sessions = sessionsFrom(live, timeZone).filter((session) => session.beganAt <= nowMs);
  const state = emptyLists();
  for (const event of live) {
    const { fold } = meaningOf(event);
    if (typeof fold !== 'function') continue;
    const at = Date.parse(event.occurredAt);
    const { id: eventId, by: who } = event;
    if (at <= nowMs) fold(state, who === undefined ? { eventId, at } : { eventId, at, who }, event);
  }
  return {
    nowMs,
    timeZone,
    sessions,
    running: sessions.at(-1)?.endedAt === null ? sessions.at(-1)! : null,
    playing: playingFrom(sessions, nowMs),
    ...state,
  };
}
