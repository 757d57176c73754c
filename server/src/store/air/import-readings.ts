import {
  commasInNumbers,
  courseOf,
  guessPlan,
  isBlank,
  lineReader,
  planGaps,
  type ColumnPlan,
  type Reading,
} from '@tembrin/core';
import { readingFaultSentence, type LoggerPlan, type LoggerPreview } from '@tembrin/contract';
import type { Sequelize, Transaction } from 'sequelize';
import { fail } from '../../problems/problems';
import type { Reading as FileReading } from '../../intake/jobs';
import { shownTop, topOf, type ReadLine, type Samples } from '../../intake/preview';
import { rollUp } from './hours';
import { extentOf, lockSensor, storeReadings } from './readings';

const BATCH = 10_000;
/** More unreadable lines than this, and this share of them, and the plan is wrong rather than the lines. */
const UNREADABLE = { least: 10, share: 0.05 } as const;

/**
 * Looks at the top of a logger's file: guesses what is not said, and shows how lines would be read.
 * @throws ProblemError 422 when it is no table
 */
export async function previewReadings(
  body: AsyncIterable<Uint8Array>,
  given: LoggerPlan | undefined,
  timeZone: string,
  nowMs: number,
  samples: Samples,
): Promise<LoggerPreview> {
  const top = await topOf(body, given?.delimiter, samples);
  const guess = given ?? { ...guessPlan(top.rows), delimiter: top.delimiter };
  refuseCutNumbers(top.rows, guess);
  if (planGaps(guess).length > 0)
    return { guess, ...shownTop(top, guess.skip, null), middle: null, last: null, course: null };
  const taken: Reading[] = [];
  const shown = shownTop(top, guess.skip, lineShower(guess as ColumnPlan, timeZone, nowMs, taken));
  const own = courseOf(taken);
  // What lies far behind is read for itself: how the lines before it run nobody has seen.
  const alone = (rows: readonly string[][], which: number) => {
    const show = lineShower(guess as ColumnPlan, timeZone, nowMs, taken);
    return rows.map((cells) => ({ cells, ...show(cells) })).at(which) ?? null;
  };
  const lines = top.rows.slice(guess.skip).filter((cells) => !isBlank(cells));
  const half = (rows: readonly string[][]) => Math.floor(rows.length / 2);
  const middle = top.cut ? alone(top.middle, half(top.middle)) : alone(lines.slice(half(lines), half(lines) + 1), 0);
  const last = alone(top.cut ? top.end : lines.slice(-1), -1);
  const whole = courseOf(taken);
  // Between the stretches looked at lie others: steps and what is odd are told of the first.
  const course = own && whole && { ...whole, stepS: own.stepS, odd: own.odd };
  return { guess, ...shown, middle, last, course };
}

/** @throws ProblemError 422 where commas between cells cut numbers in two */
function refuseCutNumbers(
  rows: readonly string[][],
  { skip, delimiter }: Pick<LoggerPlan, 'skip' | 'delimiter'>,
): void {
  if (commasInNumbers(rows, skip, delimiter)) fail(422, 'decimal-commas', DECIMAL_COMMAS);
}

const DECIMAL_COMMAS =
  'The numbers in this file have a comma before their decimals, and commas stand between its cells too: where a number ends cannot be told. Export it with semicolons or tabs between, or with a point before the decimals.';

type ShownLine = ReadLine<NonNullable<LoggerPreview['lines'][number]['read']>>;

/** Reads lines as they would be taken in, and keeps what they come to. */
function lineShower(
  plan: ColumnPlan,
  timeZone: string,
  nowMs: number,
  taken: Reading[],
): (cells: string[]) => ShownLine {
  const read = lineReader(plan, timeZone, nowMs);
  return (cells) => {
    const reading = read(cells);
    if (typeof reading === 'string') return { read: null, fault: readingFaultSentence(reading) };
    taken.push(reading);
    const { atS, rhHundredths, tempHundredths } = reading;
    return {
      read: {
        at: new Date(atS * 1000).toISOString(),
        percent: rhHundredths / 100,
        tempC: tempHundredths === null ? null : tempHundredths / 100,
      },
      fault: null,
    };
  };
}

/** Where a logger's readings go, and how they are to be read. */
export interface ReadingsJob {
  sensor: number;
  plan: LoggerPlan;
  timeZone: string;
  nowMs: number;
}

/**
 * Imports a logger's file in one transaction.
 * @throws ProblemError 422 when too many lines cannot be read
 */
export function importReadings(sequelize: Sequelize, job: ReadingsJob, file: FileReading): Promise<void> {
  return sequelize.transaction((transaction) => storeAll(sequelize, job, file, transaction));
}

async function storeAll(
  sequelize: Sequelize,
  { sensor, plan, timeZone, nowMs }: ReadingsJob,
  { rows, progress, unreadable, alive }: FileReading,
  transaction: Transaction,
): Promise<void> {
  await lockSensor(sequelize, sensor, transaction);
  const reader = lineReader(plan, timeZone, nowMs);
  const batches = await batchStore(sequelize, sensor, transaction, progress.intake);
  let batch: Reading[] = [];
  let taken = 0;
  let [first, last] = [Infinity, -Infinity];
  for await (const stretch of rows) {
    for (const { cells, line } of stretch) {
      const reading = reader(cells);
      if (typeof reading === 'string') {
        unreadable(line, cells, readingFaultSentence(reading));
        continue;
      }
      first = Math.min(first, reading.atS);
      last = Math.max(last, reading.atS);
      batch.push(reading);
      taken++;
      if (batch.length < BATCH) continue;
      await batches.store(batch);
      alive();
      batch = [];
    }
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
  intake: FileReading['progress']['intake'],
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
