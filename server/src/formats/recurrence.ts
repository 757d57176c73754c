import { Worker } from 'node:worker_threads';

/** A recurrence rule to be spelt out between two instants. Times are walls, counted as if they were UTC, ms. */
export interface RecurrenceJob {
  rule: string;
  startMs: number;
  fromMs: number;
  stopMs: number;
  /** At most so many times. */
  most: number;
}

/** Times a rule gives; `endless` when it would have gone on past what was asked for. null: it took too long, or is no rule. */
export type Recurrence = { times: number[]; endless: boolean } | null;

/** What one rule, and all of a file, may take. A rule that never matches would be looked for until the end of time. */
const ONE_MS = 2000;
const ALL_MS = 8000;

/** Runs apart, so that it can be stopped in the middle of a rule. Written as text: it is loaded by no bundler. */
const PROGRAM = `
const { parentPort, workerData } = require('node:worker_threads');
import('rrule').then((module) => {
  const { RRule } = module.default ?? module;
  parentPort.postMessage(null);
  for (const [at, { rule, startMs, fromMs, stopMs, most }] of workerData) {
    let result = null;
    try {
      const options = RRule.parseString(rule);
      const endless = options.count == null && !(options.until && options.until.getTime() <= stopMs);
      const until = options.until && options.until.getTime() < stopMs ? options.until : new Date(stopMs);
      const spelt = new RRule({ ...options, dtstart: new Date(startMs), until });
      let count = 0;
      const times = spelt.between(new Date(fromMs), new Date(stopMs), true, () => ++count <= most).map((date) => date.getTime());
      result = { times, endless };
    } catch {}
    parentPort.postMessage([at, result]);
  }
});
`;

/** Works through jobs in a thread of its own until it is done or takes too long. */
function run(jobs: readonly (readonly [number, RecurrenceJob])[], found: Map<number, Recurrence>): Promise<void> {
  return new Promise((resolve) => {
    const worker = new Worker(PROGRAM, { eval: true, workerData: jobs });
    let left = jobs.length;
    let timer = setTimeout(() => stop(), ALL_MS);
    const stop = () => {
      clearTimeout(timer);
      void worker.terminate().then(() => resolve());
    };
    const wait = () => {
      clearTimeout(timer);
      timer = setTimeout(stop, ONE_MS);
    };
    worker.on('error', stop);
    // Nothing is told first: the library is there, and from now on it is the rule that takes its time.
    worker.on('message', (told: [number, Recurrence] | null) => {
      if (told === null) return wait();
      const [at, result] = told;
      found.set(at, result);
      if (--left === 0) stop();
      else wait();
    });
  });
}

/**
 * Spells recurrence rules out. Published: RFC 5545, section 3.3.10; by a library, in a thread that is stopped when a rule runs wild.
 * @returns one for each job, in order
 */
export async function recurrences(jobs: readonly RecurrenceJob[]): Promise<Recurrence[]> {
  const found = new Map<number, Recurrence>();
  const end = Date.now() + ALL_MS;
  let open = jobs.map((job, at) => [at, job] as const);
  while (open.length > 0 && Date.now() < end) {
    await run(open, found);
    open = open.filter(([at]) => !found.has(at));
    // The first still open is the one that took too long.
    const [wild] = open;
    if (wild) found.set(wild[0], null);
    open = open.slice(1);
  }
  return jobs.map((_, at) => found.get(at) ?? null);
}
