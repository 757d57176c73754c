import type { LogEvent } from '@tembrin/core';
import type { Problem } from '@tembrin/contract';
import { deleteDB, openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** An entry the server would not take, with its reason. It is kept until the player corrects or drops it. */
export interface RefusedEntry {
  event: LogEvent;
  problem: Problem;
}

interface VaultSchema extends DBSchema {
  /** What the server has, as far as this device has seen. */
  events: { key: string; value: LogEvent; indexes: { instrument: string } };
  /** What is not sent yet, in the order it was written down. */
  outbox: { key: number; value: LogEvent };
  refused: { key: string; value: RefusedEntry };
  /** How far the server's log has been read. */
  reached: { key: 'log'; value: number };
}

export type Vault = IDBPDatabase<VaultSchema>;

const nameOf = (householdId: string) => `tembrin-${householdId}`;

/** This device's own copy of a household's log. */
export function openVault(householdId: string): Promise<Vault> {
  return openDB<VaultSchema>(nameOf(householdId), 1, {
    upgrade(database) {
      database.createObjectStore('events', { keyPath: 'id' }).createIndex('instrument', 'instrumentId');
      database.createObjectStore('outbox', { autoIncrement: true });
      database.createObjectStore('refused', { keyPath: 'event.id' });
      database.createObjectStore('reached');
    },
  });
}

export async function removeVault(householdId: string): Promise<void> {
  await deleteDB(nameOf(householdId));
}

/** Stores a page of the server's log and how far it reached, together. */
export async function keepPage(vault: Vault, events: readonly LogEvent[], reached: number): Promise<void> {
  const work = vault.transaction(['events', 'reached'], 'readwrite');
  for (const event of events) void work.objectStore('events').put(event);
  void work.objectStore('reached').put(reached, 'log');
  await work.done;
}

/** Adds entries to the outbox; once this resolves they survive a reload. */
export async function keepUnsent(vault: Vault, events: readonly LogEvent[]): Promise<void> {
  const work = vault.transaction('outbox', 'readwrite', { durability: 'strict' });
  for (const event of events) void work.store.add(event);
  await work.done;
}

/** The oldest entries of the outbox, with their keys. */
export async function oldestUnsent(vault: Vault, most: number): Promise<{ keys: number[]; events: LogEvent[] }> {
  const work = vault.transaction('outbox');
  const [keys, events] = await Promise.all([work.store.getAllKeys(null, most), work.store.getAll(null, most)]);
  return { keys, events };
}

/** Moves sent entries out of the outbox, to the log or to the refused ones, together. */
export async function settle(
  vault: Vault,
  keys: readonly number[],
  stored: readonly LogEvent[],
  refused: readonly RefusedEntry[],
): Promise<void> {
  const work = vault.transaction(['outbox', 'events', 'refused'], 'readwrite');
  for (const key of keys) void work.objectStore('outbox').delete(key);
  for (const event of stored) void work.objectStore('events').put(event);
  for (const entry of refused) void work.objectStore('refused').put(entry);
  await work.done;
}

/** Takes refused entries away for good, all of them or none. */
export async function dropEntries(vault: Vault, ids: readonly string[]): Promise<void> {
  const work = vault.transaction('refused', 'readwrite');
  for (const id of ids) void work.store.delete(id);
  await work.done;
}
