import { hoursWords, spanWords } from '../../dates';
import type { Moment } from '../../lists';
import { upTo } from '../../numbers';
import type { Figure, PartWorking } from '../part-copy';
import { clockFigures, paceFigures, percent, spreadWords, verdictFigure, windowFigures } from './figures';
import { HAIR_LIFE, TIGHT_COSTS_AT_MOST, TIGHT_HOUR_COSTS } from '@tembrin/core/bow';
import { BAND_LIMITS } from '@tembrin/core/inspection';
import type { HairThread } from '@tembrin/core/parts';

function ownFigures({ tension, stretch, unseen }: HairThread, { nowMs, timeZone }: Moment): readonly Figure[] {
  const times = tension.times > 0 ? `, left tight ${tension.times} times` : '';
  return [
    [
      'Tight while not played',
      tension.idleHours < 0.05 ? 'never on record' : `${hoursWords(tension.idleHours)} since the rehair${times}`,
    ],
    ...(stretch
      ? [['Turns to the gap', `${upTo(stretch.turns, 2)}, and ${upTo(stretch.before, 2)} when it was new`] as const]
      : []),
    ...(unseen
      ? [['By the rule, had nobody looked', spanWords(unseen.early, unseen.late, nowMs, timeZone)] as const]
      : []),
  ];
}

/** How the thread comes about. */
export const hairWorking: PartWorking<'hair'> = (thread, { pace, moment }) => ({
  figures: [
    verdictFigure(thread),
    ...(thread.window ? clockFigures(thread.clock, pace) : []),
    ...paceFigures(pace),
    ...windowFigures(thread, moment),
    ...ownFigures(thread, moment),
  ],
  rule: `Wear is hours ÷ H plus days ÷ D, and the hair is spent at 1. ${spreadWords(HAIR_LIFE.logSd)} What was found good at a look lasts at least so long. A band that is narrower than its wear, or hairs that break fast, bring the window in: at ${BAND_LIMITS.act} % of its width it is spent (from memory). An hour left tight counts as ${upTo(TIGHT_HOUR_COSTS, 2)} h of bowing, up to ${percent(TIGHT_COSTS_AT_MOST)} of its life of ${HAIR_LIFE.hours} h (from memory of the trade, not measured).`,
  school: 'Common practice: every 6 months at three and a half hours a day, every 24 at half an hour.',
  changes: [
    'A rehair starts the thread again.',
    'Thin edges, many broken hairs or hair that takes no rosin: rehair now.',
    'Slackening after every session keeps the hair from stretching.',
  ],
});
