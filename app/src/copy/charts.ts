import { fixed } from './numbers';
import { STATE_NAMES } from './names';
import { dateWords, spanWords } from './dates';
import type { ThreadState } from '@tembrin/core/parts';
import type { Window } from '@tembrin/core/wear';

/** What a drawing of a settling string says to those who do not see it. @param fallenCents so far; @param settledDays from fitting */
export const creepLabel = (fallenCents: number, tunings: number, settledDays: number) =>
  `Fall of the string: ${Math.round(fallenCents)} cents expected so far, ${tunings} ${tunings === 1 ? 'tuning' : 'tunings'} on record, settled after ${fixed(settledDays, 0)} days`;

/** What a thread says: whose, its state, since when, and its window. */
export const threadLabel = (
  { label, state, from, window }: { label: string; state: ThreadState; from: number | null; window: Window | null },
  nowMs: number,
  timeZone: string,
) =>
  [
    label,
    STATE_NAMES[state],
    from === null ? 'start not known' : `since ${dateWords(from, nowMs, timeZone)}`,
    window ? `window ${spanWords(window.early, window.late, nowMs, timeZone)}` : 'nothing due',
  ].join(', ');
