import { setTimeout as sleep } from 'node:timers/promises';

const FIRST_PAUSE_MS = 1_000;
const LONGEST_PAUSE_MS = 30_000;
/** What has run so long ran well: the next end is a first one again. */
const STEADY_MS = 60_000;
/** After so many ends in a row it is not tried again. */
const TRIES = 6;
/** While something stands in its way, it is looked so often whether that is over. */
const LOOK_AGAIN_MS = 2_000;

/**
 * Keeps something running: what ends by itself is started again, after a pause that doubles while it ends soon.
 * @param what its name, for what is said of it
 * @param start starts it; resolves to what has `exited`, a promise of its exit code
 * @param stopping whether it is wanted no more
 * @param running what runs already, if it does
 * @param hindrance says what stands in its way that passes by itself, like a full disk; null: nothing. While something does, it waits, and
 *   such ends are not counted
 * @param pause waits so many ms; another one in tests
 * @returns once it is wanted no more, or given up
 */
export async function keepUp(what, start, stopping, running, hindrance = async () => null, pause = sleep) {
  let [pauseMs, ends] = [FIRST_PAUSE_MS, 0];
  for (let now = running; ; now = undefined) {
    const began = Date.now();
    let code = 0;
    try {
      code = await (now ?? (await start())).exited;
    } catch (error) {
      console.error(error.message);
    }
    if (stopping()) return;
    const why = await hindrance();
    if (why !== null) {
      console.error(`${what} ended: ${why}. It is started again as soon as that is over.`);
      do await pause(LOOK_AGAIN_MS);
      while (!stopping() && (await hindrance()) !== null);
      if (stopping()) return;
      [pauseMs, ends] = [FIRST_PAUSE_MS, 0];
      continue;
    }
    if (Date.now() - began > STEADY_MS) [pauseMs, ends] = [FIRST_PAUSE_MS, 0];
    if (++ends >= TRIES) return console.error(`${what} ended ${ends} times in a row and is not started again.`);
    console.error(
      `${what} ended by itself${code ? `, with ${code}` : ''}; it is started again in ${pauseMs / 1000} s.`,
    );
    await pause(pauseMs);
    if (stopping()) return;
    pauseMs = Math.min(LONGEST_PAUSE_MS, 2 * pauseMs);
  }
}

/** A server is asked so often whether it answers, and given so long to end when it is told to. */
const ASKED_EVERY_MS = 2_000;
const ENDS_WITHIN_MS = 8_000;

/**
 * Ends a server that does not answer any more, so that it is started again. Any answer will do: one that says it is not well is
 * not stuck.
 * @param url its address
 * @param silenceMs how long it may be silent
 */
export function watch(child, url, silenceMs) {
  let answered = Date.now();
  const timer = setInterval(() => {
    fetch(`${url}/api/v1/health`, { signal: AbortSignal.timeout(silenceMs) }).then(
      () => (answered = Date.now()),
      () => undefined,
    );
    if (Date.now() - answered < silenceMs) return;
    clearInterval(timer);
    console.error(`The server has not answered for ${Math.round(silenceMs / 1000)} s and is ended.`);
    child.kill('SIGTERM');
    setTimeout(() => child.kill('SIGKILL'), ENDS_WITHIN_MS).unref();
  }, ASKED_EVERY_MS);
  child.once('exit', () => clearInterval(timer));
}
