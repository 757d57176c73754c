import type { Reading } from '@tembrin/core';
import type { Sequelize, Transaction } from 'sequelize';
import type { Database } from '../../database/connect';
import { retried } from '../../database/transaction';
import { fail } from '../../problems/problems';
import type { ArrivedFile } from '../../intake/jobs';
import { withApart } from '../../reading/apart';
import type { LoggerReading } from '../../reading/logger';
import { unpacked } from '../../reading/packed';
import type { ItemOf } from '../../reading/tasks';
import { rollUp } from './hours';
import { extentOf, lockSensor, storeReadings } from './readings';

const BATCH = 10_000;
/** More unreadable lines than this, and this share of them, and the plan is wrong rather than the lines. */
const UNREADABLE = { least: 10, share: 0.05 } as const;

/** Where a logger's readings go, and how they are to be read. */
export interface ReadingsJob extends LoggerReading {
  sensor: number;
}

/**
 * Imports a logger's file in one transaction.
 * @throws ProblemError 422 when too many lines cannot be read
 */
export function importReadings(
  { sequelize, long }: Pick<Database, 'sequelize' | 'long'>,
  job: ReadingsJob,
  file: ArrivedFile,
): Promise<void> {
  const { sensor, ...how } = job;
  const { path, delimiter, skip } = file;
  return retried(() => {
    file.anew();
    return withApart('loggerReadings', { ...how, file: { path, delimiter, skip } }, (found) =>
      long.transaction((transaction) => storeAll(sequelize, sensor, found, file, transaction)),
    );
  });
}

async function storeAll(
  sequelize: Sequelize,
  sensor: number,
  found: AsyncIterable<ItemOf<'loggerReadings'>>,
  { progress, told, alive }: ArrivedFile,
  transaction: Transaction,
): Promise<void> {
  await lockSensor(sequelize, sensor, transaction);
  const batches = await batchStore(sequelize, sensor, transaction, progress.intake);
  let batch: Reading[] = [];
  let taken = 0;
  let [first, last] = [Infinity, -Infinity];
  for await (const stretch of found) {
    told(stretch);
    for (const reading of unpacked(stretch.taken)) {
      first = Math.min(first, reading.atS);
      last = Math.max(last, reading.atS);
      batch.push(reading);
    }
    taken += stretch.taken.length;
    if (batch.length < BATCH) continue;
    await batches.store(batch);
    alive();
    batch = [];
  }
  await batches.store(batch);
  await batches.stored();
  if (progress.unreadable > Math.max(UNREADABLE.least, UNREADABLE.share * progress.lines) || taken === 0) {
    const example = progress.examples[0];
    const why = example ? ` Line ${example.line}: ${example.fault}` : '';
    fail(
      422,
      'unreadable-lines',
      `${progress.unreadable} of ${progress.lines} lines cannot be read, so nothing was imported.${why}`,
    );
  }
  await rollUp(sequelize, sensor, first, last, transaction);
  alive();
}

/** Stores batches one after another; while the database stores one, the next is read. */
async function batchStore(
  sequelize: Sequelize,
  sensor: number,
  transaction: Transaction,
  intake: ArrivedFile['progress']['intake'],
) {
  // Stretches in which something is stored: before the import, and by it. Outside them nothing needs to be looked for.
  const before = await extentOf(sequelize, sensor, transaction);
  let own: [number, number] | null = null;
  let storing: Promise<void> = Promise.resolve();
  const apart = (one: readonly [number, number] | null, [low, high]: readonly [number, number]) =>
    one === null || high < one[0] || low > one[1];
  const put = async (readings: readonly Reading[]) => {
    const span = spanOf(readings);
    const fresh = apart(before, span) && apart(own, span);
    own = own ? [Math.min(own[0], span[0]), Math.max(own[1], span[1])] : span;
    const taken = await storeReadings(sequelize, sensor, readings, transaction, fresh);
    intake.stored += taken.stored;
    intake.known += taken.known;
    intake.corrected += taken.corrected;
  };
  return {
    async store(readings: readonly Reading[]) {
      await storing;
      if (readings.length === 0) return;
      storing = put(readings);
      // Awaited at the next turn; until then nobody else would hear of its failure.
      storing.catch(() => undefined);
    },
    stored: () => storing,
  };
}

/** First and last instant of some readings, seconds. */
function spanOf(readings: readonly Reading[]): [number, number] {
  let [low, high] = [Infinity, -Infinity];
  for (const { atS } of readings) {
    low = Math.min(low, atS);
    high = Math.max(high, atS);
  }
  return [low, high];
}
