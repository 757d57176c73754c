import { Worker } from 'node:worker_threads';
import { SECOND_MS } from '@tembrin/core';
import { build } from 'esbuild';
import { problem, ProblemError } from '../problems/problems';
import type { ItemOf, InputOf, ResultOf, TaskName } from './tasks';
import type { Answer } from './thread';

/** What reading one file may take: so long without anything to show, so much memory, so many files at the same time. */
const BOUNDS = { quietMs: 20 * SECOND_MS, heapMb: 384, threads: 2 } as const;
/** A household's file is one whole, and so takes more to be read. */
const LARGER: Partial<Record<TaskName, { quietMs: number; heapMb: number }>> = {
  archive: { quietMs: 60 * SECOND_MS, heapMb: 1024 },
  archivedLog: { quietMs: 60 * SECOND_MS, heapMb: 1024 },
  passport: { quietMs: 60 * SECOND_MS, heapMb: 512 },
};

export const TOO_SLOW =
  'Reading this file took too long, so it was given up and nothing of it was kept. Export it again, or cut it in parts.';
export const TOO_MUCH =
  'Reading this file takes more memory than one file is given, so nothing of it was kept. Cut it in parts.';

/** The thread's program in one text, made once: a thread knows neither the launcher’s nor the tests’ way of reading TypeScript. */
let program: Promise<string> | null = null;
async function programText(): Promise<string> {
  const { outputFiles } = await build({
    stdin: { contents: "import '@tembrin/server/thread'", resolveDir: process.cwd() },
    bundle: true,
    write: false,
    platform: 'node',
    format: 'cjs',
    target: 'node20',
    logLevel: 'error',
  });
  return outputFiles[0]!.text;
}

/** Places for threads: who comes when all are taken waits until one is free. */
const places = { free: BOUNDS.threads as number, waiting: [] as (() => void)[] };
async function takePlace(): Promise<void> {
  if (places.free > 0) places.free--;
  else await new Promise<void>((come) => places.waiting.push(come));
}
function leavePlace(): void {
  const next = places.waiting.shift();
  if (next) next();
  else places.free++;
}

/** The thread's answers, one for each time it is asked to go on; ends it where it is quiet for too long. */
function answersOf(worker: Worker, quietMs: number) {
  let told: (answer: Answer) => void = () => undefined;
  let failed: (error: Error) => void = () => undefined;
  worker.on('message', (answer: Answer) => told(answer));
  worker.on('error', (error: NodeJS.ErrnoException) =>
    failed(
      error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? new ProblemError(problem(413, 'too-much-memory', TOO_MUCH)) : error,
    ),
  );
  let timer: ReturnType<typeof setTimeout>;
  return {
    ask: () =>
      new Promise<Answer>((resolve, reject) => {
        timer = setTimeout(() => failed(new ProblemError(problem(422, 'too-slow', TOO_SLOW))), quietMs);
        told = (answer) => {
          clearTimeout(timer);
          resolve(answer);
        };
        failed = (error) => {
          clearTimeout(timer);
          reject(error);
        };
        worker.postMessage('on');
      }),
    stop: async () => {
      clearTimeout(timer);
      await worker.terminate();
    },
  };
}

/**
 * Does a task of reading in a thread of its own, so that nobody else waits for it: what it finds comes as it is found, and what
 * it comes to at the end. Who stops listening ends it.
 * @param bounds other bounds than usual, for tests
 * @throws ProblemError 422 `too-slow`, 413 `too-much-memory`, or what the task itself says
 */
export async function* apart<K extends TaskName>(
  task: K,
  input: InputOf<K>,
  bounds: { quietMs?: number; heapMb?: number } = {},
): AsyncGenerator<ItemOf<K>, ResultOf<K>> {
  const { quietMs, heapMb } = { ...BOUNDS, ...LARGER[task], ...bounds };
  const text = await (program ??= programText().catch((error: unknown) => {
    // The next file tries again.
    program = null;
    throw error;
  }));
  await takePlace();
  let stop: (() => Promise<void>) | null = null;
  try {
    const worker = new Worker(text, {
      eval: true,
      workerData: { task, input },
      resourceLimits: { maxOldGenerationSizeMb: heapMb },
    });
    const answers = answersOf(worker, quietMs);
    const { ask } = answers;
    ({ stop } = answers);
    let coming = ask();
    for (;;) {
      const answer = await coming;
      if (answer.kind === 'problem') throw new ProblemError(answer.problem);
      if (answer.kind === 'result') return answer.value as ResultOf<K>;
      // While this is worked on, the next is read.
      coming = ask();
      coming.catch(() => undefined);
      yield answer.value as ItemOf<K>;
    }
  } finally {
    await stop?.();
    leavePlace();
  }
}

/**
 * Has a task begin, and work done with what it finds once it has found something, so that nobody waits for a thread while holding
 * anything. However the work ends, the task ends with it.
 * @param work what is done; what the task comes to at its end is there once all was found
 * @throws as `apart`
 */
export async function withApart<K extends TaskName, R>(
  task: K,
  input: InputOf<K>,
  work: (found: AsyncIterable<ItemOf<K>>, outcome: () => ResultOf<K>) => Promise<R>,
): Promise<R> {
  const answers = apart(task, input);
  const first = await answers.next();
  let outcome: { of: ResultOf<K> } | null = null;
  async function* all(): AsyncGenerator<ItemOf<K>, void> {
    for (let next = first; ; next = await answers.next()) {
      if (next.done) return void (outcome = { of: next.value });
      yield next.value;
    }
  }
  try {
    return await work(all(), () => outcome!.of);
  } finally {
    await answers.return(undefined as never);
  }
}

/** Does a task of reading apart from everything else, and gives what it comes to. @throws as `apart` */
export async function outcomeApart<K extends TaskName>(task: K, input: InputOf<K>): Promise<ResultOf<K>> {
  const answers = apart(task, input);
  for (;;) {
    const { done, value } = await answers.next();
    if (done) return value;
  }
}
