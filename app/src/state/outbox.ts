import { Refused } from './api';

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
