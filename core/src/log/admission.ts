import { FAMILY_FACTS, FIGURE_DATA, type Figure, type InstrumentFacts } from '../instruments';
import { DAY_MS, HOUR_MS, MINUTE_MS, startOfLocalDay } from '../time';
import type { EventOf, LogEvent, StepId } from './events';
import { liveEvents } from './retraction';
import { LONGEST_SESSION_H, mergedSessions, type Session } from './sessions';

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
  | { code: 'set-does-not-fit'; wanted: number; given: number }
  | { code: 'no-bow' }
  | { code: 'no-such-figure'; figure: Figure }
  | { code: 'out-of-range'; figure: Figure }
  | { code: 'no-harp' }
  | { code: 'no-such-place' };

/** How far ahead a device's clock may run before its entries are refused. */
export const CLOCK_TOLERANCE_MS = 5 * MINUTE_MS;

export interface AdmissionContext {
  facts: Pick<InstrumentFacts, 'family' | 'since' | 'stringCount'>;
  /** Events of this instrument already in the log; only sessions and retractions are looked at. */
  events: readonly LogEvent[];
  /** Whether an event with this id stands in this instrument's log. */
  has: (eventId: string) => boolean;
  /** Whether the household has a place with this id. */
  hasPlace: (placeId: string) => boolean;
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
      return tooEarly(occurredAt, context) ?? sessionRefusal(event, context);
    case 'session-entered':
      return timesRefusal(occurredAt, Date.parse(event.payload.endedAt), event, context);
    case 'session-corrected': {
      const { sessionId, beganAt, endedAt } = event.payload;
      if (!beganAtOf(sessionId, context)) return { code: 'no-such-session' };
      return timesRefusal(Date.parse(beganAt), Date.parse(endedAt), event, context);
    }
    case 'session-ended': {
      const beganAt = beganAtOf(event.payload.sessionId, context);
      if (!beganAt) return { code: 'no-such-session' };
      return spanRefusal(beganAt, occurredAt, context) ?? sessionRefusal(event, context);
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
      return stringsRefusal(event.payload, context);
    case 'change-began':
      return stringsRefusal(event.payload, context);
    case 'change-ended':
      return context.has(event.payload.changeId) ? null : { code: 'no-such-event' };
    case 'tuned':
      return event.payload.string < context.facts.stringCount
        ? null
        : { code: 'no-such-string', stringCount: context.facts.stringCount };
    case 'retracted':
      return context.has(event.payload.eventId) ? sessionRefusal(event, context) : { code: 'no-such-event' };
    case 'measured': {
      const { figure, value } = event.payload;
      const { families, least, most } = FIGURE_DATA[figure];
      if (!families.includes(context.facts.family)) return { code: 'no-such-figure', figure };
      return value < least || value > most ? { code: 'out-of-range', figure } : null;
    }
    case 'regulated':
      return context.facts.family === 'harp' ? null : { code: 'no-harp' };
    case 'moved':
      return event.payload.placeId === null || context.hasPlace(event.payload.placeId)
        ? null
        : { code: 'no-such-place' };
    case 'humidifier-weighed':
    case 'checked-up':
    case 'packed':
    case 'drill-done':
      return null;
  }
}

/** Strings that the instrument does not have, or make-up given for more or fewer strings than are meant. */
function stringsRefusal(
  { strings, specs, spares }: Pick<EventOf<'strings-fitted'>['payload'], 'strings' | 'specs' | 'spares'>,
  { facts: { stringCount } }: AdmissionContext,
): Refusal | null {
  if (strings?.some((at) => at >= stringCount)) return { code: 'no-such-string', stringCount };
  const wanted = strings?.length ?? stringCount;
  const wrong = [specs, spares].find((list) => list && list.length !== wanted);
  return wrong ? { code: 'set-does-not-fit', wanted, given: wrong.length } : null;
}

const BOW_STEPS: readonly string[] = ['slacken', 'wipe-stick', 'wipe-rosin'] satisfies StepId[];

function isBowStep(step: string): boolean {
  return BOW_STEPS.includes(step);
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

function timesRefusal(beganAt: number, endedAt: number, event: LogEvent, context: AdmissionContext): Refusal | null {
  return spanRefusal(beganAt, endedAt, context) ?? tooEarly(beganAt, context) ?? sessionRefusal(event, context);
}

/** When the entry with this id began, if it holds. */
function beganAtOf(sessionId: string, { events }: AdmissionContext): number | undefined {
  const begun = liveEvents(events).find(
    ({ id, type }) => id === sessionId && (type === 'session-began' || type === 'session-entered'),
  );
  return begun && Date.parse(begun.occurredAt);
}

type Merged = ReturnType<typeof mergedSessions>;

/** What the last event judged against a list made of its sessions: when the event joins the list, that is where the next begins. */
const judgedLast = new WeakMap<readonly LogEvent[], { event: LogEvent; count: number; sessions: Merged }>();

function sessionsBefore(events: readonly LogEvent[]): Merged {
  const last = judgedLast.get(events);
  if (last && last.count === events.length && last.event === events.at(-1)) return last.sessions;
  return mergedSessions(liveEvents(events));
}

/**
 * What an event would make of the sessions: none may overlap another, outlast a day, or follow a clock still running.
 * Clocks of two devices that ran at once merge into one session; what was typed in must have a time of its own.
 */
function sessionRefusal(event: LogEvent, context: AdmissionContext): Refusal | null {
  const before = sessionsBefore(context.events);
  const live = liveEvents([...context.events, event]);
  const after = mergedSessions(live);
  judgedLast.set(context.events, { event, count: context.events.length + 1, sessions: after });
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
