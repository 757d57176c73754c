import { countWords, dateWords, dayWords, minutesWords } from '../dates';
import type { Moment } from '../lists';
import type { PartCopy } from './part-copy';
import { paceFigures, verdictFigure } from './windows';
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

const BOWED = {
  rosined: 'Bowed since the last',
  'new-hair': 'Bowed on this hair',
  'not-known': 'Bowed, as far as on record',
} as const;

export const rosinCopy: PartCopy<'rosin'> = {
  due: 'Rosin before you play',
  reason: (thread, _instrument, moment) => reason(thread, moment),
  keyFigure: ({ minutes, since }) => countWords(minutes, KEY_UNITS[since]),
  working: (thread, { pace }) => {
    const { dueFrom, budget, overduePast, scale, rosinings } = thread.budget;
    return {
      figures: [
        verdictFigure(thread),
        ...(thread.minutes >= 0.5 ? [[BOWED[thread.since], minutesWords(thread.minutes)] as const] : []),
        ['Due from', minutesWords(dueFrom)],
        ['Budget', minutesWords(budget)],
        ['Overdue past', minutesWords(overduePast)],
        [
          'Your own habit',
          scale === 1
            ? `not known yet (${rosinings} of 3 rosinings on record)`
            : `${scale.toFixed(2)} × the usual, from your last ${rosinings} rosinings`,
        ],
        ...paceFigures(pace).slice(0, 1),
      ],
      rule: 'One rosining for every 90 minutes of bowing: due from 60, overdue past 105. All playing counts as bowing. When it is due, a light pass for every quarter of an hour, three to eight (from memory of the trade).',
      school:
        'Common practice: weekly at 10 to 15 minutes a day, daily at 60 to 90. Your own habit scales it, between half and double.',
      changes: [
        'Rosining starts the count again; new hair has none on it.',
        'Two rosinings within ten minutes count as one.',
        'The sound decides: airy and slipping wants more, a dust cloud or a gritty tone wants less.',
      ],
    };
  },
  begun: null,
};
