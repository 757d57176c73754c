import { CLOCK_TOLERANCE_MS } from '../time';
import type { LogEvent } from './events';
import { meaningOf } from './meanings';
import type { AdmissionContext, Refusal } from './refusal';

/**
 * Whether an event may join an instrument's log: dates that can be, sessions that can have happened, ids that exist.
 * @returns null when it may, otherwise why not
 */
export function refusalOf(event: LogEvent, context: AdmissionContext): Refusal | null {
  const at = Date.parse(event.occurredAt);
  if (at > context.nowMs + CLOCK_TOLERANCE_MS) return { code: 'in-the-future', at };
  return meaningOf(event).admit(event, at, context);
}
