import { dateWords } from '../../dates';
import { verdictFigure } from './figures';
import type { PartWorking } from '../part-copy';

/** How the thread comes about. */
export const hairLookWorking: PartWorking<'hair-look'> = (thread, { moment: { nowMs, timeZone } }) => ({
  figures: [
    verdictFigure(thread),
    [
      thread.since === 'looked-over' ? 'Last looked over' : 'Rehaired',
      thread.from === null ? 'not known' : dateWords(thread.from, nowMs, timeZone),
    ],
    ['Due', thread.window ? dateWords(thread.window.middle, nowMs, timeZone) : 'not known'],
    ['Before or after', 'a month to either side'],
  ],
  rule: 'Hair is looked over once a year, whatever its wear: the band thin at an edge, hairs that break, hair that takes no rosin or is black at the frog, a bow that no longer tightens or is tight when slack.',
  school: 'Common practice. A professional has it rehaired every six months and looks each time.',
  changes: [
    'A look that finds it good starts the year again, and tells the forecast that it lasts at least so long.',
    'A rehair starts the year again.',
    'Broken hairs are cut at both ends, never pulled.',
  ],
});
