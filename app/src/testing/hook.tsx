import { act } from 'react';
import { mount } from './mount';

const open: (() => void)[] = [];
/** Takes every hook that runs off its page. */
export const closeHooks = () => open.splice(0).forEach((remove) => remove());
afterEach(closeHooks);

/** Runs a hook on a page of its own. `now` is what it last returned; `after` does something with it and lets it settle. Gone after the test, and as another household opens. */
export function runHook<T>(hook: () => T) {
  const seen: { now: T | null } = { now: null };
  function Runner() {
    seen.now = hook();
    return null;
  }
  open.push(mount(<Runner />).remove);
  return {
    get now(): T {
      return seen.now!;
    },
    async after(work: (now: T) => unknown): Promise<T> {
      await act(async () => {
        await work(seen.now!);
      });
      return seen.now!;
    },
  };
}
