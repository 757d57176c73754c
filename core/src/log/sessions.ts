import { HOUR_MS, localDay, type LocalDay } from '../time';
import type { LogEvent } from './events';

/** A stretch of playing. Times in ms since 1970-01-01T00:00Z. */
export interface Session {
  id: string;
  beganAt: number;
  /** null while the clock runs. Only the last session can be running: an earlier one ended where the next began. */
  endedAt: number | null;
  /** The event that stopped the clock; null when none did. */
  endEventId: string | null;
  /** The calendar day it began on: a session past midnight belongs to the evening it began. */
  day: LocalDay;
  /** Entered afterwards rather than timed. */
  entered: boolean;
  corrected: boolean;
}

/** The longest a single session may be, in hours. */
export const LONGEST_SESSION_H = 24;

/**
 * Sessions from events that hold, in order of their beginning.
 * Where a session was ended twice the earlier end counts; where it was corrected, the correction recorded last.
 * @param live what `liveEvents` gives
 * @param timeZone IANA name of the household's place
 */
export function sessionsFrom(live: readonly LogEvent[], timeZone: string): Session[] {
  const sessions = new Map<string, Session>();
  for (const event of live) {
    if (event.type !== 'session-began' && event.type !== 'session-entered') continue;
    const entered = event.type === 'session-entered';
    sessions.set(event.id, {
      id: event.id,
      beganAt: Date.parse(event.occurredAt),
      endedAt: entered ? Date.parse(event.payload.endedAt) : null,
      endEventId: null,
      day: 0,
      entered,
      corrected: false,
    });
  }
  const correctionOf = new Map<string, string>();
  for (const event of live) {
    if (event.type === 'session-ended') {
      const session = sessions.get(event.payload.sessionId);
      const endedAt = Date.parse(event.occurredAt);
      if (session && !session.corrected && (session.endedAt === null || endedAt < session.endedAt)) {
        session.endedAt = endedAt;
        session.endEventId = event.id;
      }
    } else if (event.type === 'session-corrected') {
      const session = sessions.get(event.payload.sessionId);
      const stamp = event.recordedAt + event.id;
      if (!session || stamp < (correctionOf.get(session.id) ?? '')) continue;
      correctionOf.set(session.id, stamp);
      session.beganAt = Date.parse(event.payload.beganAt);
      session.endedAt = Date.parse(event.payload.endedAt);
      session.corrected = true;
    }
  }
  const all = [...sessions.values()];
  for (const session of all) session.day = localDay(session.beganAt, timeZone);
  all.sort((a, b) => a.beganAt - b.beganAt || (a.id < b.id ? -1 : 1));
  for (let at = 0; at < all.length - 1; at++) {
    const session = all[at]!;
    session.endedAt ??= Math.min(all[at + 1]!.beganAt, session.beganAt + LONGEST_SESSION_H * HOUR_MS);
  }
  return all;
}
