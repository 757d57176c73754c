import type { LogEvent } from '@tembrin/core/log';
import { call, Refused } from './api';
import type { RefusedEntry } from './device-store';

/** Answers of the 4xx that speak of now, not of what was sent: not signed in, too slow, too early, too many. */
const FOR_NOW: readonly number[] = [401, 408, 425, 429];

/**
 * Whether the server will never take what it was sent. Anything else (no answer, a server that fails, a sign-in that ended) leaves
 * it in its outbox, and it is tried again.
 */
export function isFinal(error: unknown): error is Refused {
  if (!(error instanceof Refused)) return false;
  const { status } = error.problem;
  return status >= 400 && status < 500 && !FOR_NOW.includes(status);
}

/** Has one tab at a time send. @param what an outbox by its name */
export async function oneTabAtATime<T>(what: string, work: () => Promise<T>): Promise<T> {
  return navigator.locks ? navigator.locks.request(`tembrin-${what}`, work) : work();
}

/** A server's clock that is further behind than this is not waited for. */
const WAITED_FOR_MS = 3_600_000;

/**
 * Whether an entry was refused as being of the future that is past by this device's clock: the server's is behind, and will take
 * it once it has caught up.
 */
export function isEarly({ event, problem }: RefusedEntry): boolean {
  const nowMs = Date.now();
  const [occurredMs, recordedMs] = [Date.parse(event.occurredAt), Date.parse(event.recordedAt)];
  return problem.type === '/problems/in-the-future' && occurredMs <= nowMs && nowMs - recordedMs < WAITED_FOR_MS;
}

/**
 * Sends entries, and tells which were stored and which refused. Where the server will take none of several, it may be for one of
 * them: `too-much`, and fewer are to be sent at a time.
 */
export async function outcomesOf(
  events: readonly LogEvent[],
): Promise<{ stored: readonly LogEvent[]; refused: readonly RefusedEntry[] } | 'too-much'> {
  try {
    const { outcomes } = await call('postEvents', { body: { events: [...events] } });
    return {
      stored: outcomes.flatMap(({ index, outcome }) => (outcome === 'refused' ? [] : [events[index]!])),
      refused: outcomes.flatMap(({ index, outcome, problem }) =>
        outcome === 'refused' && problem ? [{ event: events[index]!, problem }] : [],
      ),
    };
  } catch (error) {
    if (!isFinal(error)) throw error;
    return events.length > 1 ? 'too-much' : { stored: [], refused: [{ event: events[0]!, problem: error.problem }] };
  }
}
