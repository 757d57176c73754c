import { LOOK_DATA, type LookId, type Verdict } from '@tembrin/core/instruments';
import type { EventOf } from '@tembrin/core/log';

type Seen = EventOf<'looked-at'>['payload'];

/**
 * What is put on record of one thing that was looked at by itself, outside a look-over.
 * @param child whether a child looked
 * @param bow which bow, where several could be meant
 */
export function seenAlone(
  look: LookId,
  verdict: Verdict,
  {
    child,
    bow,
    ...more
  }: { child: boolean; bow: { bowId?: string } } & Partial<Pick<Seen, 'zone' | 'figures' | 'note'>>,
): Seen {
  const { zone, bow: ofBow } = LOOK_DATA[look];
  return {
    look,
    verdict,
    overId: null,
    by: child ? 'child' : 'player',
    zone,
    point: null,
    figures: [],
    string: null,
    note: '',
    ...more,
    ...(ofBow && bow),
  };
}
