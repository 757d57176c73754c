import type { Reading } from '@tembrin/core';
import type { Intake } from '@tembrin/contract';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';

/** Raw readings of sensors, and their hourly roll-ups. Sensors are named by their short number, which only the scope hands out. */

const HOUR_S = 3600;
/** Farther apart than this, single instants are asked for instead of the stretch between them. */
const STRETCH_S = 40 * 24 * HOUR_S;

type Stored = Pick<Reading, 'at' | 'rh' | 'tempC' | 'low' | 'high'>;

const numberOrNull = (value: number | null) => (value === null ? 'NULL' : String(Math.round(value)));

/**
 * Stores readings of one sensor. What is there already and the same is left; what is there with another value is changed.
 * @param batch at most a few thousand; of two with the same instant the later counts
 */
export async function storeReadings(
  sequelize: Sequelize,
  sensor: number,
  batch: readonly Reading[],
  transaction: Transaction,
): Promise<Intake> {
  const byInstant = new Map(batch.map((reading) => [reading.at, reading]));
  const there = await storedAmong(sequelize, sensor, [...byInstant.keys()], transaction);
  const repeated = batch.length - byInstant.size;
  const changes: Reading[] = [];
  let corrected = 0;
  for (const reading of byInstant.values()) {
    const known = there.get(reading.at);
    if (!known) changes.push(reading);
    else if (!same(known, reading)) {
      corrected++;
      changes.push(reading);
    }
  }
  if (changes.length > 0) {
    // Whole numbers only, made just above: nothing here comes from text.
    const values = changes
      .map(
        ({ at, rh, tempC, low, high }) =>
          `(${Number(sensor)},${Math.floor(at)},${Math.round(rh)},${numberOrNull(tempC)},${numberOrNull(low)},${numberOrNull(high)})`,
      )
      .join(',');
    await sequelize.query(
      `INSERT INTO readings (sensor, at, rh, tempC, low, high) VALUES ${values}
       ON DUPLICATE KEY UPDATE rh = VALUES(rh), tempC = VALUES(tempC), low = VALUES(low), high = VALUES(high)`,
      { transaction, raw: true },
    );
  }
  return {
    stored: changes.length - corrected,
    known: byInstant.size - changes.length + repeated,
    corrected,
  };
}

function same(one: Stored, other: Stored): boolean {
  return one.rh === other.rh && one.tempC === other.tempC && one.low === other.low && one.high === other.high;
}

async function storedAmong(sequelize: Sequelize, sensor: number, instants: number[], transaction: Transaction) {
  const [first, last] = instants.reduce(
    ([low, high], at) => [Math.min(low, at), Math.max(high, at)],
    [Infinity, -Infinity],
  );
  const condition = last - first <= STRETCH_S ? 'at BETWEEN :first AND :last' : 'at IN (:instants)';
  const rows = await sequelize.query<Stored>(
    `SELECT at, rh, tempC, low, high FROM readings WHERE sensor = :sensor AND ${condition}`,
    { replacements: { sensor, first, last, instants }, type: QueryTypes.SELECT, transaction },
  );
  return new Map(rows.map((row) => [row.at, row]));
}

/**
 * Makes the roll-ups of every hour touched by a stretch of time anew from its readings, so that they are right whatever
 * came late, twice, out of order or was changed.
 */
export async function rollUp(
  sequelize: Sequelize,
  sensor: number,
  fromS: number,
  toS: number,
  transaction: Transaction,
): Promise<void> {
  const replacements = {
    sensor,
    fromHour: Math.floor(fromS / HOUR_S),
    toHour: Math.floor(toS / HOUR_S),
    from: Math.floor(fromS / HOUR_S) * HOUR_S,
    to: (Math.floor(toS / HOUR_S) + 1) * HOUR_S - 1,
  };
  await sequelize.query('DELETE FROM reading_hours WHERE sensor = :sensor AND hour BETWEEN :fromHour AND :toHour', {
    replacements,
    transaction,
  });
  await sequelize.query(
    `INSERT INTO reading_hours (sensor, hour, n, rhSum, low, high, tempN, tempSum)
     SELECT sensor, at DIV ${HOUR_S}, COUNT(*), SUM(rh), MIN(COALESCE(low, rh)), MAX(COALESCE(high, rh)),
            COUNT(tempC), COALESCE(SUM(tempC), 0)
     FROM readings WHERE sensor = :sensor AND at BETWEEN :from AND :to GROUP BY at DIV ${HOUR_S}`,
    { replacements, transaction },
  );
}

/** Holds a sensor until the transaction ends, so that what comes in for it comes in one after another. */
export async function lockSensor(sequelize: Sequelize, sensor: number, transaction: Transaction): Promise<void> {
  await sequelize.query('SELECT no FROM sensors WHERE no = :sensor FOR UPDATE', {
    replacements: { sensor },
    type: QueryTypes.SELECT,
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
  for (const [from, to] of stretches(readings.map(({ at }) => at)))
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

/** One hour of one sensor as it is rolled up, raw. */
export interface HourSums {
  hour: number;
  n: number;
  rhSum: number;
  low: number;
  high: number;
  tempN: number;
  tempSum: number;
}

/** Roll-ups of a sensor from one hour to another, both included, in order. */
export function hoursOf(sequelize: Sequelize, sensor: number, fromHour: number, toHour: number): Promise<HourSums[]> {
  return sequelize.query<HourSums>(
    `SELECT hour, n, rhSum, low, high, tempN, tempSum FROM reading_hours
     WHERE sensor = :sensor AND hour BETWEEN :fromHour AND :toHour ORDER BY hour`,
    { replacements: { sensor, fromHour, toHour }, type: QueryTypes.SELECT },
  );
}
