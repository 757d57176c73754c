import { setTimeout as sleep } from 'node:timers/promises';
import { HOUR_MS, MINUTE_MS, SECOND_MS } from '@tembrin/core';
import type { IntakeProgress } from '@tembrin/contract';
import { Op } from 'sequelize';
import type { Database } from '../database/connect';
import { withLease } from '../database/lease';
import type { ImportRow } from '../database/models';
import { fail, problem, ProblemError } from '../problems/problems';
import { spooled, tooLarge } from './spool';

/** What became of an import is remembered so long. */
const REMEMBERED_MS = HOUR_MS;
/** How often the process that does one tells how it goes, and hears whether it is to stop. */
const TOLD_MS = 300;
/** One that nobody has told of for so long has ended with its process. */
const SILENT_MS = 30 * SECOND_MS;
/** How long one waits for another of its household, and how often it looks. */
const PATIENCE_MS = 10 * MINUTE_MS;
const LOOKED_MS = 200;

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
  /** Forgets what was told: it is read again from its beginning. */
  anew: () => void;
}

/**
 * Imports under way and just ended, by household and id. They stand in the database, so that whichever process is asked can tell
 * how one goes, and stop it.
 */
export class IntakeJobs {
  constructor(private readonly database: Pick<Database, 'sequelize' | 'models'>) {}

  async progress(householdId: string, importId: string): Promise<IntakeProgress> {
    const row = await this.row(householdId, importId);
    const progress = JSON.parse(row.progress) as IntakeProgress;
    return isUnderWay(row) || row.endedAt ? progress : { ...progress, state: 'failed', problem: ENDED_WITH_SERVER };
  }

  async cancel(householdId: string, importId: string): Promise<void> {
    const row = await this.row(householdId, importId);
    if (!row.endedAt) await row.update({ cancelled: true });
  }

  private async row(householdId: string, importId: string): Promise<ImportRow> {
    const row = await this.database.models.Import.findOne({ where: { householdId, id: importId } });
    return (
      row ??
      fail(
        404,
        'no-such-import',
        'There is no such import under way. Look at what is on record; start it again if it is not there.',
      )
    );
  }

  /** Puts an import on record, once; lets go of what ended long ago. */
  private async begin(householdId: string, importId: string, progress: IntakeProgress): Promise<void> {
    const { Import } = this.database.models;
    await Import.destroy({ where: { endedAt: { [Op.lt]: new Date(Date.now() - REMEMBERED_MS) } } });
    await Import.destroy({ where: { seenAt: { [Op.lt]: new Date(Date.now() - REMEMBERED_MS) } } });
    const there = await Import.findOne({ where: { householdId, id: importId } });
    if (there && isUnderWay(there)) fail(409, 'import-running', 'This import is running already.');
    await Import.upsert({
      householdId,
      id: importId,
      progress: JSON.stringify(progress),
      cancelled: false,
      seenAt: new Date(),
      endedAt: null,
    });
  }

  /**
   * Takes a file in and has it imported: all of it is there when this resolves, nothing of it when it throws. A household's files
   * are imported one after another.
   * @param work reads the file and stores what is in it, in one transaction
   * @throws ProblemError with what to do
   */
  async run(
    householdId: string,
    importId: string,
    upload: Upload,
    work: (file: ArrivedFile) => Promise<void>,
  ): Promise<IntakeProgress> {
    const progress = begun(upload.total);
    if ((upload.total ?? 0) > upload.mostBytes) fail(413, 'too-large', tooLarge(upload.mostBytes));
    await this.begin(householdId, importId, progress);
    const told = this.telling(householdId, importId, progress);
    const alive = () => {
      if (told.cancelled() || upload.gone()) throw new Cancelled();
    };
    try {
      const arrived = (bytes: number) => {
        progress.received += bytes;
        alive();
      };
      await spooled(householdId, upload.body, upload.mostBytes, arrived, (path) =>
        this.inTurn(householdId, progress, alive, () => work(arrivedFile(path, upload, progress, alive))),
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
      await told.end();
    }
  }

  /** Tells how an import goes while it does, and hears whether it is to stop. */
  private telling(householdId: string, importId: string, progress: IntakeProgress) {
    const { Import } = this.database.models;
    const where = { householdId, id: importId };
    let cancelled = false;
    const tell = async (endedAt: Date | null) => {
      await Import.update({ progress: JSON.stringify(progress), seenAt: new Date(), endedAt }, { where });
      if (!endedAt) cancelled ||= (await Import.findOne({ where, raw: true }))?.cancelled ?? true;
    };
    let telling: Promise<void> | null = null;
    const timer = setInterval(() => {
      // A database that does not answer for a while is told of it the next time.
      telling ??= tell(null)
        .catch(() => undefined)
        .finally(() => (telling = null));
    }, TOLD_MS);
    timer.unref();
    return {
      cancelled: () => cancelled,
      end: async () => {
        clearInterval(timer);
        await telling;
        await tell(new Date()).catch(() => undefined);
      },
    };
  }

  /** Has the household's imports take turns, at whichever process they are. */
  private async inTurn(
    householdId: string,
    progress: IntakeProgress,
    alive: () => void,
    work: () => Promise<void>,
  ): Promise<void> {
    for (const deadline = Date.now() + PATIENCE_MS; Date.now() < deadline; await sleep(LOOKED_MS)) {
      alive();
      const done = await withLease(this.database.sequelize, `import ${householdId}`, async () => {
        progress.state = 'running';
        await work();
        return true;
      });
      if (done) return;
      progress.state = 'waiting';
    }
    fail(503, 'busy', 'Another file has been read for ten minutes. Nothing of this one was kept; try again later.');
  }
}

const ENDED_WITH_SERVER = 'The server that took it in has ended. Nothing of it was kept; try again.';

const isUnderWay = ({ endedAt, seenAt }: ImportRow) => !endedAt && Date.now() - seenAt.getTime() < SILENT_MS;

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
  const anew = () => {
    Object.assign(progress, { ...begun(progress.total), received: progress.received });
  };
  return { path, delimiter, skip, progress, told, alive, anew };
}

function isAborted(error: unknown): boolean {
  const code = (error as { code?: unknown } | null)?.code;
  return (
    code === 'ECONNRESET' || code === 'ERR_STREAM_PREMATURE_CLOSE' || (error as Error | null)?.message === 'aborted'
  );
}
