import { DAY_MS, referredTo, SESSION_TYPES, type LogEvent } from '@tembrin/core';
import type { Transaction } from 'sequelize';
import type { EventsAsked, StoredEvent } from './event-rows';
import type { HouseholdScope } from './scope';

/** A session lasts a day at most: farther away than this only what nobody stopped is met. */
const BESIDE_MS = 2 * DAY_MS;
/** What speaks of what speaks of something: so many times. */
const DEEPEST = 10;
/** In more places than this all that is there is read at once. */
const MOST_PLACES = 20;
const MOST_CORRECTED = 200;
/** How many sessions are looked through at first for one that certainly holds. */
const LOOKED_THROUGH = 8;

const PLAYED = ['session-began', 'session-entered'];

/** Every instant that a session's event names. */
function instantsOf({ occurredAt, payload }: LogEvent): number[] {
  const { beganAt, endedAt } = payload as { beganAt?: string; endedAt?: string };
  return [occurredAt, beganAt, endedAt].flatMap((each) => (each === undefined ? [] : [Date.parse(each)]));
}

const farFrom = (at: number, { occurredAt }: LogEvent) => Math.abs(Date.parse(occurredAt) - at);

/** Stretches around some instants, those that touch as one. */
function stretchesAround(instants: readonly number[]): [from: number, to: number][] {
  const stretches: [number, number][] = [];
  for (const at of [...instants].sort((a, b) => a - b)) {
    const last = stretches.at(-1);
    if (last && at - BESIDE_MS <= last[1]) last[1] = at + BESIDE_MS;
    else stretches.push([at - BESIDE_MS, at + BESIDE_MS]);
  }
  return stretches;
}

/**
 * What an instrument's log has that sessions' events are judged by: all that was corrected or taken back, the sessions beside them
 * in time, and the nearest on either side however far it is, as a clock nobody stopped reaches to the next. So one costs the same
 * in a log of a hundred sessions and of fifty thousand.
 * @param events about to join the log
 */
export async function sessionsNear(
  scope: HouseholdScope,
  instrumentId: string,
  events: readonly LogEvent[],
  transaction: Transaction,
): Promise<LogEvent[]> {
  const found = new Map<string, StoredEvent>();
  const read = async (asked: Partial<EventsAsked>): Promise<LogEvent[]> => {
    const rows = await scope.events({ instrumentIds: [instrumentId], ...asked }, transaction);
    for (const row of rows) found.set(row.event.id, row);
    return rows.map(({ event }) => event);
  };
  const inOrder = () => [...found.values()].sort((a, b) => a.number - b.number).map(({ event }) => event);
  const whole = async () => {
    await read({ types: SESSION_TYPES });
    return inOrder();
  };

  const changes = await read({ types: ['session-corrected', 'retracted'] });
  const corrections = changes.filter(({ type }) => type === 'session-corrected');
  if (corrections.length > MOST_CORRECTED) return whole();
  const corrected = await read({ ids: corrections.flatMap(referredTo) });
  const concerned = [...events];
  let asked = events.flatMap(referredTo);
  for (let depth = 0; depth < DEEPEST && asked.length > 0; depth++) {
    await read({ ids: asked.filter((id) => !found.has(id)) });
    const told = asked.flatMap((id) => found.get(id)?.event ?? []);
    concerned.push(...told);
    asked = told.flatMap(referredTo);
  }
  // Another correction of a session may hold once this one does not.
  const ids = new Set(concerned.map(({ id }) => id));
  concerned.push(...changes.filter((change) => referredTo(change).some((id) => ids.has(id))));
  const places = stretchesAround(concerned.flatMap(instantsOf));
  if (places.length > MOST_PLACES) return whole();

  const unsure = new Set(changes.flatMap(referredTo));
  const beside: LogEvent[] = [...corrected];
  for (const [from, to] of places)
    for (const look of [
      { at: from, side: 'before' },
      { at: to, side: 'after' },
    ] as const)
      for (let most = LOOKED_THROUGH; ; most *= 4) {
        const rows = await read({ types: PLAYED, beside: look, most });
        const nearest = rows.sort((a, b) => farFrom(look.at, a) - farFrom(look.at, b));
        const sure = nearest.findIndex(({ id }) => !unsure.has(id));
        if (sure === -1 && rows.length >= most) continue;
        beside.push(...(sure === -1 ? nearest : nearest.slice(0, sure + 1)));
        break;
      }
  await read({
    types: [...PLAYED, 'session-ended'],
    within: stretchesAround([...concerned, ...beside].flatMap(instantsOf)),
  });
  return inOrder();
}
