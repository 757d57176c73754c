import { HOUR_MS } from '@tembrin/core';
import type { IntakeProgress } from '@tembrin/contract';
import { fail, problem, ProblemError } from '../problems/problems';
import { spooled, tooLarge } from './spool';

/** What became of an import is remembered so long, and of so many. */
const REMEMBERED_MS = HOUR_MS;
const REMEMBERED = 1000;

class Cancelled extends Error {}

/** A file on its way in. */
export interface Upload {
  body: AsyncIterable<Uint8Array>;
  /** Its size where the caller said it. */
  total: number | null;
  mostBytes: number;
  delimiter: string;
  /** Lines above the first entry. */
  skip: number;
  /** Whether who sent it is no longer there. */
  gone: () => boolean;
}

/** A file that has arrived, and where to tell how its import goes. */
export interface ArrivedFile extends Pick<Upload, 'delimiter' | 'skip'> {
  path: string;
  progress: IntakeProgress;
  /** Adds what came of a stretch of its lines. Throws when somebody stopped it. */
  told: (more: Pick<IntakeProgress, 'lines' | 'bytes' | 'left' | 'unreadable' | 'examples'>) => void;
  /** Throws when somebody stopped it. */
  alive: () => void;
}

/** Imports under way and just ended, by household and id. */
export class IntakeJobs {
  private readonly all = new Map<string, { progress: IntakeProgress; cancelled: boolean; endedAt: number | null }>();

  private entry(householdId: string, importId: string) {
    return (
      this.all.get(`${householdId} ${importId}`) ??
      fail(
        404,
        'no-such-import',
        'There is no such import under way. Look at what is on record; start it again if it is not there.',
      )
    );
  }

  /** Lets go of what ended long ago, and of the oldest where there are too many. */
  private forget(): void {
    for (const [key, { endedAt }] of this.all)
      if (endedAt !== null && (Date.now() - endedAt > REMEMBERED_MS || this.all.size > REMEMBERED))
        this.all.delete(key);
  }

  progress(householdId: string, importId: string): IntakeProgress {
    return this.entry(householdId, importId).progress;
  }

  cancel(householdId: string, importId: string): void {
    this.entry(householdId, importId).cancelled = true;
  }

  /**
   * Takes a file in and has it imported: all of it is there when this resolves, nothing of it when it throws.
   * @param work reads the file and stores what is in it, in one transaction
   * @throws ProblemError with what to do
   */
  async run(
    householdId: string,
    importId: string,
    upload: Upload,
    work: (file: ArrivedFile) => Promise<void>,
  ): Promise<IntakeProgress> {
    const key = `${householdId} ${importId}`;
    this.forget();
    if (this.all.get(key)?.endedAt === null) fail(409, 'import-running', 'This import is running already.');
    const progress = begun(upload.total);
    const entry = { progress, cancelled: false, endedAt: null as number | null };
    this.all.set(key, entry);
    const alive = () => {
      if (entry.cancelled || upload.gone()) throw new Cancelled();
    };
    try {
      if ((upload.total ?? 0) > upload.mostBytes) fail(413, 'too-large', tooLarge(upload.mostBytes));
      const arrived = (bytes: number) => {
        progress.received += bytes;
        alive();
      };
      await spooled(householdId, upload.body, upload.mostBytes, arrived, (path) =>
        work(arrivedFile(path, upload, progress, alive)),
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
}

function begun(total: number | null): IntakeProgress {
  return {
    state: 'running',
    lines: 0,
    received: 0,
    bytes: 0,
    total,
    intake: { stored: 0, known: 0, corrected: 0 },
    left: 0,
    unreadable: 0,
    examples: [],
    problem: null,
  };
}

function arrivedFile(
  path: string,
  { delimiter, skip }: Upload,
  progress: IntakeProgress,
  alive: () => void,
): ArrivedFile {
  const told: ArrivedFile['told'] = (more) => {
    for (const key of ['lines', 'bytes', 'left', 'unreadable'] as const) progress[key] += more[key];
    progress.examples.push(...more.examples);
    alive();
  };
  return { path, delimiter, skip, progress, told, alive };
}

function isAborted(error: unknown): boolean {
  const code = (error as { code?: unknown } | null)?.code;
  return (
    code === 'ECONNRESET' || code === 'ERR_STREAM_PREMATURE_CLOSE' || (error as Error | null)?.message === 'aborted'
  );
}
