import type { Figure } from '../instruments';
import type { LocalDay } from '../time';
import type { Measure } from './care-events';
import type { LogEvent } from './events';
import { emptyLists, meaningOf, type LogLists } from './meanings';
import { hoursBetween, playingFrom, type Playing } from './playing';
import type { KnownMark } from './primitives';
import { liveEvents } from './retraction';
import type { StepId } from './round-events';
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

/** When a closing-round step was last done; null when it never was. `beforeMs`: only what was done before then. */
export function lastDone(log: Pick<InstrumentLog, 'steps'>, step: StepId, beforeMs = Infinity): number | null {
  return log.steps.findLast((record) => record.done && record.step === step && record.at < beforeMs)?.at ?? null;
}

/** What was measured last of a figure; null when it never was. */
export function lastMeasure(log: Pick<InstrumentLog, 'measures'>, figure: Figure): Measure | null {
  return log.measures.findLast((measure) => measure.figure === figure) ?? null;
}

/**
 * The mark that counts: the last whose date is known. One of unknown date only says "no later than this", so any known one,
 * earlier or later, tells more; it counts when there is no other.
 */
export function decisive<M extends KnownMark>(marks: readonly M[]): M | null {
  return marks.findLast(({ known }) => known) ?? marks.at(-1) ?? null;
}

/** Hours of the sessions that began on a calendar day; a running one counts up to now. */
export function hoursOnDay(log: Pick<InstrumentLog, 'sessions' | 'playing' | 'nowMs'>, day: LocalDay): number {
  const own = log.sessions.filter((session) => session.day === day);
  return own.reduce(
    (hours, { beganAt, endedAt }) => hours + hoursBetween(log.playing, beganAt, endedAt ?? log.nowMs),
    0,
  );
}

/** Hours of playing on record in all. */
export function hoursInAll({ playing, nowMs }: Pick<InstrumentLog, 'playing' | 'nowMs'>): number {
  return hoursBetween(playing, -Infinity, nowMs);
}
