import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import type { Problem } from '@tembrin/contract';
import { call, callForFile } from './api';
import { askToPersist, openDeviceStore, type DeviceStore, type PhotoName } from './device-store';
import { useLog } from './log-state';
import { notifyProblem } from './notice';
import { isFinal, oneTabAtATime } from './outbox';
import { photoKey, usePhotosWaiting } from './photos-waiting';

/** Photographs this device keeps besides those that wait; what was looked at longest ago goes first. */
const MOST_CACHED = 60;
/** So long a removal can be taken back. */
const UNDO_MS = 20_000;

const link: { householdId: string | null; store: Promise<DeviceStore> | null } = { householdId: null, store: null };

/** This device's store of the household that is open. @throws where none is, or the browser keeps nothing */
async function storeNow(): Promise<DeviceStore> {
  const { householdId } = useLog.getState();
  if (householdId === null) throw new Error('No household is open.');
  if (link.householdId !== householdId || !link.store) {
    const before = link.store;
    void before?.then((store) => store.close()).catch(() => undefined);
    link.householdId = householdId;
    const lost = () => void (link.store = null);
    link.store = openDeviceStore(householdId, lost);
    link.store.catch(lost);
    await show(await link.store);
  }
  return link.store;
}

async function show(store: DeviceStore): Promise<void> {
  const waiting: Record<string, Problem | null> = {};
  // One after another: together they could be more than a phone holds.
  for (const key of await store.getAllKeys('photoOutbox'))
    waiting[key] = (await store.get('photoOutbox', key))?.problem ?? null;
  usePhotosWaiting.setState(waiting, true);
}

/** The name a photograph is kept under. @param bytes of the whole file */
export const hashOf = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));

const NOT_KEPT = 'This browser keeps nothing more, so the photo was not kept. Make room, then try again.';

/**
 * Keeps a photograph on this device, to be sent. Once this resolves it survives a reload.
 * @returns its hash; null where this browser does not keep it, which the player is told
 */
export async function keepPhoto(instrumentId: string, bytes: Uint8Array): Promise<string | null> {
  const photo = hashOf(bytes);
  try {
    await keepUnsent({ instrumentId, photo }, bytes);
    return photo;
  } catch {
    notifyProblem(NOT_KEPT);
    return null;
  }
}

async function keepUnsent({ instrumentId, photo }: PhotoName, bytes: Uint8Array): Promise<void> {
  const store = await storeNow();
  askToPersist();
  await store.put('photoOutbox', { instrumentId, photo, bytes }, photoKey({ instrumentId, photo }));
  await store.delete('photoRemovals', photoKey({ instrumentId, photo }));
  await show(store);
}

/** Lets go of a photograph that was not put on record after all. */
export async function letGo(name: PhotoName): Promise<void> {
  const store = await storeNow();
  await store.delete('photoOutbox', photoKey(name));
  await show(store);
}

/** Keeps a photograph that the server has, or had sent, for the next look. */
async function cache(store: DeviceStore, key: string, bytes: Uint8Array): Promise<void> {
  await store.put('photoCache', { bytes, usedMs: Date.now() }, key);
  const work = store.transaction('photoCache', 'readwrite');
  const [keys, all] = await Promise.all([work.store.getAllKeys(), work.store.getAll()]);
  const oldest = keys.map((each, at) => ({ each, usedMs: all[at]!.usedMs })).sort((a, b) => a.usedMs - b.usedMs);
  for (const { each } of oldest.slice(0, Math.max(0, keys.length - MOST_CACHED))) void work.store.delete(each);
  await work.done;
}

/** Sends what waits: photographs to keep, and those to remove whose time has come. Without an answer it is tried again later. */
export async function sendPhotos(): Promise<void> {
  const store = await storeNow();
  const { householdId } = link;
  await oneTabAtATime('photos', async () => {
    for (const key of await store.getAllKeys('photoOutbox')) {
      const each = await store.get('photoOutbox', key);
      if (!each || each.problem || link.householdId !== householdId) continue;
      if (!(await sendOne(store, key, each))) return;
    }
    for (const key of await store.getAllKeys('photoRemovals')) {
      const each = await store.get('photoRemovals', key);
      if (!each || each.afterMs > Date.now() || link.householdId !== householdId) continue;
      if (!(await removeOne(store, key, each))) return;
    }
  });
}

/** @returns whether others may be sent too */
async function sendOne(store: DeviceStore, key: string, each: PhotoName & { bytes: Uint8Array }): Promise<boolean> {
  const { instrumentId, photo, bytes } = each;
  try {
    const file = new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'image/jpeg' });
    await call('keepPhoto', { params: { id: instrumentId, photo }, file });
    await cache(store, key, bytes).catch(() => undefined);
    await store.delete('photoOutbox', key);
  } catch (error) {
    if (!isFinal(error)) return false;
    await store.put('photoOutbox', { ...each, problem: error.problem }, key);
  }
  await show(store);
  return true;
}

async function removeOne(store: DeviceStore, key: string, { instrumentId, photo }: PhotoName): Promise<boolean> {
  try {
    await call('removePhoto', { params: { id: instrumentId, photo } });
  } catch (error) {
    // One that is not there is removed.
    if (!isFinal(error)) return false;
  }
  await store.delete('photoRemovals', key);
  await store.delete('photoCache', key);
  return true;
}

/** Tries to send once more what the server would not take. */
export async function sendAgain(name: PhotoName): Promise<void> {
  const store = await storeNow();
  const each = await store.get('photoOutbox', photoKey(name));
  if (each) await store.put('photoOutbox', { ...each, problem: undefined }, photoKey(name));
  await show(store);
  await sendPhotos();
}

/**
 * Has a photograph removed from this device and from the server's disk, after a while in which that can be taken back.
 * @returns takes it back
 */
export async function removePhoto(name: PhotoName): Promise<() => Promise<void>> {
  const store = await storeNow();
  const key = photoKey(name);
  const waited = await store.get('photoOutbox', key);
  await store.put('photoRemovals', { ...name, afterMs: Date.now() + UNDO_MS }, key);
  await store.delete('photoOutbox', key);
  await show(store);
  setTimeout(() => void sendPhotos().catch(() => undefined), UNDO_MS);
  return async () => {
    await store.delete('photoRemovals', key);
    if (waited) await store.put('photoOutbox', waited, key);
    await show(store);
    await sendPhotos();
  };
}

/** A photograph’s bytes: from this device, or the server, which then stays here for the next look. */
export async function photoBytes(name: PhotoName): Promise<Uint8Array> {
  const store = await storeNow();
  const key = photoKey(name);
  const waiting = await store.get('photoOutbox', key);
  if (waiting) return waiting.bytes;
  const cached = await store.get('photoCache', key);
  if (cached) return cached.bytes;
  const blob = await callForFile('readPhoto', { params: { id: name.instrumentId, photo: name.photo } });
  const bytes = new Uint8Array(await blob.arrayBuffer());
  await cache(store, key, bytes).catch(() => undefined);
  return bytes;
}
