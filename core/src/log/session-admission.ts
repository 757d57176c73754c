import { CLOCK_TOLERANCE_MS, dayOfDate, HOUR_MS, startOfLocalDay } from '../time';
import type { LogEvent } from './events';
import type { AdmissionContext, Refusal } from './refusal';
import { liveEvents } from './retraction';
import { sessionIndex, spanOf } from './session-index';
import { LONGEST_SESSION_H, mergedSessions, type Session } from './sessions';

/** Refused where it lies before the day since when the household has the instrument. */
export function tooEarly(at: number, { facts, timeZone }: AdmissionContext): Refusal | null {
  if (facts.since === null) return null;
  return at < startOfLocalDay(dayOfDate(facts.since), timeZone)
    ? { code: 'before-instrument', at, since: facts.since }
    : null;
}

/** Refused where a stretch ends in the future, before it begins, or after more than a day. */
export function spanRefusal(beganAt: number, endedAt: number, context: AdmissionContext): Refusal | null {
  if (endedAt > context.nowMs + CLOCK_TOLERANCE_MS) return { code: 'in-the-future', at: endedAt };
  if (endedAt < beganAt) return { code: 'ends-before-start' };
  const hours = (endedAt - beganAt) / HOUR_MS;
  return hours > LONGEST_SESSION_H ? { code: 'too-long', hours } : null;
}

/** Why a session could not have been from one instant to another; null where it could. */
export function timesRefusal(
  beganAt: number,
  endedAt: number,
  event: LogEvent,
  context: AdmissionContext,
): Refusal | null {
  return spanRefusal(beganAt, endedAt, context) ?? tooEarly(beganAt, context) ?? sessionRefusal(event, context);
}

/** When the entry with this id began, if it holds. */
export function beganAtOf(sessionId: string, { events }: AdmissionContext): number | undefined {
  const begun = liveEvents(sessionIndex(events).eventsOf(sessionId)).find(
    ({ id, type }) => id === sessionId && (type === 'session-began' || type === 'session-entered'),
  );
  return begun && Date.parse(begun.occurredAt);
}

/**
 * What an event would make of the sessions: none may overlap another, outlast a day, or follow a clock still running.
 * Clocks of two devices that ran at once merge into one session; what was typed in must have a time of its own.
 * Only those beside it in time are looked at, before and after it.
 */
export function sessionRefusal(event: LogEvent, context: AdmissionContext): Refusal | null {
  const index = sessionIndex(context.events);
  const session = index.sessionOf(event);
  if (session === null) return null;
  const own = index.eventsOf(session);
  const near = index.near(
    session,
    [spanOf(own), spanOf([...own, event])].filter((span) => span !== null),
  );
  const before = mergedSessions(liveEvents(near));
  const live = liveEvents([...near, event]);
  const after = mergedSessions(live);
  const known = new Map(before.map((session) => [session.id, session]));
  const typed = new Set(live.flatMap(({ id, type }) => (type === 'session-entered' ? [id] : [])));
  for (const [at, session] of after.entries()) {
    const { beganAt, endedAt, parts } = session;
    const was = known.get(session.id);
    if (was?.beganAt === beganAt && was.endedAt === endedAt && was.parts.length === parts.length) continue;
    const hours = ((endedAt ?? beganAt) - beganAt) / HOUR_MS;
    if (hours > LONGEST_SESSION_H) return { code: 'too-long', hours };
    const [earlier, later] = [after[at - 1], after[at + 1]];
    if (earlier && (earlier.endedAt ?? Infinity) > beganAt) return { code: 'overlap', ...timesOf(earlier) };
    if (later && (endedAt ?? Infinity) > later.beganAt) return { code: 'overlap', ...timesOf(later) };
    if (event.type === 'session-began' || event.type === 'session-ended' || parts.length === 1) continue;
    const joined = before.filter((each) => each.parts.some((id) => parts.includes(id)));
    if (joined[0]?.parts.length === parts.length || !parts.some((id) => typed.has(id))) continue;
    const other = joined.find((each) => each.parts.some((id) => typed.has(id))) ?? joined[0];
    if (other) return { code: 'overlap', ...timesOf(other) };
  }
  return null;
}

function timesOf({ beganAt, endedAt }: Pick<Session, 'beganAt' | 'endedAt'>) {
  return { beganAt, endedAt };
}
