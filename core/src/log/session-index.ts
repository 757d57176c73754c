import { bisector } from 'd3-array';
import { HOUR_MS } from '../time';
import type { LogEvent } from './events';
import { liveEvents } from './retraction';
import { FORGOTTEN_H, mergedSessions } from './sessions';

/** From when to when, ms; a clock nobody stopped reaches as far as it is believed. */
type Span = readonly [from: number, to: number];

/** One session as it was written down, with everything that was said of it since. */
interface Written {
  events: LogEvent[];
  /** null where it does not hold any more. */
  span: Span | null;
}

/** A session that holds, as it stands in the order of time. */
interface InOrder {
  session: string;
  span: Span;
}

/** The same for what most sessions are, begun and ended or typed in, without going through all that may be said of one; else null. */
function plainSpan([begun, ended, ...more]: readonly LogEvent[]): Span | null {
  if (!begun || more.length > 0 || begun.type === 'session-corrected') return null;
  const from = Date.parse(begun.occurredAt);
  if (begun.type === 'session-entered' && !ended) return fromTo(from, Date.parse(begun.payload.endedAt));
  if (begun.type !== 'session-began') return null;
  if (!ended) return [from, from + FORGOTTEN_H * HOUR_MS];
  return ended.type === 'session-ended' ? fromTo(from, Date.parse(ended.occurredAt)) : null;
}

const fromTo = (one: number, other: number): Span => (one <= other ? [one, other] : [other, one]);

/** When a session was, by the events about it; null where it does not hold. */
export function spanOf(events: readonly LogEvent[]): Span | null {
  const plain = plainSpan(events);
  if (plain) return plain;
  const [session] = mergedSessions(liveEvents(events));
  if (!session) return null;
  const { beganAt, endedAt } = session;
  return fromTo(beganAt, endedAt ?? beganAt + FORGOTTEN_H * HOUR_MS);
}

/**
 * The sessions of a list of events, each with what was said of it: so that one more event is judged by those beside it in time,
 * not by all there are.
 */
class SessionIndex {
  private readonly byId = new Map<string, LogEvent>();
  private readonly written = new Map<string, Written>();
  /** What was taken back before it was there to be seen. */
  private readonly missed = new Set<string>();
  /** Those that hold, by their beginning, and how long the longest of them ever was, ms. */
  private readonly inOrder: InOrder[] = [];
  private longest = 0;
  private count = 0;
  private last: LogEvent | undefined;

  /** Takes in what came to the list since. @returns false where it is not the same list, longer: then another is to be made */
  catchUp(events: readonly LogEvent[]): boolean {
    if (events.length < this.count || (this.count > 0 && events[this.count - 1] !== this.last)) return false;
    const fresh = events.slice(this.count);
    if (fresh.some(({ id }) => this.missed.has(id) || this.byId.has(id))) return false;
    for (const event of fresh) this.byId.set(event.id, event);
    const touched = new Set<string>();
    for (const event of fresh) {
      const session = this.sessionOf(event);
      if (session === null) continue;
      const known = this.written.get(session);
      if (known) known.events.push(event);
      else this.written.set(session, { events: [event], span: null });
      touched.add(session);
    }
    if (this.count === 0) this.placeAll();
    else for (const id of touched) this.place(id, this.written.get(id)!);
    this.count = events.length;
    this.last = events.at(-1);
    return true;
  }

  /** Id of the session an event is about; null where it is about none that is known. */
  sessionOf(event: LogEvent): string | null {
    let each = event;
    const seen = new Set<string>();
    while (each.type === 'retracted') {
      const { eventId } = each.payload;
      const target = this.byId.get(eventId);
      if (!target) this.missed.add(eventId);
      // What takes back itself, in a circle, or nothing, is about nothing.
      if (!target || seen.has(eventId)) return null;
      seen.add(eventId);
      each = target;
    }
    if (each.type === 'session-began' || each.type === 'session-entered') return each.id;
    return each.type === 'session-ended' || each.type === 'session-corrected' ? each.payload.sessionId : null;
  }

  /** Everything said of one session. */
  eventsOf(session: string): readonly LogEvent[] {
    return this.written.get(session)?.events ?? [];
  }

  /** Events about a session and all that meet one of some spans, what meets those in turn, and the sessions next to them. */
  near(session: string, spans: readonly Span[]): LogEvent[] {
    const chosen = new Set([session]);
    const reached = this.gather(spans, chosen);
    const neighbours = reached.flatMap((span) => this.nextTo(span, chosen));
    this.gather(neighbours, chosen);
    return [...chosen].flatMap((id) => this.eventsOf(id));
  }

  /** Chooses all that meet some spans, and what meets those. @returns the spans as far as they reach then */
  private gather(spans: readonly Span[], chosen: Set<string>): Span[] {
    return spans.map((span) => {
      let [from, to] = span;
      for (let before = -1; before !== chosen.size;) {
        before = chosen.size;
        // What meets it began no earlier than the longest there is would have to.
        for (let at = byBeginning.left(this.inOrder, from - this.longest); at < this.inOrder.length; at++) {
          const each = this.inOrder[at]!;
          if (each.span[0] > to) break;
          if (each.span[1] < from) continue;
          chosen.add(each.session);
          [from, to] = [Math.min(from, each.span[0]), Math.max(to, each.span[1])];
        }
      }
      return [from, to];
    });
  }

  /** The last session that began before a span, and the first after it. */
  private nextTo([from, to]: Span, chosen: ReadonlySet<string>): Span[] {
    let earlier = byBeginning.left(this.inOrder, from) - 1;
    while (earlier >= 0 && chosen.has(this.inOrder[earlier]!.session)) earlier--;
    let later = byBeginning.right(this.inOrder, to);
    while (later < this.inOrder.length && chosen.has(this.inOrder[later]!.session)) later++;
    return [this.inOrder[earlier], this.inOrder[later]].flatMap((each) => (each ? [each.span] : []));
  }

  private placeAll(): void {
    for (const [session, own] of this.written) {
      own.span = spanOf(own.events);
      if (!own.span) continue;
      this.longest = Math.max(this.longest, own.span[1] - own.span[0]);
      this.inOrder.push({ session, span: own.span });
    }
    this.inOrder.sort((a, b) => a.span[0] - b.span[0]);
  }

  /** Puts a session where it is in order now. */
  private place(session: string, own: Written): void {
    if (own.span) {
      const { span } = own;
      let at = byBeginning.left(this.inOrder, span[0]);
      while (this.inOrder[at]!.session !== session) at++;
      this.inOrder.splice(at, 1);
    }
    own.span = spanOf(own.events);
    if (!own.span) return;
    this.longest = Math.max(this.longest, own.span[1] - own.span[0]);
    this.inOrder.splice(byBeginning.right(this.inOrder, own.span[0]), 0, { session, span: own.span });
  }
}

const byBeginning = bisector(({ span: [from] }: InOrder) => from);

const indices = new WeakMap<readonly LogEvent[], SessionIndex>();

/** The index of a list, kept with it while it only grows at its end. */
export function sessionIndex(events: readonly LogEvent[]): SessionIndex {
  const known = indices.get(events);
  if (known?.catchUp(events)) return known;
  const fresh = new SessionIndex();
  fresh.catchUp(events);
  indices.set(events, fresh);
  return fresh;
}
