import { hoursWords, lastingWords } from '../dates';
import type { Moment } from '../lists';
import type { Figure, PartCopy } from './part-copy';
import {
  atLeastWords,
  clockFigures,
  paceFigures,
  percent,
  playedWords,
  SPREAD,
  verdictFigure,
  windowFigures,
  windowWords,
} from './windows';
import { HAIR_LIFE, STRETCHED_TURNS, TIGHT_COSTS_AT_MOST, TIGHT_HOUR_COSTS } from '@tembrin/core/bow';
import type { HairThread } from '@tembrin/core/parts';

function reason({ clock, window, from, stretch, dateMissing, state }: HairThread, moment: Moment): string {
  if (!clock || from === null)
    return 'Nobody has said when this bow was last rehaired. Say so, and it gets a forecast.';
  const stretched =
    stretch && stretch.turns - stretch.before >= STRETCHED_TURNS
      ? ` It has stretched: ${stretch.turns} turns to the gap now, ${stretch.before} when it was new.`
      : '';
  const onFor = moment.nowMs - from;
  if (dateMissing && state === 'now')
    return `On for at least ${lastingWords(onFor)}, ${playedWords(clock, 'of bowing')}: more likely spent than not, whatever came before. Rehair now.${stretched}`;
  if (!window)
    return `Nobody knows when this bow was last rehaired, so there is no forecast${atLeastWords(onFor)}.${stretched}`;
  const bowed = playedWords(clock, 'of bowing');
  return `Rehaired ${lastingWords(onFor)} ago, ${bowed}. ${windowWords(window, 'Rehair', moment)}${stretched}`;
}

function ownFigures({ tension, stretch }: HairThread): readonly Figure[] {
  const times = tension.times > 0 ? `, left tight ${tension.times} times` : '';
  return [
    [
      'Tight while not played',
      tension.idleHours < 0.05 ? 'never on record' : `${hoursWords(tension.idleHours)} since the rehair${times}`,
    ],
    ...(stretch ? [['Turns to the gap', `${stretch.turns}, and ${stretch.before} when it was new`] as const] : []),
  ];
}

export const hairCopy: PartCopy<'hair'> = {
  due: 'The bow wants new hair',
  reason: (thread, _instrument, moment) => reason(thread, moment),
  keyFigure: ({ clock }) => ({
    figure: String(Math.round(clock ? clock.hoursPlayed + clock.hoursBefore : 0)),
    unit: clock && clock.hoursBefore > 0 ? 'hours or so played on this hair' : 'hours played on this hair',
  }),
  working: (thread, { pace, moment }) => ({
    figures: [
      verdictFigure(thread),
      ...clockFigures(thread.clock, pace),
      ...paceFigures(pace),
      ...windowFigures(thread, moment),
      ...ownFigures(thread),
    ],
    rule: `Wear is hours ÷ H plus days ÷ D, and the hair is spent at 1. ${SPREAD} What was found good at a look lasts at least so long. An hour left tight counts as ${TIGHT_HOUR_COSTS} h of bowing, up to ${percent(TIGHT_COSTS_AT_MOST)} of its life of ${HAIR_LIFE.hours} h (from memory of the trade, not measured).`,
    school: 'Common practice: every 6 months at three and a half hours a day, every 24 at half an hour.',
    changes: [
      'A rehair starts the thread again.',
      'Thin edges, many broken hairs or hair that takes no rosin: rehair now.',
      'Slackening after every session keeps the hair from stretching.',
    ],
  }),
  begun: {
    title: 'Rehair',
    question: 'When was it rehaired?',
    firstQuestion: 'When was its bow last rehaired?',
    done: 'Rehaired',
    ask: 'Say when it was rehaired',
    recorded: 'The rehair is on record. Its thread starts again.',
  },
};
