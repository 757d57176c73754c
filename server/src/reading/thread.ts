import { parentPort, workerData } from 'node:worker_threads';
import type { Problem } from '@tembrin/contract';
import { ProblemError } from '../problems/problems';
import { TASKS, type TaskName } from './tasks';

/** What a thread says when it is told to go on: something it found, what all came to, or why it cannot be done. */
export type Answer =
  { kind: 'item'; value: unknown } | { kind: 'result'; value: unknown } | { kind: 'problem'; problem: Problem };

const { task, input } = workerData as { task: TaskName; input: never };
const work: AsyncIterator<unknown, unknown> = TASKS[task](input);

async function next(): Promise<Answer> {
  try {
    const { done, value } = await work.next();
    return { kind: done ? 'result' : 'item', value };
  } catch (error) {
    if (error instanceof ProblemError) return { kind: 'problem', problem: error.problem };
    throw error;
  }
}

parentPort!.on('message', () => void next().then((answer) => parentPort!.postMessage(answer)));
