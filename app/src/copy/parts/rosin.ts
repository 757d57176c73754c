import { countWords, dateWords, dayWords, minutesWords } from '../dates';
import type { Moment } from '../lists';
import type { PartCopy } from './part-copy';
import type { RosinThread } from '@tembrin/core/parts';

function reason({ since, minutes, budget, from, window }: RosinThread, { nowMs, timeZone }: Moment): string {
  const bowed = `${minutesWords(minutes)} of bowing`;
  if (since === 'new-hair')
    return `New hair since ${dateWords(from ?? nowMs, nowMs, timeZone)} and no rosin on it yet: give it some minutes, in many light passes.`;
  if (since === 'not-known') {
    if (minutes >= budget.dueFrom) return `${bowed} and no rosining on record. Give it a few passes before you play.`;
    return 'Not known: no rosining is on record. The count starts with the first one you put down.';
  }
  const left = budget.dueFrom - minutes;
  const done = `${bowed} since the last rosining`;
  if (minutes >= budget.overduePast) return `${done}; it has wanted rosin since ${minutesWords(budget.budget)}.`;
  if (left <= 0) return `${done}. Give it a few passes before you play.`;
  return `${done}. The next is due in ${minutesWords(left)}, ${dayWords(window?.early ?? nowMs, nowMs, timeZone)} at your pace.`;
}

const KEY_UNITS = {
  rosined: 'of bowing since the last rosining',
  'new-hair': 'of bowing on new hair without rosin',
  'not-known': 'of bowing, and no rosining on record',
} as const;

export const rosinCopy: PartCopy<'rosin'> = {
  due: 'Rosin before you play',
  reason: (thread, _instrument, moment) => reason(thread, moment),
  keyFigure: ({ minutes, since }) => countWords(minutes, KEY_UNITS[since]),
  begun: null,
};
