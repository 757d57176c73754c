import type { Instrument } from '@tembrin/contract';
import { listWords, type Moment } from '../lists';
import { PART_NAMES } from '../names';
import { airCopy } from './air';
import { checkupCopy } from './checkup';
import { hairCopy } from './hair';
import { hairLookCopy } from './hair-look';
import type { KeyFigure, PartCopy } from './part-copy';
import { residueCopy } from './residue';
import { rosinCopy } from './rosin';
import { stringsCopy } from './strings';
import { HOUR_MS } from '@tembrin/core/time';
import type { PartId, Thread } from '@tembrin/core/parts';

export type { BegunCopy } from './part-copy';
export { paceReason } from './windows';

/** Everything said of each part; one that is missing does not compile. */
const PART_COPY: { readonly [P in PartId]: PartCopy<P> } = {
  strings: stringsCopy,
  hair: hairCopy,
  'hair-look': hairLookCopy,
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

export interface Headline extends KeyFigure {
  /** What to do, or that there is nothing to do. */
  title: string;
  /** What else the list below holds; null: nothing else. */
  rest: string | null;
}

const namesOf = (threads: readonly Thread[]) => listWords(threads.map(({ part }) => PART_NAMES[part].toLowerCase()));

/** What the threads that are not well amount to, in a sentence or two; null: all are well. */
function restWords(threads: readonly Thread[]): string | null {
  const of = (state: Thread['state']) => threads.filter((thread) => thread.state === state);
  const told = [
    ['Now', of('now')],
    ['Soon', of('soon')],
    ['Not known yet', of('unknown')],
  ] as const;
  const sentences = told.flatMap(([when, those]) => (those.length > 0 ? [`${when}: ${namesOf(those)}.`] : []));
  return sentences.length > 0 ? sentences.join(' ') : null;
}

/** What stands at the top of Now before playing, in agreement with the list below it. `threads` with the most urgent first. */
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
      rest: restWords(threads),
    };
  }
  const due = threads.find(({ state }) => state === 'now');
  if (due) {
    const copy = copyOf(due.part);
    return {
      title: copy.due,
      ...copy.keyFigure(due, moment),
      rest: restWords(threads.filter((thread) => thread !== due)),
    };
  }
  const rest = restWords(threads);
  if (playedToday > 0)
    return {
      title: rest ? 'Ready to play' : 'In good order',
      figure: String(Math.round(playedToday * 60)),
      unit: 'minutes played today',
      rest,
    };
  return { title: 'Ready to play', figure: null, unit: rest ? null : 'Nothing is due.', rest };
}
