import { MINUTE_MS } from '@tembrin/core';
import type { Logger } from 'pino';

/** Lines of one kind a minute; what is more is counted, and told once. */
const MOST = 20;

type Level = 'info' | 'warn' | 'error';

/**
 * Log lines of what happens, so many of a kind a minute at most: what fails in a loop does not fill the disk. No line names a
 * person, an address, or what somebody wrote.
 */
export class Telling {
  private readonly kinds = new Map<string, { since: number; told: number; left: number }>();

  constructor(private readonly log: Logger) {}

  /** @param kind what happened, one of a few fixed sentences @param facts what else is known of it, without anything private */
  tell(level: Level, kind: string, facts: object = {}, now = Date.now()): void {
    let count = this.kinds.get(kind);
    if (!count || now - count.since > MINUTE_MS) {
      if (count && count.left > 0) this.log[level]({ times: count.left }, `${kind}, and more of it`);
      this.kinds.set(kind, (count = { since: now, told: 0, left: 0 }));
    }
    if (count.told >= MOST) return void count.left++;
    count.told++;
    this.log[level](facts, kind);
  }
}
