import type { LogEvent } from '@tembrin/core/log';
import { call } from './api';
import type { DeviceStore } from './device-store';

/**
 * Reads the server's log from its beginning, after it was put back from a backup, and puts what it lacks into the outbox: all of
 * that together with how far was read, so that whatever comes in between, it begins anew.
 * @param isOpen whether the household is still open
 * @param found told of each page
 * @returns what the server lacks, now to be sent again; nothing where the household was left meanwhile
 */
export async function readAnew(
  store: DeviceStore,
  isOpen: () => boolean,
  found: (events: readonly LogEvent[]) => void,
): Promise<readonly LogEvent[]> {
  const there = new Set<string>();
  for (let after = 0; ;) {
    const { events, reached, more, epoch } = await call('readLog', { query: { after } });
    if (!isOpen()) return [];
    found(events);
    const work = store.transaction('events', 'readwrite');
    for (const event of events) {
      there.add(event.id);
      void work.store.put(event);
    }
    await work.done;
    if (!more) return offer(store, there, reached, epoch);
    after = reached;
  }
}

async function offer(
  store: DeviceStore,
  there: ReadonlySet<string>,
  reached: number,
  epoch: string,
): Promise<readonly LogEvent[]> {
  const work = store.transaction(['events', 'outbox', 'reached', 'epoch'], 'readwrite', { durability: 'strict' });
  // By their ids, which are by time: what speaks of another entry comes after it.
  const lacking = (await work.objectStore('events').getAll()).filter(({ id }) => !there.has(id));
  const before = (await work.objectStore('epoch').get('epoch')) ?? '';
  // The same log, of which others are seen now: nothing is lost there, and what is not seen any more goes from here.
  const same = before !== epoch && before.split('~')[0] === epoch.split('~')[0];
  for (const event of lacking) {
    if (!same) void work.objectStore('outbox').add(event);
    void work.objectStore('events').delete(event.id);
  }
  for (const key of ['log', 'whole'] as const) void work.objectStore('reached').put(reached, key);
  void work.objectStore('epoch').put(epoch, 'epoch');
  await work.done;
  return same ? [] : lacking;
}
