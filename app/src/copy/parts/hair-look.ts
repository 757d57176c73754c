import { dateWords, lastingWords } from '../dates';
import type { Moment } from '../lists';
import type { PartCopy } from './part-copy';
import { MONTH_DAYS, DAY_MS } from '@tembrin/core/time';
import type { HairLookThread } from '@tembrin/core/parts';

const SINCE = { rehaired: 'Rehaired', 'looked-over': 'Looked over' } as const;

function reason({ since, from, window, state }: HairLookThread, { nowMs, timeZone }: Moment): string {
  if (since === null || from === null || !window)
    return 'No look at this hair is on record, and nobody knows how old it is. Once a year is the rule: look, and say so.';
  const last = `${SINCE[since]} ${lastingWords(nowMs - from)} ago`;
  const date = dateWords(window.middle, nowMs, timeZone);
  if (state === 'now') return `${last}; the yearly look has been due since ${date}.`;
  return `${last}; the next yearly look is due on ${date}.`;
}

export const hairLookCopy: PartCopy<'hair-look'> = {
  due: 'Look over the bow hair',
  reason: (thread, _instrument, moment) => reason(thread, moment),
  keyFigure: ({ from, since }, { nowMs }) => ({
    figure: from === null ? null : String(Math.floor((nowMs - from) / (MONTH_DAYS * DAY_MS))),
    unit: since === 'rehaired' ? 'months since the rehair, and no look since' : 'months since it was looked over',
  }),
  begun: null,
};
