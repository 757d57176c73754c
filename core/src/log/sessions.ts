import { HOUR_MS, localDay, type LocalDay } from '../time';
import type { LogEvent } from './events';

/** A stretch of playing. Times in ms since 1970-01-01T00:00Z. */
export interface Session {
  /** Id of the entry it began with; of several, the earliest. */
  id: string;
  /** Ids of all entries it is made of: more than one where two devices recorded the same playing. */
  parts: readonly string[];
  beganAt: number;
  /** null while the clock runs. Only the last session can be running: an earlier one ended where the next began. */
  endedAt: number | null;
  /** The events that stopped the clock; none while it runs. */
  endEventIds: readonly string[];
  /** The calendar day it began on: a session past midnight belongs to the evening it began. */
  day: LocalDay;
  /** Entered afterwards rather than timed. */
  entered: boolean;
  corrected: boolean;
  /** The person who played; left out: nobody said. */
  who?: string;
}

/** The longest a single session may be, in hours. */
export const LONGEST_SESSION_H = 24;
/** A clock nobody stopped is taken to have been in use for so long, when it is compared with other devices' sessions. */
export const FORGOTTEN_H = 4;

interface Entry {
  id: string;
  beganAt: number;
  endedAt: number | null;
  endEventId: string | null;
  entered: boolean;
  /** When its correction was recorded; empty when there is none. */
  corrected: string;
  who: string | undefined;
}

/** Sessions as they were written down, each by itself, with their corrections carried out; in order of their beginning. */
function entriesFrom(live: readonly LogEvent[]): Entry[] {
  const entries = new Map<string, Entry>();
  for (const event of live) {
    if (event.type !== 'session-began' && event.type !== 'session-entered') continue;
    const entered = event.type === 'session-entered';
    entries.set(event.id, {
      id: event.id,
      beganAt: Date.parse(event.occurredAt),
      endedAt: entered ? Date.parse(event.payload.endedAt) : null,
      endEventId: null,
      entered,
      corrected: '',
      who: event.by,
    });
  }
  for (const event of live) {
    if (event.type === 'session-ended') {
      const entry = entries.get(event.payload.sessionId);
      const endedAt = Date.parse(event.occurredAt);
      if (entry && !entry.entered && !entry.corrected && (entry.endedAt === null || endedAt < entry.endedAt)) {
        entry.endedAt = endedAt;
        entry.endEventId = event.id;
      }
    } else if (event.type === 'session-corrected') {
      const entry = entries.get(event.payload.sessionId);
      const stamp = event.recordedAt + event.id;
      if (!entry || stamp < entry.corrected) continue;
      entry.corrected = stamp;
      entry.beganAt = Date.parse(event.payload.beganAt);
      entry.endedAt = Date.parse(event.payload.endedAt);
    }
  }
  return [...entries.values()].sort((a, b) => a.beganAt - b.beganAt || (a.id < b.id ? -1 : 1));
}

/** Entries that overlap, with their last beginning and the last end somebody gave. */
interface Group {
  entries: Entry[];
  beganAt: number;
  endedAt: number | null;
}

/** How far an entry or a group reaches: to the last end somebody gave; where nobody did, as long as a clock is believed. */
const reachOf = ({ beganAt, endedAt }: Pick<Group, 'beganAt' | 'endedAt'>): number =>
  endedAt ?? beganAt + FORGOTTEN_H * HOUR_MS;

/** The entries that overlap with one and with each other, from it on; null where it stands alone. */
function groupFrom(entries: readonly Entry[], from: number): Group | null {
  const first = entries[from]!;
  let next = entries[from + 1];
  if (!next || next.beganAt >= reachOf(first)) return null;
  const group: Group = { entries: [first], beganAt: first.beganAt, endedAt: first.endedAt };
  for (; next && next.beganAt < reachOf(group); next = entries[from + group.entries.length]) {
    group.entries.push(next);
    group.beganAt = Math.max(group.beganAt, next.beganAt);
    if (next.endedAt !== null) group.endedAt = Math.max(group.endedAt ?? -Infinity, next.endedAt);
  }
  return group;
}

/** A session of one entry: most of them, so that nothing is gone through for it. */
function sessionAlone({ id, beganAt, endedAt, endEventId, entered, corrected, who }: Entry): Omit<Session, 'day'> {
  const endEventIds = endEventId === null ? [] : [endEventId];
  const session = { id, parts: [id], beganAt, endedAt, endEventIds, entered, corrected: corrected !== '' };
  return who === undefined ? session : { ...session, who };
}

function sessionOf({ entries, endedAt }: Group): Omit<Session, 'day'> {
  const first = entries[0]!;
  const last = entries.reduce((a, b) => (b.corrected > a.corrected ? b : a));
  const who = entries.find((entry) => entry.who !== undefined)?.who;
  return {
    id: first.id,
    parts: entries.map(({ id }) => id),
    beganAt: last.corrected ? last.beganAt : first.beganAt,
    endedAt: last.corrected ? last.endedAt : endedAt,
    endEventIds: entries.flatMap(({ endEventId }) => endEventId ?? []),
    entered: entries.every(({ entered }) => entered),
    corrected: last.corrected !== '',
    ...(who !== undefined && { who }),
  };
}

/**
 * Sessions with `endedAt` null wherever nobody stopped the clock, in order of their beginning.
 * Entries that overlap are one session: an instrument is played once at a time, so two devices that recorded the same
 * evening recorded one session. It runs from the earliest beginning to the latest end that somebody gave, and holds the
 * records of all its parts. Where some of them were corrected, the correction recorded last sets the times of the whole.
 */
export function mergedSessions(live: readonly LogEvent[]): Omit<Session, 'day'>[] {
  const entries = entriesFrom(live);
  const sessions: Omit<Session, 'day'>[] = [];
  for (let at = 0; at < entries.length;) {
    const group = groupFrom(entries, at);
    sessions.push(group ? sessionOf(group) : sessionAlone(entries[at]!));
    at += group?.entries.length ?? 1;
  }
  return sessions;
}

/**
 * Sessions from events that hold, in order of their beginning, merged as `mergedSessions` says.
 * Where one entry was ended twice the earlier end counts.
 * @param live what `liveEvents` gives
 * @param timeZone IANA name of the household's place
 */
export function sessionsFrom(live: readonly LogEvent[], timeZone: string): Session[] {
  // Made for this list alone: a day is put to each without copying it.
  const all = mergedSessions(live) as Session[];
  for (const session of all) session.day = localDay(session.beganAt, timeZone);
  for (let at = 0; at < all.length - 1; at++) {
    const session = all[at]!;
    session.endedAt ??= Math.min(all[at + 1]!.beganAt, session.beganAt + LONGEST_SESSION_H * HOUR_MS);
  }
  return all;
}
