import { logOpened } from './log';
import type { LogEvent } from '@tembrin/core/log';

let rules: { refusalAmong: (entries: readonly LogEvent[]) => string | null } | null = null;

/** The rules by which entries are judged: loaded once the stand is there. Null once they are. */
export function rulesComing(): Promise<void> | null {
  if (rules) return null;
  return import('./refusing').then(
    (there) => {
      rules = there;
      void (logOpened() ?? Promise.resolve()).then(there.prepare);
    },
    // Without a connection they may come the next time.
    () => undefined,
  );
}

/**
 * Why entries could not stand in the log; null when they may, or when it cannot be told here: the rules did not come, or this device
 * does not know the whole log. Then the server has to say.
 */
export function whyRefused(entries: readonly LogEvent[]): string | null {
  return rules?.refusalAmong(entries) ?? null;
}
