import { TextDecoder } from 'node:util';
import Papa from 'papaparse';
import {
  guessDelimiter,
  guessPlan,
  lineReader,
  numberIn,
  planGaps,
  type ColumnPlan,
  type Reading,
} from '@tembrin/core';
import {
  IMPORT_BYTES,
  readingFaultSentence,
  type ImportPlan,
  type ImportProgress,
  type Preview,
} from '@tembrin/contract';
import type { Sequelize } from 'sequelize';
import { fail, ProblemError, problem } from '../../http/problems';
import { rollUp } from './hours';
import { extentOf, lockSensor, storeReadings } from './readings';

const BATCH = 10_000;
/** A file without a line break in so many characters is no logger's file. */
const LONGEST_LINE = 100_000;
const LINES_SHOWN = 12;
const EXAMPLES = 8;
/** More unreadable lines than this, and this share of them, and the plan is wrong rather than the lines. */
const UNREADABLE = { least: 10, share: 0.05 } as const;
const REMEMBERED_MS = 3_600_000;

const MEGABYTES = Math.round(IMPORT_BYTES / 1_000_000);
export const TOO_LARGE = `That file is larger than ${MEGABYTES} MB. Export a shorter stretch from the logger, or cut it in parts.`;

function cells(text: string, delimiter: string): string[][] {
  return Papa.parse<string[]>(text, { delimiter, skipEmptyLines: true }).data;
}

/**
 * Looks at the top of a logger's file: cuts it into cells, guesses what is not said, and shows how lines would be read.
 * @param text at most `PREVIEW_CHARS`, the last line perhaps cut off
 * @throws ProblemError 422 when it is no table
 */
export function previewOf(text: string, given: ImportPlan | null, timeZone: string, nowMs: number): Preview {
  const whole = text.includes('\n') ? text.slice(0, text.lastIndexOf('\n')) : text;
  const lines = whole.split(/\r?\n/).filter((line) => line.trim() !== '');
  const delimiter = given?.delimiter ?? guessDelimiter(lines.slice(0, 200));
  if (delimiter === null || text.includes('\0')) {
    fail(422, 'no-table', 'No table can be made out. Export the readings as CSV, with a line for each reading.');
  }
  const rows = cells(whole, delimiter);
  const guess = given ?? { ...guessPlan(rows), delimiter };
  const width = Math.max(0, ...rows.slice(0, 500).map((row) => row.length));
  const head = guess.skip > 0 ? (rows[guess.skip - 1] ?? []) : [];
  const columns = Array.from({ length: width }, (_, at) => head[at] || `Column ${at + 1}`);
  const body = rows.slice(guess.skip);
  if (planGaps(guess).length > 0) {
    const shown = body.slice(0, LINES_SHOWN);
    return {
      columns,
      guess,
      lines: shown.map((row, at) => ({
        line: guess.skip + at + 1,
        cells: row,
        at: null,
        percent: null,
        tempC: null,
        fault: null,
      })),
      readable: 0,
      unreadable: 0,
    };
  }
  const plan = guess as ColumnPlan;
  const read = lineReader(plan, timeZone, nowMs);
  let unreadable = 0;
  const shown: Preview['lines'] = [];
  for (const [at, row] of body.entries()) {
    const reading = read(row);
    const fault = typeof reading === 'string' ? readingFaultSentence(reading) : null;
    if (fault !== null) unreadable++;
    // The first lines, and those that cannot be read.
    if (shown.length >= LINES_SHOWN && (fault === null || shown.length >= 2 * LINES_SHOWN)) continue;
    shown.push({
      line: guess.skip + at + 1,
      cells: row,
      at: typeof reading === 'string' ? null : new Date(reading.at * 1000).toISOString(),
      percent: typeof reading === 'string' ? (numberOrNull(row[plan.rh]) ?? null) : reading.rh / 100,
      tempC: typeof reading === 'string' || reading.tempC === null ? null : reading.tempC / 100,
      fault,
    });
  }
  return { columns, guess, lines: shown, readable: body.length - unreadable, unreadable };
}

function numberOrNull(text: string | undefined): number | null {
  const value = numberIn(text);
  return Number.isFinite(value) ? value : null;
}

class Cancelled extends Error {}

export interface ImportJob {
  sensor: number;
  plan: ImportPlan;
  timeZone: string;
  /** The file as it comes in. */
  body: AsyncIterable<Uint8Array>;
  /** Its size where the caller said it. */
  total: number | null;
  nowMs: number;
}

/** Imports under way and just ended, by household and id. */
export class Imports {
  private readonly all = new Map<string, { progress: ImportProgress; cancelled: boolean; endedAt: number | null }>();

  constructor(private readonly sequelize: Sequelize) {}

  private entry(householdId: string, importId: string) {
    return (
      this.all.get(`${householdId} ${importId}`) ??
      fail(
        404,
        'no-such-import',
        'There is no such import under way. Look at the hygrometer’s readings; start it again if they are not there.',
      )
    );
  }

  progress(householdId: string, importId: string): ImportProgress {
    return this.entry(householdId, importId).progress;
  }

  cancel(householdId: string, importId: string): void {
    this.entry(householdId, importId).cancelled = true;
  }

  /**
   * Imports a file in one transaction: all of it is there when this resolves, nothing of it when it throws.
   * @throws ProblemError with what to do
   */
  async run(householdId: string, importId: string, job: ImportJob): Promise<ImportProgress> {
    const key = `${householdId} ${importId}`;
    for (const [other, { endedAt }] of this.all)
      if (endedAt !== null && Date.now() - endedAt > REMEMBERED_MS) this.all.delete(other);
    if (this.all.get(key)?.endedAt === null) fail(409, 'import-running', 'This import is running already.');
    const progress: ImportProgress = {
      state: 'running',
      lines: 0,
      bytes: 0,
      total: job.total,
      intake: { stored: 0, known: 0, corrected: 0 },
      unreadable: 0,
      examples: [],
      problem: null,
    };
    const entry = { progress, cancelled: false, endedAt: null as number | null };
    this.all.set(key, entry);
    try {
      if ((job.total ?? 0) > IMPORT_BYTES) fail(413, 'too-large', TOO_LARGE);
      await this.sequelize.transaction((transaction) =>
        this.read(job, progress, transaction, () => {
          if (entry.cancelled) throw new Cancelled();
        }),
      );
      progress.state = 'done';
      return progress;
    } catch (error) {
      progress.intake = { stored: 0, known: 0, corrected: 0 };
      if (error instanceof Cancelled || isAborted(error)) {
        progress.state = 'cancelled';
        progress.problem = 'The import was stopped. Nothing of it was kept.';
        throw new ProblemError(problem(409, 'import-cancelled', progress.problem));
      }
      progress.state = 'failed';
      progress.problem =
        error instanceof ProblemError
          ? error.problem.detail
          : 'It failed on the server. Nothing of it was kept; try again.';
      throw error;
    } finally {
      entry.endedAt = Date.now();
    }
  }

  private async read(
    { sensor, plan, timeZone, body, nowMs }: ImportJob,
    progress: ImportProgress,
    transaction: Parameters<typeof rollUp>[4],
    alive: () => void,
  ): Promise<void> {
    await lockSensor(this.sequelize, sensor, transaction);
    const reader = lineReader(plan, timeZone, nowMs);
    const decoder = new Decoder();
    let rest = '';
    let skip = plan.skip;
    let batch: Reading[] = [];
    let [first, last] = [Infinity, -Infinity];
    // Stretches in which something is stored: before the import, and by it. Outside them nothing needs to be looked for.
    const stored = await extentOf(this.sequelize, sensor, transaction);
    let own: [number, number] | null = null;
    const apart = (one: readonly [number, number] | null, [low, high]: readonly [number, number]) =>
      one === null || high < one[0] || low > one[1];
    // While the database stores one batch, the next is read.
    let storing: Promise<void> = Promise.resolve();
    const store = async (readings: readonly Reading[]) => {
      const span = spanOf(readings);
      const fresh = apart(stored, span) && apart(own, span);
      own = own ? [Math.min(own[0], span[0]), Math.max(own[1], span[1])] : span;
      const taken = await storeReadings(this.sequelize, sensor, readings, transaction, fresh);
      progress.intake.stored += taken.stored;
      progress.intake.known += taken.known;
      progress.intake.corrected += taken.corrected;
    };
    const flush = async () => {
      await storing;
      alive();
      if (batch.length === 0) return;
      storing = store(batch);
      // Awaited at the next turn; until then nobody else would hear of its failure.
      storing.catch(() => undefined);
      batch = [];
    };
    const take = async (text: string) => {
      for (const row of cells(text, plan.delimiter)) {
        progress.lines++;
        if (skip > 0) {
          skip--;
          continue;
        }
        const reading = reader(row);
        if (typeof reading === 'string') {
          progress.unreadable++;
          if (progress.examples.length < EXAMPLES)
            progress.examples.push({
              line: progress.lines,
              text: row.join(plan.delimiter).slice(0, 120),
              fault: readingFaultSentence(reading),
            });
          continue;
        }
        first = Math.min(first, reading.at);
        last = Math.max(last, reading.at);
        batch.push(reading);
        if (batch.length >= BATCH) await flush();
      }
    };
    for await (const chunk of body) {
      progress.bytes += chunk.length;
      if (progress.bytes > IMPORT_BYTES) fail(413, 'too-large', TOO_LARGE);
      rest += decoder.text(chunk);
      const end = rest.lastIndexOf('\n') + 1;
      if (end > 0) {
        const text = rest.slice(0, end);
        rest = rest.slice(end);
        await take(text);
      }
      if (rest.length > LONGEST_LINE)
        fail(422, 'no-table', 'No lines can be made out. Export the readings as CSV, with a line for each reading.');
      alive();
    }
    rest += decoder.end();
    if (rest.trim() !== '') await take(rest);
    await flush();
    await storing;
    const readings = progress.lines - plan.skip - progress.unreadable;
    if (progress.unreadable > Math.max(UNREADABLE.least, UNREADABLE.share * progress.lines) || readings <= 0) {
      const example = progress.examples[0];
      const why = example ? ` Line ${example.line}: ${example.fault}` : '';
      fail(
        422,
        'unreadable-lines',
        `${progress.unreadable} of ${progress.lines} lines cannot be read, so nothing was imported.${why}`,
      );
    }
    await rollUp(this.sequelize, sensor, first, last, transaction);
    alive();
  }
}

/** First and last instant of some readings. */
function spanOf(readings: readonly Reading[]): [number, number] {
  let [low, high] = [Infinity, -Infinity];
  for (const { at } of readings) {
    low = Math.min(low, at);
    high = Math.max(high, at);
  }
  return [low, high];
}

/** Bytes to text: UTF-8, or UTF-16 where the file begins with its mark. */
class Decoder {
  private decoder: TextDecoder | null = null;

  text(chunk: Uint8Array): string {
    this.decoder ??= new TextDecoder(
      chunk[0] === 0xff && chunk[1] === 0xfe
        ? 'utf-16le'
        : chunk[0] === 0xfe && chunk[1] === 0xff
          ? 'utf-16be'
          : 'utf-8',
    );
    return this.decoder.decode(chunk, { stream: true });
  }

  end(): string {
    return this.decoder?.decode() ?? '';
  }
}

function isAborted(error: unknown): boolean {
  const code = (error as { code?: unknown } | null)?.code;
  return (
    code === 'ECONNRESET' || code === 'ERR_STREAM_PREMATURE_CLOSE' || (error as Error | null)?.message === 'aborted'
  );
}
