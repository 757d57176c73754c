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
import { shownTop, topOf, type FileTop, type ReadLine } from '../intake/preview';
import { fail } from '../problems/problems';
import { stretchesOf, type Stretch, type TableFile } from './lines';
import { packed } from './packed';

/** How a logger's file is to be read. */
export interface LoggerReading {
  plan: LoggerPlan;
  timeZone: string;
  nowMs: number;
}

/**
 * Looks at the top of a logger's file: guesses what is not said, and shows how lines would be read.
 * @throws ProblemError 422 when it is no table
 */
export function loggerPreview({
  file,
  plan: given,
  timeZone,
  nowMs,
}: Omit<LoggerReading, 'plan'> & { file: FileTop; plan: LoggerPlan | undefined }): LoggerPreview {
  const top = topOf(file, given?.delimiter);
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

/** Reads a logger's file; its readings come packed. @throws ProblemError 422 when it is no table */
export async function* loggerReadings({
  file,
  plan,
  timeZone,
  nowMs,
}: LoggerReading & { file: TableFile }): AsyncGenerator<Omit<Stretch<never>, 'taken'> & { taken: Float64Array }, void> {
  const read = lineReader(plan, timeZone, nowMs);
  for await (const stretch of stretchesOf(file, read, readingFaultSentence))
    yield { ...stretch, taken: packed(stretch.taken) };
}
