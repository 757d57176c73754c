import { dayWords, minutesWords } from '../dates';
import type { Moment } from '../lists';
import type { PartCopy } from './part-copy';
import { paceFigures, verdictFigure } from './windows';
import type { RosinThread } from '@tembrin/core/parts';

function reason({ minutes, budget, from, window }: RosinThread, { nowMs, timeZone }: Moment): string {
  const left = budget.dueFrom - minutes;
  const since = from === null ? 'since this log began' : 'since the last rosining';
  const done = `${minutesWords(minutes)} of bowing ${since}`;
  if (minutes >= budget.overduePast) return `${done}; it has wanted rosin since ${minutesWords(budget.budget)}.`;
  if (left <= 0) return `${done}. Give it a few passes before you play.`;
  return `${done}. The next is due in ${minutesWords(left)}, ${dayWords(window?.early ?? nowMs, nowMs, timeZone)} at your pace.`;
}

export const rosinCopy: PartCopy<'rosin'> = {
  due: 'Rosin before you play',
  reason: (thread, _instrument, moment) => reason(thread, moment),
  keyFigure: ({ minutes }) => ({
    figure: String(Math.round(minutes)),
    unit: 'minutes of bowing since the last rosining',
  }),
  working: (thread, { pace }) => {
    const { dueFrom, budget, overduePast, scale, rosinings } = thread.budget;
    return {
      figures: [
        verdictFigure(thread),
        ['Bowed since the last', minutesWords(thread.minutes)],
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
        'Rosining starts the count again.',
        'The sound decides: airy and slipping wants more, a dust cloud or a gritty tone wants less.',
      ],
    };
  },
  begun: null,
};
