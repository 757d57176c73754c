import { setTimeout as sleep } from 'node:timers/promises';

/**
 * Asks again and again until something is so. It gives up in time: a test that waited for ever would keep its whole run from
 * ending.
 * @throws Error when it is not so within `patienceMs`
 */
export async function until(so: () => boolean | Promise<boolean>, patienceMs = 50_000, everyMs = 50): Promise<void> {
  const givenUp = Date.now() + patienceMs;
  while (!(await so())) {
    if (Date.now() > givenUp) throw new Error(`It was not so within ${patienceMs / 1000} s.`);
    await sleep(everyMs);
  }
}
