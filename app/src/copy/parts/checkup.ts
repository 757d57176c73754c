import type { Instrument } from '@tembrin/contract';
import { dateWords, lastingWords } from '../dates';
import { foundWords } from '../findings';
import { listWords, type Moment } from '../lists';
import { ZONE_NAMES } from '../names';
import type { PartCopy } from './part-copy';
import { DAY_MS, MONTH_DAYS } from '@tembrin/core/time';
import type { CheckupThread } from '@tembrin/core/parts';

const SEASONS = { start: ' Best as the heating comes on.', end: ' Best once the heating is off.' } as const;

function reason(
  { from, window, months, state, caked, turn, dateMissing, found, pressed }: CheckupThread,
  instrument: Instrument,
  { nowMs, timeZone }: Moment,
): string {
  const residue =
    caked.length > 0
      ? ` Work for the visit: ${listWords(caked.map(({ zone }) => ZONE_NAMES[zone].toLowerCase()))}, where residue has caked.`
      : '';
  const work = `${residue}${found.length > 0 ? ` Found, for the visit: ${foundWords(found, instrument)}` : ''}`;
  if (pressed && window)
    return `What was found wants a workshop, by ${dateWords(window.late, nowMs, timeZone)} at the latest.${work}`;
  if (from === null) return `No checkup is on record. Say when a luthier last looked it over.${work}`;
  const season = turn ? SEASONS[turn] : '';
  const rule = `every ${months} months is the rule`;
  if (dateMissing && state === 'now')
    return `Not looked over for at least ${lastingWords(nowMs - from)}, and ${rule}. Arrange a visit.${season}${work}`;
  if (!window) return `Nobody knows when it was last looked over; ${rule}. Arrange a visit, or say when it was.${work}`;
  const last = `Last looked over ${lastingWords(nowMs - from)} ago`;
  if (state === 'now') return `${last}, and ${rule}. Arrange a visit.${season}${work}`;
  const date = (atMs: number) => dateWords(atMs, nowMs, timeZone);
  return `${last}. The next visit falls between ${date(window.early)} and ${date(window.late)}.${season}${work}`;
}

export const checkupCopy: PartCopy<'checkup'> = {
  due: 'Time for a checkup',
  reason,
  keyFigure: ({ from, dateMissing }, { nowMs }) => ({
    figure: from === null ? null : String(Math.floor((nowMs - from) / (MONTH_DAYS * DAY_MS))),
    unit: dateMissing ? 'months at least since the last checkup' : 'months since the last checkup',
  }),
  begun: {
    title: 'Checkup',
    question: 'When was it looked over?',
    firstQuestion: 'When did a luthier last look it over?',
    done: 'Had a checkup',
    ask: 'Say when it was looked over',
    recorded: 'The checkup is on record.',
  },
};
