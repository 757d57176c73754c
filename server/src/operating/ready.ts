import { statfs } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { SECOND_MS } from '@tembrin/core';
import type { Database } from '../database/connect';
import type { Loop } from './loop';

/** A server is not ready for more where less room than this is left, bytes, or its thread was held up for longer. */
const LEAST_ROOM = 100_000_000;
const LONGEST_DELAY_MS = 5 * SECOND_MS;
const PATIENCE_MS = 3 * SECOND_MS;

/** What a server needs for its work, and whether it has it. */
export interface Readiness {
  status: 'ready' | 'not-ready';
  database: boolean;
  disk: boolean;
  thread: boolean;
  /** Room left on the disk, MB; null where it cannot be told. */
  roomMb: number | null;
  /** Longest time the server's thread was held up of late, ms. */
  delayMs: number;
}

/** Bytes left where files are put; null where that cannot be told. */
export async function roomIn(folder: string): Promise<number | null> {
  const found = await statfs(folder).catch(() => null);
  return found && found.bavail * found.bsize;
}

/** Whether the server can do its work: database, disk, and its own thread. */
export async function readiness(
  { sequelize }: Pick<Database, 'sequelize'>,
  loop: Pick<Loop, 'longestMs'>,
  folders: readonly string[],
): Promise<Readiness> {
  const patience = new Promise<false>((resolve) => setTimeout(() => resolve(false), PATIENCE_MS).unref());
  const database = await Promise.race([
    sequelize.authenticate().then(
      () => true,
      () => false,
    ),
    patience,
  ]);
  const rooms = await Promise.all([tmpdir(), ...folders].map(roomIn));
  const room = Math.min(...rooms.map((each) => each ?? Infinity));
  const delayMs = Math.round(loop.longestMs());
  const checks = {
    database,
    disk: room >= LEAST_ROOM,
    thread: delayMs <= LONGEST_DELAY_MS,
  };
  return {
    status: Object.values(checks).every(Boolean) ? 'ready' : 'not-ready',
    ...checks,
    roomMb: Number.isFinite(room) ? Math.floor(room / 1e6) : null,
    delayMs,
  };
}
