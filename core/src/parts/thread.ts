import type { AirHour, AirVerdict } from '../air';
import { DAY_MS } from '../time';
import type { Window } from '../wear';

/** well: nothing to do; soon: the window has come near; now: more likely due than not; unknown: a date is missing. */
export type ThreadState = 'well' | 'soon' | 'now' | 'unknown';

export interface ThreadBase {
  state: ThreadState;
  /** The left end: when the part was fitted, rosined, wiped, checked; null when not known. */
  from: number | null;
  /** The frayed stretch; null when there is nothing to forecast. */
  window: Window | null;
  /** The date the thread should begin at has not been said; `from`, if any, is then only a bound. */
  dateMissing: boolean;
}

/** What an instrument's air amounts to, for those parts that suffer from it. */
export interface InstrumentAir {
  verdict: AirVerdict;
  /** The air it was in, rising in time; each sample is believed for `holdMs` at most. */
  samples: readonly AirHour[];
  holdMs: number;
  /** Months (1–12) in which the heating comes on and goes off where it lives; null without heating. */
  heating: { from: number; to: number } | null;
}

/** How long before the window opens a part is called "soon", in days. */
const NOTICE_DAYS = 14;

/** Where a moment stands before, in or past a window. */
export function stateIn(window: Window, nowMs: number, noticeDays = NOTICE_DAYS): ThreadState {
  if (nowMs >= window.middle) return 'now';
  return nowMs >= window.early - noticeDays * DAY_MS ? 'soon' : 'well';
}

/**
 * What can be told of a part that has been on since a moment or longer: where nobody knows how much longer (`known` false),
 * that it is due may be certain all the same; that it is not, and when it will be, nobody can tell.
 */
export function asFarAsKnown(
  { state, window }: { state: ThreadState; window: Window },
  known: boolean,
): { state: ThreadState; window: Window | null } {
  if (known || state === 'now') return { state, window };
  return { state: state === 'well' ? 'unknown' : state, window: null };
}
