import type { Instrument } from '@tembrin/contract';
import type { Moment } from '../lists';
import { airCopy } from './air';
import { checkupCopy } from './checkup';
import { hairCopy } from './hair';
import type { KeyFigure, PartCopy, Working, WorkingContext } from './part-copy';
import { residueCopy } from './residue';
import { rosinCopy } from './rosin';
import { stringsCopy } from './strings';
import { HOUR_MS } from '@tembrin/core/time';
import type { PartId, Thread } from '@tembrin/core/parts';

export type { BegunCopy, Working } from './part-copy';
export { paceReason } from './windows';

/** Everything said of each part; one that is missing does not compile. */
const PART_COPY: { readonly [P in PartId]: PartCopy<P> } = {
  strings: stringsCopy,
  hair: hairCopy,
  rosin: rosinCopy,
  residue: residueCopy,
  checkup: checkupCopy,
  air: airCopy,
};

/** What is said of a part. */
export function copyOf(part: PartId): PartCopy<PartId> {
  return PART_COPY[part] as unknown as PartCopy<PartId>;
}

/** One sentence or two on why a thread stands as it does, with its figures. */
export function reasonFor(thread: Thread, instrument: Instrument, moment: Moment): string {
  return copyOf(thread.part).reason(thread, instrument, moment);
}

/** Shows how a thread came about. */
export function workingOf(thread: Thread, context: WorkingContext): Working {
  return copyOf(thread.part).working(thread, context);
}

export interface Headline extends KeyFigure {
  /** What to do, or that there is nothing to do. */
  title: string;
}

/** What stands at the top of Now before playing. `threads` with the most urgent first. */
export function headlineFor(
  threads: readonly Thread[],
  tightSince: number | null,
  playedToday: number,
  moment: Moment,
): Headline {
  if (tightSince !== null && moment.nowMs - tightSince >= HOUR_MS) {
    const hours = Math.round((moment.nowMs - tightSince) / HOUR_MS);
    return {
      title: 'The bow is still tight',
      figure: String(hours),
      unit: hours === 1 ? 'hour under tension, not played' : 'hours under tension, not played',
    };
  }
  const due = threads.find(({ state }) => state === 'now');
  if (due) {
    const copy = copyOf(due.part);
    return { title: copy.due, ...copy.keyFigure(due, moment) };
  }
  if (playedToday > 0)
    return { title: 'In good order', figure: String(Math.round(playedToday * 60)), unit: 'minutes played today' };
  const missing = threads.filter(({ state, from }) => state === 'unknown' && from === null).length;
  const unit = missing > 0 ? 'Nothing is known to be due. Dates are missing below.' : 'Nothing is due.';
  return { title: 'Ready to play', figure: null, unit };
}
