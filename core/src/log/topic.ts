import type { EventOf, EventType } from './events';
import type { Mark } from './primitives';
import type { AdmissionContext, Refusal } from './refusal';

/** What one type of event means: whether it may join a log, what it refers to, and what it leaves there. */
export interface EventMeaning<T extends EventType, State> {
  /** Why it cannot stand; null when it may. That nothing lies in the future is looked at for all. @param at when it happened, ms */
  admit: (event: EventOf<T>, at: number, context: AdmissionContext) => Refusal | null;
  /** Ids of earlier events it is about. */
  refersTo?: (payload: EventOf<T>['payload']) => readonly string[];
  /** Puts it into the folded log; or says why it leaves nothing of its own there. */
  fold: ((state: State, mark: Mark, event: EventOf<T>) => void) | { nothing: string };
}

/** Types of events that belong together, and the lists they fill: those of their own, and others that they add to. */
export interface Topic<T extends EventType, State, Own = State> {
  /** The lists of their own before the first event. */
  start: () => Own;
  events: { readonly [K in T]: EventMeaning<K, State> };
}

/** Nothing but the time of such an event is judged. */
export const always = (): null => null;
