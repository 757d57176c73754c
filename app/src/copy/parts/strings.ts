import type { Instrument } from '@tembrin/contract';
import { lastingWords } from '../dates';
import { foundWords } from '../findings';
import type { Moment } from '../lists';
import type { PartCopy } from './part-copy';
import { atLeastWords, playedWords, windowWords } from './windows';
import { stringNames } from '@tembrin/core/instruments';
import type { StringsThread } from '@tembrin/core/parts';

function reason(thread: StringsThread, instrument: Instrument, moment: Moment): string {
  const found = thread.found.length > 0 ? ` Found: ${foundWords(thread.found, instrument)}` : '';
  return `${clockReason(thread, instrument, moment)}${found}`;
}

function clockReason(thread: StringsThread, instrument: Instrument, moment: Moment): string {
  const { clock, window, from, on, oldest, dateMissing, state } = thread;
  const onFor = moment.nowMs - (from ?? moment.nowMs);
  if (!clock || from === null)
    return 'Nobody has said when these strings were fitted. Say so, and they get a forecast.';
  if (dateMissing && state === 'now')
    return `On for at least ${lastingWords(onFor)}, ${playedWords(clock)}: more likely spent than not, whatever came before. Change them now.`;
  if (!window) return `Nobody knows when these strings were fitted, so there is no forecast${atLeastWords(onFor)}.`;
  const names = stringNames(instrument);
  const all = oldest.length === on.length;
  const which = all ? 'Fitted' : oldest.length === 1 ? `The ${names[oldest[0]!]} was fitted` : 'The oldest were fitted';
  return `${which} ${lastingWords(onFor)} ago, ${playedWords(clock)}. ${windowWords(window, 'Change', moment)}`;
}

export const stringsCopy: PartCopy<'strings'> = {
  due: 'New strings are due',
  reason,
  keyFigure: ({ clock }) => ({
    figure: String(Math.round(clock ? clock.hoursPlayed + clock.hoursBefore : 0)),
    unit: clock && clock.hoursBefore > 0 ? 'hours or so played on these strings' : 'hours played on these strings',
  }),
  begun: {
    title: 'New strings',
    question: 'When were they fitted?',
    firstQuestion: 'When were its strings fitted?',
    done: 'Fitted new strings',
    ask: 'Say when they were fitted',
    recorded: 'The strings are on record. Their thread starts again.',
  },
};
