import type { Reading } from '@tembrin/core';
import type { Intake } from '@tembrin/contract';
import { storeMany } from '../../database/within';
import { checkQuota } from '../../problems/quota';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { HOUR_S, rollUp } from './hours';

/** Raw readings of sensors. Sensors are named by their short number, which only the scope hands out. */

/** Farther apart than this, single instants are asked for instead of the stretch between them. */
const STRETCH_S = 40 * 24 * HOUR_S;

/** Columns of a reading under the names it is reckoned with. */
export const READING_COLUMNS =
  'at AS atS, rh AS rhHundredths, tempC AS tempHundredths, low AS lowHundredths, high AS highHundredths';

const roundedOrNull = (value: number | null) => (value === null ? null : Math.round(value));

/**
 * Stores readings of one sensor. What is there already and the same is left; what is there with another value is changed.
 * The sensor is to be held by `lockSensor` meanwhile.
 * @param batch at most some thousands; of two with the same instant the later counts
 * @param fresh it is known that nothing is stored between its first and last instant
 */
export async function storeReadings(
  sequelize: Sequelize,
  sensor: number,
  batch: readonly Reading[],
  transaction: Transaction,
  fresh = false,
): Promise<Intake> {
  const byInstant = new Map(batch.map((reading) => [reading.atS, reading]));
  const there = fresh
    ? new Map<number, Reading>()
    : await storedAmong(sequelize, sensor, [...byInstant.keys()], transaction);
  const repeated = batch.length - byInstant.size;
  const changes: Reading[] = [];
  let corrected = 0;
  for (const reading of byInstant.values()) {
    const known = there.get(reading.atS);
    if (!known) changes.push(reading);
    else if (!same(known, reading)) {
      corrected++;
      changes.push(reading);
    }
  }
  if (changes.length > 0) {
    const rows = changes.map(({ atS, rhHundredths, tempHundredths, lowHundredths, highHundredths }) => [
      sensor,
      Math.floor(atS),
      Math.round(rhHundredths),
      roundedOrNull(tempHundredths),
      roundedOrNull(lowHundredths),
      roundedOrNull(highHundredths),
    ]);
    const over =
      'ON DUPLICATE KEY UPDATE rh = VALUES(rh), tempC = VALUES(tempC), low = VALUES(low), high = VALUES(high)';
    const sql = `INSERT INTO readings (sensor, at, rh, tempC, low, high) VALUES (?, ?, ?, ?, ?, ?) ${there.size === 0 ? '' : over}`;
    await storeMany(transaction, sql, rows);
  }
  const stored = changes.length - corrected;
  await countReadings(sequelize, sensor, stored, transaction);
  if (stored > 0) checkQuota('readings', (await readingsBeside(sequelize, sensor, transaction)) - stored, stored);
  return {
    stored,
    known: byInstant.size - changes.length + repeated,
    corrected,
  };
}

function same(one: Reading, other: Reading): boolean {
  return (
    one.rhHundredths === other.rhHundredths &&
    one.tempHundredths === other.tempHundredths &&
    one.lowHundredths === other.lowHundredths &&
    one.highHundredths === other.highHundredths
  );
}

async function storedAmong(sequelize: Sequelize, sensor: number, instants: number[], transaction: Transaction) {
  const [first, last] = instants.reduce(
    ([low, high], at) => [Math.min(low, at), Math.max(high, at)],
    [Infinity, -Infinity],
  );
  const condition = last - first <= STRETCH_S ? 'at BETWEEN :first AND :last' : 'at IN (:instants)';
  const rows = await sequelize.query<Reading>(
    `SELECT ${READING_COLUMNS} FROM readings WHERE sensor = :sensor AND ${condition}`,
    { replacements: { sensor, first, last, instants }, type: QueryTypes.SELECT, transaction },
  );
  return new Map(rows.map((row) => [row.atS, row]));
}

/** Counts up, or down, how many readings a sensor has. */
export async function countReadings(
  sequelize: Sequelize,
  sensor: number,
  more: number,
  transaction: Transaction,
): Promise<void> {
  if (more === 0) return;
  await sequelize.query('UPDATE sensors SET readings = readings + :more WHERE no = :sensor', {
    replacements: { sensor, more },
    transaction,
  });
}

/** How many readings all hygrometers of a sensor's household have. */
async function readingsBeside(sequelize: Sequelize, sensor: number, transaction: Transaction): Promise<number> {
  const [found] = await sequelize.query<{ n: string | number | null }>(
    `SELECT SUM(all_of.readings) AS n FROM sensors AS own JOIN sensors AS all_of ON all_of.householdId = own.householdId
     WHERE own.no = :sensor`,
    { replacements: { sensor }, type: QueryTypes.SELECT, transaction },
  );
  return Number(found?.n ?? 0);
}

/** Holds a sensor until the transaction ends, so that what comes in for it comes in one after another. */
export async function lockSensor(sequelize: Sequelize, sensor: number, transaction: Transaction): Promise<void> {
  await sequelize.query('UPDATE sensors SET turn = turn + 1 WHERE no = :sensor', {
    replacements: { sensor },
    transaction,
  });
}

/** Stores readings and rolls up the hours they touch, together. */
export async function takeIn(
  sequelize: Sequelize,
  sensor: number,
  readings: readonly Reading[],
  transaction: Transaction,
): Promise<Intake> {
  await lockSensor(sequelize, sensor, transaction);
  const intake = await storeReadings(sequelize, sensor, readings, transaction);
  for (const [from, to] of stretches(readings.map(({ atS }) => atS)))
    await rollUp(sequelize, sensor, from, to, transaction);
  return intake;
}

/** Instants gathered into stretches without a gap of more than a day, so that few hours are made anew for nothing. */
function stretches(instants: readonly number[]): [number, number][] {
  const found: [number, number][] = [];
  for (const at of [...instants].sort((a, b) => a - b)) {
    const last = found.at(-1);
    if (last && at - last[1] <= 24 * HOUR_S) last[1] = at;
    else found.push([at, at]);
  }
  return found;
}

/** First and last instant of a sensor's readings, seconds; null where it has none. */
export async function extentOf(
  sequelize: Sequelize,
  sensor: number,
  transaction: Transaction,
): Promise<[number, number] | null> {
  const [found] = await sequelize.query<{ first: number | null; last: number | null }>(
    'SELECT MIN(at) AS first, MAX(at) AS last FROM readings WHERE sensor = :sensor',
    { replacements: { sensor }, type: QueryTypes.SELECT, transaction },
  );
  return found?.first == null || found.last == null ? null : [found.first, found.last];
}
