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

/** Each event once, and which of them, retractions included, have been taken back. */
function judged(events: readonly LogEvent[]): { byId: Map<string, LogEvent>; dead: Set<string> } {
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
  return { byId, dead };
}

/**
 * The events that still hold: duplicates dropped, retractions carried out (a retraction can itself be retracted),
 * in order of time. The answer depends on the set of events only, not on the order in which they arrived.
 * Retractions that point at each other in a circle, or at nothing, have no effect.
 * @returns events other than retractions, by `occurredAt`, then `id`
 */
export function liveEvents(events: readonly LogEvent[]): LogEvent[] {
  const { byId, dead } = judged(events);
  const live: LogEvent[] = [];
  for (const event of byId.values()) if (event.type !== 'retracted' && !dead.has(event.id)) live.push(event);
  return live.sort(byTime);
}

/** An event that was taken back, with the retractions that hold it down: taking all of them back puts it back. */
export interface TakenBack {
  event: LogEvent;
  by: readonly string[];
}

/** What was taken back and not put back since, the last retracted first. */
export function takenBack(events: readonly LogEvent[]): TakenBack[] {
  const { byId, dead } = judged(events);
  const found = new Map<string, { event: LogEvent; by: string[]; at: string }>();
  for (const retraction of byId.values()) {
    if (retraction.type !== 'retracted' || dead.has(retraction.id)) continue;
    const event = byId.get(retraction.payload.eventId);
    if (!event || event.type === 'retracted' || !dead.has(event.id)) continue;
    const entry = found.get(event.id) ?? { event, by: [], at: '' };
    entry.by.push(retraction.id);
    if (retraction.recordedAt > entry.at) entry.at = retraction.recordedAt;
    found.set(event.id, entry);
  }
  return [...found.values()]
    .sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : a.event.id < b.event.id ? 1 : -1))
    .map(({ event, by }) => ({ event, by }));
}

/** Order of time: `occurredAt`, then `id`. */
export function byTime(a: LogEvent, b: LogEvent): number {
  if (a.occurredAt !== b.occurredAt) return a.occurredAt < b.occurredAt ? -1 : 1;
  return a.id < b.id ? -1 : a.id > b.id ? 1 : 0;
}
