import { dateWords, lastingWords } from '../../dates';
import { type Moment } from '../../lists';
import type { Figure, PartWorking } from '../part-copy';
import { verdictFigure } from './figures';
import { DAY_MS } from '@tembrin/core/time';
import type { CheckupThread } from '@tembrin/core/parts';

function ownFigures({ from, window, dateMissing }: CheckupThread, { nowMs, timeZone }: Moment): readonly Figure[] {
  const date = (atMs: number) => dateWords(atMs, nowMs, timeZone);
  const known = from !== null && !dateMissing;
  const figures: Figure[] = [['Last checkup', known ? date(from) : 'not known']];
  if (known) figures.push(['That was', `${lastingWords(Math.max(DAY_MS, nowMs - from))} ago`]);
  if (window)
    figures.push(
      ['Earliest visit', date(window.early)],
      ['The rule', date(window.middle)],
      ['Latest visit', date(window.late)],
    );
  return figures;
}

/** How the thread comes about. */
export const checkupWorking: PartWorking<'checkup'> = (thread, { schools, moment }) => ({
  figures: [verdictFigure(thread), ...ownFigures(thread, moment)],
  rule: `Every ${thread.months} months by the calendar, a month to either side to arrange the visit.`,
  school:
    schools.checkup === 'A'
      ? 'School A: every six months. School B says yearly; choose under Schools.'
      : 'School B: yearly. School A says every six months; choose under Schools.',
  changes: [
    'A checkup starts the thread again.',
    'After a fall or shipping: have it looked over at once, the sound post first.',
    'Tembrin advises; it does not replace a luthier.',
  ],
});
