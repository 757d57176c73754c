import { flushSync } from 'react-dom';

/** The browser's own order of tasks, where it has one. */
const { scheduler } = globalThis as {
  scheduler?: { postTask: (work: () => void, how: { priority: 'user-blocking' }) => unknown };
};

/**
 * Draws what a change asks for in a task of its own, with nothing else that changes meanwhile: the next one where the browser lets it
 * go before what comes from the device and the server.
 */
export function drawNext(change: () => void): void {
  const draw = () => flushSync(change);
  if (scheduler) scheduler.postTask(draw, { priority: 'user-blocking' });
  else setTimeout(draw);
}
