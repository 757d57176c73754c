import type { LogEvent } from '@tembrin/core/log';
import { create } from 'zustand';
import type { RefusedEntry } from './device-store';

/** Where sending stands: up to date, out of reach and trying again, waiting for a new sign-in, or for the server's clock to catch up. */
export type Line = 'open' | 'down' | 'signed-out' | 'behind';

export interface LogState {
  householdId: string | null;
  /** What this device keeps of it was read; before, nothing is known, which is not the same as nothing being there. */
  opened: boolean;
  /** All that this device keeps of it was read, not only what was wanted first. */
  read: boolean;
  /** Every instrument's events that this device knows, sent or not. */
  events: Readonly<Record<string, readonly LogEvent[]>>;
  /** Instruments whose log is complete, as far as the server had told when last asked. */
  complete: ReadonlySet<string> | 'all';
  /** Share of the server's log that is here, while much of it is still to come; null otherwise. */
  share: number | null;
  unsent: number;
  refused: readonly RefusedEntry[];
  line: Line;
}

export const EMPTY: LogState = {
  householdId: null,
  opened: false,
  read: false,
  events: {},
  complete: new Set(),
  share: null,
  unsent: 0,
  refused: [],
  line: 'open',
};

/** The log on this device. Nothing derived is kept here. */
export const useLog = create<LogState>()(() => EMPTY);

export type Message =
  | { kind: 'recorded'; events: readonly LogEvent[]; unsent: number }
  | { kind: 'withdrawn'; events: readonly LogEvent[] }
  | { kind: 'settled'; stored: readonly LogEvent[]; refused: readonly RefusedEntry[]; unsent: number }
  | { kind: 'dropped'; ids: readonly string[] };

/** Ids of the events of a list. Made anew for each page of a log that is coming in, they would take ever longer. */
const idsIn = new WeakMap<readonly LogEvent[], Set<string>>();

/** A list with more events at its end, each once. */
function grown(known: readonly LogEvent[], added: readonly LogEvent[]): readonly LogEvent[] {
  const ids = idsIn.get(known) ?? new Set(known.map(({ id }) => id));
  const fresh = added.filter(({ id }) => !ids.has(id) && ids.add(id));
  const list = fresh.length > 0 ? [...known, ...fresh] : known;
  // The longer list has them from now on.
  idsIn.delete(known);
  idsIn.set(list, ids);
  return list;
}

/** A log with events that came to it, each once. */
export function merged(events: LogState['events'], added: readonly LogEvent[]): LogState['events'] {
  const next: Record<string, readonly LogEvent[]> = { ...events };
  const byInstrument = new Map<string, LogEvent[]>();
  for (const event of added) {
    const list = byInstrument.get(event.instrumentId);
    if (list) list.push(event);
    else byInstrument.set(event.instrumentId, [event]);
  }
  for (const [instrumentId, list] of byInstrument) {
    next[instrumentId] = grown(next[instrumentId] ?? [], list);
  }
  return next;
}

/** Whether a list of events is an earlier one with more at its end, or that one itself. */
export const onlyGrew = (before: readonly LogEvent[], now: readonly LogEvent[]): boolean =>
  before.length <= now.length && before.at(-1) === now[before.length - 1];

function without(events: LogState['events'], gone: readonly LogEvent[]): LogState['events'] {
  const next: Record<string, readonly LogEvent[]> = { ...events };
  for (const { id: goneId, instrumentId } of gone) {
    next[instrumentId] = (next[instrumentId] ?? []).filter(({ id }) => id !== goneId);
  }
  return next;
}

/** Makes a change visible in this tab. */
export function apply(message: Message): void {
  const state = useLog.getState();
  switch (message.kind) {
    case 'recorded':
      useLog.setState({ events: merged(state.events, message.events), unsent: message.unsent });
      break;
    case 'withdrawn':
      useLog.setState({ events: without(state.events, message.events) });
      break;
    case 'settled': {
      const ids = new Set(message.refused.map(({ event }) => event.id));
      useLog.setState({
        events: without(
          merged(state.events, message.stored),
          message.refused.map(({ event }) => event),
        ),
        refused: [...state.refused.filter(({ event }) => !ids.has(event.id)), ...message.refused],
        unsent: message.unsent,
      });
      break;
    }
    case 'dropped':
      useLog.setState({ refused: state.refused.filter(({ event }) => !message.ids.includes(event.id)) });
      break;
  }
}
