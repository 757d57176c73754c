import type { LogEvent } from './events';

/** An event as those see it who do not keep the household: what work cost, and which visit it belongs to, are the keepers' business. */
export function withoutCosts(event: LogEvent): LogEvent {
  if (event.type === 'worked-on') return { ...event, payload: { ...event.payload, cost: null, visitId: null } };
  if (event.type === 'brought-in') return { ...event, payload: { ...event.payload, visitId: null } };
  return event;
}
