import { emptySums, type SummedSeries } from '@tembrin/core';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';

/**
 * Hourly roll-ups of a sensor's raw readings. They are kept a UTC day a row, its hours packed into one value, so that a year
 * is some hundred rows. What is kept are sums and extremes: corrections, being straight lines, can be reckoned later.
 */

export const HOUR_S = 3600;
const HOURS = 24;
const DAY_S = HOURS * HOUR_S;
/** Number of readings, sum, lowest and highest humidity, number and sum of temperatures. */
const FIELDS = 6;

interface SummedHour {
  hour: number;
  n: number | string;
  rhSum: number | string;
  low: number;
  high: number;
  tempN: number | string;
  tempSum: number | string;
}

/**
 * Makes the roll-ups of every day touched by a stretch of time anew from its readings, so that they are right whatever came
 * late, twice, out of order or was changed.
 */
export async function rollUp(
  sequelize: Sequelize,
  sensor: number,
  fromS: number,
  toS: number,
  transaction: Transaction,
): Promise<void> {
  const firstDay = Math.floor(fromS / DAY_S);
  const lastDay = Math.floor(toS / DAY_S);
  const replacements = { sensor, firstDay, lastDay, from: firstDay * DAY_S, to: (lastDay + 1) * DAY_S - 1 };
  const rows = await sequelize.query<SummedHour>(
    `SELECT at DIV ${HOUR_S} AS hour, COUNT(*) AS n, SUM(rh) AS rhSum, MIN(COALESCE(low, rh)) AS low,
            MAX(COALESCE(high, rh)) AS high, COUNT(tempC) AS tempN, COALESCE(SUM(tempC), 0) AS tempSum
     FROM readings WHERE sensor = :sensor AND at BETWEEN :from AND :to GROUP BY at DIV ${HOUR_S} ORDER BY hour`,
    { replacements, type: QueryTypes.SELECT, transaction },
  );
  const days = new Map<number, { n: number; packed: Int32Array }>();
  for (const { hour, n, rhSum, low, high, tempN, tempSum } of rows) {
    const on = Math.floor(hour / HOURS);
    let day = days.get(on);
    if (!day) days.set(on, (day = { n: 0, packed: new Int32Array(HOURS * FIELDS) }));
    day.n += Number(n);
    day.packed.set([Number(n), Number(rhSum), low, high, Number(tempN), Number(tempSum)], (hour % HOURS) * FIELDS);
  }
  // Only a reading that was taken back leaves a day without any.
  if (days.size <= lastDay - firstDay)
    await sequelize.query(
      `DELETE FROM reading_days WHERE sensor = :sensor AND day BETWEEN :firstDay AND :lastDay
       ${days.size > 0 ? 'AND day NOT IN (:kept)' : ''}`,
      { replacements: { ...replacements, kept: [...days.keys()] }, transaction },
    );
  if (days.size === 0) return;
  // Numbers and hexadecimal digits only, made just above.
  const values = [...days].map(([day, { n, packed }]) => `(${Number(sensor)},${day},${n},X'${hexOf(packed)}')`);
  await sequelize.query(
    `INSERT INTO reading_days (sensor, day, n, hours) VALUES ${values.join(',')}
     ON DUPLICATE KEY UPDATE n = VALUES(n), hours = VALUES(hours)`,
    { transaction },
  );
}

const hexOf = (packed: Int32Array) => Buffer.from(packed.buffer).toString('hex');

/** Hours of a sensor from one to another, both included. */
export async function readColumns(
  sequelize: Sequelize,
  sensor: number,
  fromHour: number,
  toHour: number,
): Promise<SummedSeries> {
  const columns = emptySums(fromHour, Math.max(0, toHour - fromHour + 1));
  const rows = await sequelize.query<{ day: number; hours: Buffer }>(
    'SELECT day, hours FROM reading_days WHERE sensor = :sensor AND day BETWEEN :first AND :last ORDER BY day',
    {
      replacements: { sensor, first: Math.floor(fromHour / HOURS), last: Math.floor(toHour / HOURS) },
      type: QueryTypes.SELECT,
    },
  );
  const { n, rhSum, low, high, tempN, tempSum } = columns;
  for (const { day, hours } of rows) {
    // A copy of its own: the connection's buffer may begin anywhere.
    const packed = new Int32Array(new Uint8Array(hours).buffer);
    for (let hour = 0; hour < HOURS; hour++) {
      const at = day * HOURS + hour - fromHour;
      const field = hour * FIELDS;
      if (at < 0 || at >= n.length || packed[field] === 0) continue;
      n[at] = packed[field]!;
      rhSum[at] = packed[field + 1]!;
      low[at] = packed[field + 2]!;
      high[at] = packed[field + 3]!;
      tempN[at] = packed[field + 4]!;
      tempSum[at] = packed[field + 5]!;
    }
  }
  return columns;
}
