import type { EventOf, Extent, Looker } from '../log';
import { lookRound, type LookQuestion } from './round';

type Entry = { [T in 'looked-at' | 'look-skipped']: { type: T; payload: EventOf<T>['payload'] } }[
  'looked-at' | 'look-skipped'];

/** How a whole look-over begins. */
export const wholeLookBegun = (by: Looker) => ({
  type: 'look-over-began' as const,
  payload: { extent: 'full' as Extent, by },
});

/**
 * The entries of a whole look-over at which everything was found good, said at once: each look that who looks may take, in the order of
 * the round. What something is still open on is passed over: that it is good now has to be seen and said by itself.
 * @param overId the entry it began with
 */
export function wholeLook(question: Pick<LookQuestion, 'facts' | 'schools' | 'by' | 'open'>, overId: string): Entry[] {
  const { by, open } = question;
  return lookRound({ ...question, extent: 'full', causes: [] }).map(({ look }): Entry => {
    if (open.includes(look)) return { type: 'look-skipped', payload: { look, overId } };
    const seen = { look, verdict: 'good', overId, by, zone: null, point: null, figures: [], string: null, note: '' };
    return { type: 'looked-at', payload: seen as EventOf<'looked-at'>['payload'] };
  });
}
