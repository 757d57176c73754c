import type { Air, ReadingPost, UnsentReading } from '@tembrin/contract';
import { deleteDB, openDB, type DBSchema, type IDBPDatabase } from 'idb';

export type TypedReading = ReadingPost['readings'][number];

interface AirVaultSchema extends DBSchema {
  /** The household's air as this device last saw it. */
  air: { key: 'air'; value: Air };
  /** Readings not sent yet, in the order they were taken. */
  unsent: { key: number; value: UnsentReading };
}

export type AirVault = IDBPDatabase<AirVaultSchema>;

const nameOf = (householdId: string) => `tembrin-air-${householdId}`;

export function openAirVault(householdId: string): Promise<AirVault> {
  return openDB<AirVaultSchema>(nameOf(householdId), 1, {
    upgrade(database) {
      database.createObjectStore('air');
      database.createObjectStore('unsent', { autoIncrement: true });
    },
  });
}

export async function removeAirVault(householdId: string): Promise<void> {
  await deleteDB(nameOf(householdId));
}
