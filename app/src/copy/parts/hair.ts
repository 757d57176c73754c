import type { Instrument } from '@tembrin/contract';
import { lastingWords } from '../dates';
import { foundWords } from '../findings';
import { upTo } from '../numbers';
import type { Moment } from '../lists';
import type { PartCopy } from './part-copy';
import { atLeastWords, playedWords, windowWords } from './windows';
import { STRETCHED_TURNS } from '@tembrin/core/bow';
import type { HairThread } from '@tembrin/core/parts';

function reason(thread: HairThread, instrument: Instrument, moment: Moment): string {
  const found = thread.found.length > 0 ? ` Found: ${foundWords(thread.found, instrument)}` : '';
  return `${clockReason(thread, moment)}${found}`;
}

function clockReason({ clock, window, from, stretch, dateMissing, state }: HairThread, moment: Moment): string {
  if (!clock || from === null)
    return 'Nobody has said when this bow was last rehaired. Say so, and it gets a forecast.';
  const stretched =
    stretch && stretch.turns - stretch.before >= STRETCHED_TURNS
      ? ` It has stretched: ${upTo(stretch.turns, 2)} turns to the gap now, ${upTo(stretch.before, 2)} when it was new.`
      : '';
  const onFor = moment.nowMs - from;
  if (dateMissing && state === 'now')
    return `On for at least ${lastingWords(onFor)}, ${playedWords(clock, 'of bowing')}: more likely spent than not, whatever came before. Rehair now.${stretched}`;
  if (!window)
    return `Nobody knows when this bow was last rehaired, so there is no forecast${atLeastWords(onFor)}.${stretched}`;
  const bowed = playedWords(clock, 'of bowing');
  return `Rehaired ${lastingWords(onFor)} ago, ${bowed}. ${windowWords(window, 'Rehair', moment)}${stretched}`;
}

export const hairCopy: PartCopy<'hair'> = {
  due: 'The bow wants new hair',
  reason,
  keyFigure: ({ clock }) => ({
    figure: String(Math.round(clock ? clock.hoursPlayed + clock.hoursBefore : 0)),
    unit: clock && clock.hoursBefore > 0 ? 'hours or so played on this hair' : 'hours played on this hair',
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
