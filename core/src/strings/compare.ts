import { recordOf, type Family, type StringSpec } from '../instruments';
import type { Note } from '../pitch';
import { setPull, type SetPull } from './tension';

/** One way of stringing: what is on, how long, at what pitch; lowest string first. */
export type Strung = readonly { spec: StringSpec | null; note: Note; lengthMm: number; hz: number }[];

export interface PullChange {
  oldN: number | null;
  newN: number | null;
  /** New over old, less one; null where either is not known. */
  change: number | null;
}

/** What a change of load asks of the instrument. */
export type LoadVerdict = 'same' | 'look' | 'set-up' | 'unknown';

export interface StrungComparison {
  old: SetPull;
  new: SetPull;
  each: PullChange[];
  /** Of the totals; null while a string is not known on either side. */
  total: number | null;
  verdict: LoadVerdict;
  /** Positions whose new string would break at its pitch, and those past what is safe. */
  breaks: number[];
  strained: number[];
}

/** What a change of the total load asks for: limits stand with the family. @param change new over old, less one; null where not known */
export function loadVerdict(family: Family, change: number | null): LoadVerdict {
  if (change === null) return 'unknown';
  const { look, setUp } = recordOf(family).strings.load;
  const size = Math.abs(change);
  return size >= setUp ? 'set-up' : size >= look ? 'look' : 'same';
}

/** What changes from one way of stringing to another: gauge, tuning, the A, or length. */
export function compareStrung({ family }: { family: Family }, old: Strung, next: Strung): StrungComparison {
  const [before, after] = [setPull(old), setPull(next)];
  const each = after.pulls.map(({ tensionN: newN }, at): PullChange => {
    const oldN = before.pulls[at]?.tensionN ?? null;
    return { oldN, newN, change: oldN === null || newN === null ? null : newN / oldN - 1 };
  });
  const total = before.unknown + after.unknown > 0 ? null : after.totalN / before.totalN - 1;
  const positions = after.pulls.map((_, at) => at);
  const past = (test: (strength: NonNullable<(typeof after.pulls)[number]['strength']>) => boolean) =>
    positions.filter((at) => {
      const { strength } = after.pulls[at]!;
      return strength !== null && test(strength);
    });
  return {
    old: before,
    new: after,
    each,
    total,
    verdict: loadVerdict(family, total),
    breaks: past(({ toBreaking }) => toBreaking <= 0),
    strained: past(({ toBreaking, safeAbove }) => toBreaking > 0 && safeAbove < 0),
  };
}

/** Slack to leave for the wraps on a post: w · π · d [handbook 4, derived]. @returns mm */
export function slackMm(wraps: number, postMm: number): number {
  return wraps * Math.PI * postMm;
}
