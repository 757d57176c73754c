import type { Metrics } from './metrics';
import type { Telling } from './telling';

/** What happens that an operator wants to know of. */
const HAPPENINGS = {
  'signed in': 'info',
  'workshop answered': 'info',
  'signed out': 'info',
  'password reset': 'info',
  'demo opened': 'info',
  'sign-in refused': 'warn',
  'wrong key of a hygrometer': 'warn',
  'foreign request refused': 'warn',
  'too many requests refused': 'warn',
  'too slow a body given up': 'warn',
  'no database': 'error',
  'no room on the disk': 'error',
  'request failed': 'error',
  'error escaped': 'error',
} as const;
export type Happening = keyof typeof HAPPENINGS;

/** Counts what happens, and tells of it in the log. */
export class Watch {
  constructor(
    private readonly telling: Telling,
    readonly metrics: Metrics,
  ) {}

  happened(what: Happening, facts: object = {}): void {
    this.metrics.count(what);
    this.telling.tell(HAPPENINGS[what], what, facts);
  }
}
