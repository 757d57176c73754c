import type { LogEvent } from './events';

/** One copy of each id. Copies of one id ought to be equal; if they differ, the one that sorts first as text is kept. */
function uniqueById(events: readonly LogEvent[]): Map<string, LogEvent> {
  const byId = new Map<string, LogEvent>();
  for (const event of events) byId.set(event.id, event);
  if (byId.size === events.length) return byId;
  byId.clear();
  for (const event of events) {
    const other = byId.get(event.id);
    if (!other || (other !== event && JSON.stringify(event) < JSON.stringify(other))) byId.set(event.id, event);
  }
  return byId;
}

/**
 * The events that still hold: duplicates dropped, retractions carried out (a retraction can itself be retracted),
 * in order of time. The answer depends on the set of events only, not on the order in which they arrived.
 * Retractions that point at each other in a circle, or at nothing, have no effect.
 * @returns events other than retractions, by `occurredAt`, then `id`
 */
export function liveEvents(events: readonly LogEvent[]): LogEvent[] {
  const byId = uniqueById(events);
  const targetOf = new Map<string, string>();
  const undecided = new Map<string, number>();
  for (const event of byId.values()) {
    if (event.type !== 'retracted') continue;
    targetOf.set(event.id, event.payload.eventId);
    undecided.set(event.payload.eventId, (undecided.get(event.payload.eventId) ?? 0) + 1);
  }

  // From retractions nobody retracts towards what they take back; a circle is never entered.
  const dead = new Set<string>();
  const decided = [...targetOf.keys()].filter((id) => !undecided.has(id));
  for (let id = decided.pop(); id !== undefined; id = decided.pop()) {
    const target = targetOf.get(id);
    if (target === undefined) continue;
    if (!dead.has(id)) dead.add(target);
    const left = undecided.get(target)! - 1;
    undecided.set(target, left);
    if (left === 0) decided.push(target);
  }

  const live: LogEvent[] = [];
  for (const event of byId.values()) if (event.type !== 'retracted' && !dead.has(event.id)) live.push(event);
  return live.sort(byTime);
}

/** Order of time: `occurredAt`, then `id`. */
export function byTime(a: LogEvent, b: LogEvent): number {
  if (a.occurredAt !== b.occurredAt) return a.occurredAt < b.occurredAt ? -1 : 1;
  return a.id < b.id ? -1 : a.id > b.id ? 1 : 0;
}
