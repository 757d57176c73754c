import { dateWords, hoursWords, lastingWords } from '../dates';
import type { Moment } from '../lists';
import type { Figure, PartCopy } from './part-copy';
import { clockFigures, paceFigures, percent, SPREAD, verdictFigure, windowFigures, windowWords } from './windows';
import { DAY_MS } from '@tembrin/core/time';
import { HAIR_LIFE, STRETCHED_TURNS, TIGHT_COSTS_AT_MOST, TIGHT_HOUR_COSTS } from '@tembrin/core/bow';
import type { HairThread } from '@tembrin/core/parts';

function reason({ clock, window, from, lookDueAt, state, stretch }: HairThread, moment: Moment): string {
  if (!clock || !window || from === null)
    return 'Nobody has said when this bow was last rehaired. Say so, and it gets a forecast.';
  const { nowMs, timeZone } = moment;
  if (state === 'soon' && lookDueAt !== null && nowMs >= lookDueAt && nowMs < window.early) {
    return `The yearly look at the hair has been due since ${dateWords(lookDueAt, nowMs, timeZone)}. Wear alone gives it until ${dateWords(window.early, nowMs, timeZone)}.`;
  }
  const stretched =
    stretch && stretch.turns - stretch.before >= STRETCHED_TURNS
      ? ` It has stretched: ${stretch.turns} turns to the gap now, ${stretch.before} when it was new.`
      : '';
  return `${hoursWords(clock.hoursPlayed)} of bowing in ${lastingWords(clock.daysOn * DAY_MS)}. ${windowWords(window, 'Rehair', moment)}${stretched}`;
}

function ownFigures({ lookDueAt, tension, stretch }: HairThread, { nowMs, timeZone }: Moment): readonly Figure[] {
  const times = tension.times > 0 ? `, left tight ${tension.times} times` : '';
  return [
    ...(lookDueAt === null ? [] : [['Yearly look due', dateWords(lookDueAt, nowMs, timeZone)] as const]),
    ['Tight while not played', `${hoursWords(tension.idleHours)} since the rehair${times}`],
    ...(stretch ? [['Turns to the gap', `${stretch.turns}, and ${stretch.before} when it was new`] as const] : []),
  ];
}

export const hairCopy: PartCopy<'hair'> = {
  due: 'The bow wants new hair',
  reason: (thread, _instrument, moment) => reason(thread, moment),
  keyFigure: ({ clock }) => ({
    figure: String(Math.round(clock?.hoursPlayed ?? 0)),
    unit: 'hours played on this hair',
  }),
  working: (thread, { pace, moment }) => ({
    figures: [
      verdictFigure(thread),
      ...clockFigures(thread.clock),
      ...paceFigures(pace),
      ...windowFigures(thread, moment),
      ...ownFigures(thread, moment),
    ],
    rule: `Wear is hours ÷ H plus days ÷ D, and the hair is spent at 1. ${SPREAD} Once a year it is looked over whatever its wear. An hour left tight counts as ${TIGHT_HOUR_COSTS} h of bowing, up to ${percent(TIGHT_COSTS_AT_MOST)} of its life of ${HAIR_LIFE.hours} h (from memory of the trade, not measured).`,
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
