import type { Doer } from '../log';
import type { LocalDay } from '../time';
import type { Outlook, Window } from '../wear';
import type { DueContext } from './part';
import { isDated, type DatedPart } from './catalogue';
import { dueOf, type Thread } from './parts';
import type { ThreadState } from './thread';

/** A piece of upkeep that comes due. Plain figures, so that it can be sent about. */
export interface DueItem {
  instrumentId: string;
  /** The bow whose part it is, where that is not the one the instrument came with. */
  bowId: string | null;
  part: DatedPart;
  who: Doer;
  /** Beginning of its life, ms. */
  from: number;
  window: Window;
  state: ThreadState;
  /** Days it takes to settle, and days before a performance in which it is left alone. */
  settles: number;
  keepsClear: number;
  /** Chance that it is spent by an instant: what putting it off costs. */
  outlook: Outlook;
  /** The day until which it is at the workshop; left out: it is at home. */
  awayUntil?: LocalDay;
}

/** Days more that the cautious school leaves before a performance. From memory. */
const CAUTION_DAYS = 3;

/** What an item is about: the bow, or the instrument. */
export const subjectOf = ({ instrumentId, bowId }: { instrumentId: string; bowId?: string | null }): string =>
  bowId ?? instrumentId;

/**
 * What comes due of some parts, with what putting each off costs.
 * @param bowId the bow they are on; null for the instrument's parts, and for the bow it came with
 */
export function dueItems(
  instrumentId: string,
  bowId: string | null,
  threads: readonly Thread[],
  context: DueContext,
): DueItem[] {
  const caution = context.schools.beforePlaying === 'A' ? CAUTION_DAYS : 0;
  return threads.flatMap((thread): DueItem[] => {
    const { window, from, state, part } = thread;
    if (window === null || from === null || !isDated(part)) return [];
    const due = dueOf(part);
    const settles = due.settles(thread);
    const outlook = due.outlook(thread, context) ?? { kind: 'window', window };
    return [
      {
        instrumentId,
        bowId,
        part,
        who: due.doer(context),
        from,
        window,
        state,
        settles,
        keepsClear: settles + caution,
        outlook,
      },
    ];
  });
}
