import { monitorEventLoopDelay } from 'node:perf_hooks';
import { SECOND_MS } from '@tembrin/core';
import type { Telling } from './telling';

const RESOLUTION_MS = 20;
/** How often it is looked at, and a delay that is told of. From memory: what people take for a hang. */
const LOOKED_MS = 10 * SECOND_MS;
const LONG_MS = SECOND_MS;

/** How long the server's own thread was held up, of late. */
export interface Loop {
  /** The longest delay in the last ten to twenty seconds, ms. */
  longestMs: () => number;
  stop: () => void;
}

/** Measures how long the server's own thread is held up, and tells of it where it is long. */
export function watchLoop(telling: Telling): Loop {
  const delays = monitorEventLoopDelay({ resolution: RESOLUTION_MS });
  delays.enable();
  const now = () => Math.max(0, delays.max / 1e6 - RESOLUTION_MS);
  let before = 0;
  const timer = setInterval(() => {
    before = now();
    delays.reset();
    if (before > LONG_MS) telling.tell('warn', 'the server was held up', { ms: Math.round(before) });
  }, LOOKED_MS);
  timer.unref();
  return {
    longestMs: () => Math.max(before, now()),
    stop: () => {
      clearInterval(timer);
      delays.disable();
    },
  };
}
