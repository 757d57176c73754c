import type { Air, Card, LogPage, NewCard, Problem, ReadingPost, UnsentReading } from '@tembrin/contract';
import { deleteDB, openDB, unwrap, type DBSchema, type IDBPDatabase } from 'idb';
import { notifyProblem } from './notice';
import type { LogEvent } from '@tembrin/core/log';

/** What this device keeps of a household: one database each, so that nothing of one ever shows under another. */

/** An entry the server would not take, with its reason. It is kept until the player corrects or drops it. */
export interface RefusedEntry {
  event: LogEvent;
  problem: Problem;
}

export type TypedReading = ReadingPost['readings'][number];

/** A reading the server would not take, with its reason. It is kept until the player drops it. */
export interface RefusedReading extends UnsentReading {
  problem: Problem;
}

/** A change of the household's cards. */
export type CardChange =
  | { kind: 'add'; cards: readonly NewCard[] }
  | { kind: 'change'; card: Card; facts: Card['facts'] }
  | { kind: 'remove'; card: Card };

/** A change the server would not take, with its reason. It is kept until the player drops it. */
export type RefusedCard = CardChange & { problem: Problem };

/** A photograph, and the instrument it is of. */
export interface PhotoName {
  instrumentId: string;
  photo: string;
}

interface DeviceSchema extends DBSchema {
  /** What the server has of the log, as far as this device has seen. */
  events: { key: string; value: LogEvent; indexes: { instrument: string } };
  /** Entries not sent yet, in the order they were written down. */
  outbox: { key: number; value: LogEvent };
  refused: { key: string; value: RefusedEntry };
  /** How far the server's log has been read; and how far it reached when it was first read to its end: before, the rest is missing here. */
  reached: { key: 'log' | 'whole'; value: number };
  /** Which log of the household's it is that was read: another after the server's was put back from a backup. */
  epoch: { key: 'epoch'; value: string };
  /** The household's air as this device last saw it. */
  air: { key: 'air'; value: Air };
  /** Readings not sent yet, in the order they were taken. */
  readings: { key: number; value: UnsentReading };
  /** Readings the server would not take, by the keys they had before. */
  refusedReadings: { key: number; value: RefusedReading };
  /** The household's cards as this device last saw them. */
  cards: { key: 'cards'; value: readonly Card[] };
  /** Changes of cards not sent yet, in the order they were made, and those the server would not take. */
  cardChanges: { key: number; value: CardChange & { problem?: Problem } };
  /** Photographs not sent yet, and those the server would not take; by instrument and hash. */
  photoOutbox: { key: string; value: PhotoName & { bytes: Uint8Array; problem?: Problem } };
  /** Photographs to be removed from the server, and when at the earliest. */
  photoRemovals: { key: string; value: PhotoName & { afterMs: number } };
  /** Photographs this device has looked at, and when last. */
  photoCache: { key: string; value: { bytes: Uint8Array; usedMs: number } };
}

export type DeviceStore = IDBPDatabase<DeviceSchema>;

const BLOCKED = 'Tembrin is open in another tab in an earlier version. Close that tab, and this one goes on.';

const nameOf = (householdId: string) => `tembrin-${householdId}`;

/**
 * Opens this device's own copy of a household.
 * @param lost told when the browser has cleared it away while it was open
 */
export async function openDeviceStore(householdId: string, lost?: () => void): Promise<DeviceStore> {
  return openDB<DeviceSchema>(nameOf(householdId), 6, {
    upgrade(database, version, _new, transaction) {
      if (version < 1) {
        database.createObjectStore('events', { keyPath: 'id' }).createIndex('instrument', 'instrumentId');
        database.createObjectStore('outbox', { autoIncrement: true });
        database.createObjectStore('refused', { keyPath: 'event.id' });
        database.createObjectStore('reached');
      }
      if (version < 2) {
        database.createObjectStore('air');
        database.createObjectStore('readings', { autoIncrement: true });
        database.createObjectStore('cards');
      }
      if (version < 4) database.createObjectStore('refusedReadings');
      if (version < 5) {
        database.createObjectStore('cardChanges', { autoIncrement: true });
        database.createObjectStore('epoch');
      }
      if (version < 6)
        for (const name of ['photoOutbox', 'photoRemovals', 'photoCache'] as const) database.createObjectStore(name);
      if (version < 1 || version >= 3) return;
      // What was kept before this was told apart is taken for whole, as it was then.
      const reached = transaction.objectStore('reached');
      void reached.get('log').then((log) => (log === undefined ? undefined : reached.put(log, 'whole')));
    },
    blocked: () => notifyProblem(BLOCKED),
    terminated: lost,
    // A newer app, or signing out elsewhere, wants it to itself.
    blocking: (_current, _blocked, event) => (event.target as IDBDatabase).close(),
  });
}

/**
 * Opens this device's own copy of a household for long: where the browser clears it away while it is open, another is opened.
 * @param renewed told of it, with the one that is lost
 */
export async function openLasting(
  householdId: string,
  renewed: (fresh: DeviceStore, lost: DeviceStore) => Promise<void>,
): Promise<DeviceStore> {
  const mine = await openDeviceStore(
    householdId,
    () => void openLasting(householdId, renewed).then((fresh) => renewed(fresh, mine)),
  );
  return mine;
}

/** How many entries, readings, changes of cards and photographs this device keeps that no server has yet, of whichever household. */
export async function waitingOnDevice(): Promise<number> {
  let waiting = 0;
  for (const { name } of (await indexedDB.databases?.()) ?? []) {
    const householdId = /^tembrin-(?!air-)(.+)$/.exec(name ?? '')?.[1];
    if (householdId === undefined) continue;
    const store = await openDeviceStore(householdId);
    const [cards, ...counts] = await Promise.all([
      store.getAll('cardChanges'),
      ...(['outbox', 'readings', 'photoOutbox'] as const).map((name) => store.count(name)),
    ]);
    store.close();
    waiting += counts.reduce((sum, count) => sum + count, cards.filter(({ problem }) => !problem).length);
  }
  return waiting;
}

/** Asks the browser not to clear away what is kept here when room is short; it may decline, or ask its user. */
export function askToPersist(): void {
  if (!asked) void navigator.storage?.persist?.().catch(() => undefined);
  asked = true;
}
let asked = false;

/** How many photographs of a household wait on this device to be sent, or to be removed from the server. */
export async function waitingPhotos(householdId: string): Promise<number> {
  const store = await openDeviceStore(householdId);
  const [unsent, removals] = await Promise.all([store.count('photoOutbox'), store.count('photoRemovals')]);
  store.close();
  return unsent + removals;
}

export async function removeDeviceStore(householdId: string): Promise<void> {
  await deleteDB(nameOf(householdId));
}

/** Entries read at once: more are felt on the thread that draws. From memory: a tenth of a second on a slow phone. */
const AT_ONCE = 2000;

/** Entries kept in one task: each is copied for itself. From memory: a tenth of a second on a slow phone. */
const PUT_AT_ONCE = 250;

/**
 * Reads all that is kept of the log, as of one moment; in parts, so that the page is drawn and used in between.
 * @param take is given one part after another
 */
export async function readKeptLog(store: DeviceStore, take: (part: readonly LogEvent[]) => void): Promise<void> {
  const { store: events } = store.transaction('events');
  for (let last: string | null = null; ;) {
    const after: IDBKeyRange | null = last === null ? null : IDBKeyRange.lowerBound(last, true);
    const part = await events.getAll(after, AT_ONCE);
    take(part);
    if (part.length < AT_ONCE) return;
    last = part.at(-1)!.id;
  }
}

/** Stores a page of the server's log and how far it reached, together; where no more follows, what is kept is whole. */
export async function keepPage(
  store: DeviceStore,
  { events, reached, more, epoch }: Omit<LogPage, 'last'>,
): Promise<void> {
  const work = store.transaction(['events', 'reached', 'epoch'], 'readwrite');
  const kept = work.objectStore('events');
  // A promise for each would take as long again; where one fails, all of the transaction does.
  const plain = unwrap(kept);
  for (const [at, event] of events.entries()) {
    if (at % PUT_AT_ONCE > 0) plain.put(event);
    else await kept.put(event);
  }
  void work.objectStore('reached').put(reached, 'log');
  if (!more) void work.objectStore('reached').put(reached, 'whole');
  void work.objectStore('epoch').put(epoch, 'epoch');
  await work.done;
}

/** Adds entries to the outbox; once this resolves they survive a reload. */
export async function keepUnsent(store: DeviceStore, events: readonly LogEvent[]): Promise<void> {
  const work = store.transaction('outbox', 'readwrite', { durability: 'strict' });
  for (const event of events) void work.store.add(event);
  await work.done;
}

/** The oldest entries of the outbox, with their keys. */
export async function oldestUnsent(store: DeviceStore, most: number): Promise<{ keys: number[]; events: LogEvent[] }> {
  const work = store.transaction('outbox');
  const [keys, events] = await Promise.all([work.store.getAllKeys(null, most), work.store.getAll(null, most)]);
  return { keys, events };
}

/** Moves sent entries out of the outbox, to the log or to the refused ones, together. */
export async function settle(
  store: DeviceStore,
  keys: readonly number[],
  stored: readonly LogEvent[],
  refused: readonly RefusedEntry[],
): Promise<void> {
  const work = store.transaction(['outbox', 'events', 'refused'], 'readwrite');
  for (const key of keys) void work.objectStore('outbox').delete(key);
  for (const event of stored) void work.objectStore('events').put(event);
  for (const entry of refused) void work.objectStore('refused').put(entry);
  await work.done;
}

/** Takes refused entries away for good, all of them or none. */
export async function dropEntries(store: DeviceStore, ids: readonly string[]): Promise<void> {
  const work = store.transaction('refused', 'readwrite');
  for (const id of ids) void work.store.delete(id);
  await work.done;
}
