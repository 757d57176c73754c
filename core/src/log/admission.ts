import { FAMILY_FACTS, type InstrumentFacts } from '../instruments';
import { DAY_MS, HOUR_MS, MINUTE_MS, startOfLocalDay } from '../time';
import type { LogEvent } from './events';
import { liveEvents } from './retraction';
import { LONGEST_SESSION_H, sessionsFrom, type Session } from './sessions';

/** Why an event cannot stand in the log, in terms the screen and the server both put into words. */
export type Refusal =
  | { code: 'in-the-future'; at: number }
  | { code: 'before-instrument'; at: number; since: string }
  | { code: 'ends-before-start' }
  | { code: 'too-long'; hours: number }
  | { code: 'overlap'; beganAt: number; endedAt: number | null }
  | { code: 'no-such-session' }
  | { code: 'no-such-event' }
  | { code: 'no-such-string'; stringCount: number }
  | { code: 'no-bow' };

/** How far ahead a device's clock may run before its entries are refused. */
export const CLOCK_TOLERANCE_MS = 5 * MINUTE_MS;

export interface AdmissionContext {
  facts: Pick<InstrumentFacts, 'family' | 'since' | 'stringCount'>;
  /** Events of this instrument already in the log; only sessions and retractions are looked at. */
  events: readonly LogEvent[];
  /** Whether an event with this id stands in this instrument's log. */
  has: (eventId: string) => boolean;
  nowMs: number;
  timeZone: string;
}

/**
 * Whether an event may join an instrument's log: dates that can be, sessions that can have happened, ids that exist.
 * @returns null when it may, otherwise why not
 */
export function refusalOf(event: LogEvent, context: AdmissionContext): Refusal | null {
  const occurredAt = Date.parse(event.occurredAt);
  const latest = context.nowMs + CLOCK_TOLERANCE_MS;
  if (occurredAt > latest) return { code: 'in-the-future', at: occurredAt };
  switch (event.type) {
    case 'session-began':
      return tooEarly(occurredAt, context) ?? overlapOf(event.id, occurredAt, occurredAt + 1, context);
    case 'session-entered':
      return timesRefusal(event.id, occurredAt, Date.parse(event.payload.endedAt), context);
    case 'session-corrected': {
      const { sessionId, beganAt, endedAt } = event.payload;
      if (!sessionOf(sessionId, context)) return { code: 'no-such-session' };
      return timesRefusal(sessionId, Date.parse(beganAt), Date.parse(endedAt), context);
    }
    case 'session-ended': {
      const session = sessionOf(event.payload.sessionId, context);
      if (!session) return { code: 'no-such-session' };
      return (
        spanRefusal(session.beganAt, occurredAt, context) ?? overlapOf(session.id, session.beganAt, occurredAt, context)
      );
    }
    case 'step-done':
    case 'step-skipped':
      if (event.payload.sessionId !== null && !context.has(event.payload.sessionId)) return { code: 'no-such-session' };
      if (isBowStep(event.payload.step) && !FAMILY_FACTS[context.facts.family].bowed) return { code: 'no-bow' };
      return tooEarly(occurredAt, context);
    case 'rosined':
    case 'rehaired':
    case 'hair-looked-over':
      return FAMILY_FACTS[context.facts.family].bowed ? null : { code: 'no-bow' };
    case 'strings-fitted':
      return event.payload.strings?.some((at) => at >= context.facts.stringCount)
        ? { code: 'no-such-string', stringCount: context.facts.stringCount }
        : null;
    case 'retracted':
      return context.has(event.payload.eventId) ? revivalRefusal(event, context) : { code: 'no-such-event' };
    case 'checked-up':
      return null;
  }
}

function isBowStep(step: string): boolean {
  return step === 'slacken' || step === 'wipe-stick' || step === 'wipe-rosin';
}

function tooEarly(at: number, { facts, timeZone }: AdmissionContext): Refusal | null {
  if (facts.since === null) return null;
  const day = Math.round(Date.parse(`${facts.since}T00:00:00Z`) / DAY_MS);
  return at < startOfLocalDay(day, timeZone) ? { code: 'before-instrument', at, since: facts.since } : null;
}

function spanRefusal(beganAt: number, endedAt: number, context: AdmissionContext): Refusal | null {
  if (endedAt > context.nowMs + CLOCK_TOLERANCE_MS) return { code: 'in-the-future', at: endedAt };
  if (endedAt < beganAt) return { code: 'ends-before-start' };
  const hours = (endedAt - beganAt) / HOUR_MS;
  return hours > LONGEST_SESSION_H ? { code: 'too-long', hours } : null;
}

function timesRefusal(sessionId: string, beganAt: number, endedAt: number, context: AdmissionContext): Refusal | null {
  return (
    spanRefusal(beganAt, endedAt, context) ??
    tooEarly(beganAt, context) ??
    overlapOf(sessionId, beganAt, endedAt, context)
  );
}

/** Taking back a retraction or a correction may bring a session back to where another has been entered since. */
function revivalRefusal(event: LogEvent, context: AdmissionContext): Refusal | null {
  const before = new Map(sessionsOf(context).map((session) => [session.id, session]));
  const events = [...context.events, event];
  for (const { id, beganAt, endedAt } of sessionsFrom(liveEvents(events), context.timeZone)) {
    const known = before.get(id);
    if (known?.beganAt === beganAt && known.endedAt === endedAt) continue;
    const refusal = overlapOf(id, beganAt, endedAt ?? beganAt + 1, { ...context, events });
    if (refusal) return refusal;
  }
  return null;
}

function sessionsOf({ events, timeZone }: AdmissionContext): Session[] {
  return sessionsFrom(liveEvents(events), timeZone);
}

function sessionOf(sessionId: string, context: AdmissionContext): Session | undefined {
  return sessionsOf(context).find((session) => session.id === sessionId);
}

function overlapOf(sessionId: string, beganAt: number, endedAt: number, context: AdmissionContext): Refusal | null {
  const other = sessionsOf(context).find(
    (session) => session.id !== sessionId && session.beganAt < endedAt && beganAt < (session.endedAt ?? Infinity),
  );
  return other ? { code: 'overlap', beganAt: other.beganAt, endedAt: other.endedAt } : null;
}
