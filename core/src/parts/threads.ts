import type { PartId } from './catalogue';
import type { Thread, ThreadOf } from './parts';
import type { ThreadState } from './thread';

/** The thread of one part; undefined where there is none. */
export function threadOf<P extends PartId>(threads: readonly Thread[], part: P): ThreadOf<P> | undefined {
  return threads.find((thread): thread is ThreadOf<P> => thread.part === part);
}

const URGENCY: Readonly<Record<ThreadState, number>> = { now: 0, soon: 1, unknown: 2, well: 3 };

/** Threads with what is due first; of equal state, the one whose window opens first. */
export function byUrgency(threads: readonly Thread[]): Thread[] {
  return [...threads].sort(
    (a, b) => URGENCY[a.state] - URGENCY[b.state] || (a.window?.middle ?? Infinity) - (b.window?.middle ?? Infinity),
  );
}
