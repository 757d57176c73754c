import { fixed } from '../../numbers';
import { minutesWords } from '../../dates';
import { paceFigures, verdictFigure } from './figures';
import type { PartWorking } from '../part-copy';

const BOWED = {
  rosined: 'Bowed since the last',
  'new-hair': 'Bowed on this hair',
  'not-known': 'Bowed, as far as on record',
} as const;

/** How the thread comes about. */
export const rosinWorking: PartWorking<'rosin'> = (thread, { pace }) => {
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
          : `${fixed(scale, 2)} × the usual, from your last ${rosinings} rosinings`,
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
};
