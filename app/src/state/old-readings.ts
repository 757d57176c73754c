import { deleteDB, openDB } from 'idb';
import type { DeviceStore, TypedReading } from './device-store';

/** Until version 2 the air had a database of its own. */
const oldAirNameOf = (householdId: string) => `tembrin-air-${householdId}`;

interface OldReading {
  sensorId: string;
  reading: Omit<TypedReading, 'lowPercent' | 'highPercent'> & { low: number | null; high: number | null };
}

/**
 * Moves readings that wait in the air's own database of an earlier version here, and gives that up; moved twice, the server
 * takes them once.
 */
export async function takeOldReadings(store: DeviceStore, householdId: string): Promise<void> {
  let there = true;
  const old = await openDB<{ unsent: { key: number; value: OldReading } }>(oldAirNameOf(householdId), 1, {
    upgrade(_database, _version, _new, transaction) {
      there = false;
      transaction.done.catch(() => undefined);
      transaction.abort();
    },
  }).catch(() => null);
  if (!old || !there) return;
  const waiting = await old.getAll('unsent');
  const work = store.transaction('readings', 'readwrite', { durability: 'strict' });
  for (const { sensorId, reading } of waiting) {
    const { low, high, ...taken } = reading;
    void work.store.add({ sensorId, reading: { ...taken, lowPercent: low, highPercent: high } });
  }
  await work.done;
  old.close();
  await deleteDB(oldAirNameOf(householdId));
}
