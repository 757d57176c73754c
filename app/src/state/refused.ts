import { written, type Draft } from './log';
import type { RefusedEntry } from './device-store';
import type { LogEvent } from '@tembrin/core/log';

/** A session the server would not take, with whatever was recorded of it and so was not taken either. */
export interface RefusedSession {
  beganAt: number;
  /** null when its clock was never stopped. */
  endedAt: number | null;
  /** Its closing round, to be recorded anew under another session. */
  steps: readonly LogEvent[];
  ids: readonly string[];
}

/** Finds a refused session among the refused entries; null when it is not there. */
export function refusedSession(refused: readonly RefusedEntry[], id: string | undefined): RefusedSession | null {
  const began = refused.find(({ event }) => event.id === id)?.event;
  if (!began || (began.type !== 'session-began' && began.type !== 'session-entered')) return null;
  const belonging = refused.flatMap(({ event }) =>
    'sessionId' in event.payload && event.payload.sessionId === id ? [event] : [],
  );
  const end = belonging.find(({ type }) => type === 'session-ended');
  const endedAt = began.type === 'session-entered' ? began.payload.endedAt : end?.occurredAt;
  return {
    beganAt: Date.parse(began.occurredAt),
    endedAt: endedAt === undefined ? null : Date.parse(endedAt),
    steps: belonging.filter(({ type }) => type === 'step-done' || type === 'step-skipped'),
    ids: [began.id, ...belonging.map(({ id: each }) => each)],
  };
}

/** The steps of a refused session, written anew for the session entered in its place, at its end. */
export function stepsAnew({ steps }: RefusedSession, instrumentId: string, sessionId: string, at: number): LogEvent[] {
  return steps.map(({ type, payload }) => {
    const draft = { type, at, payload: { ...payload, sessionId } } as Draft;
    return written(instrumentId, draft);
  });
}
