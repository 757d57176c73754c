import type { Place } from '@tembrin/contract';
import { useMemo } from 'react';
import { placesAir, type PlaceAir } from '@tembrin/core/air';
import { MINUTE_MS } from '@tembrin/core/time';
import { useAir } from './air';
import { useHousehold } from './household';
import { useNow } from './now';

/** A place of this household with its air. */
export type KnownPlace = PlaceAir<Place>;

/** Wood and rooms are slower than a clock: their air is worked out anew every ten minutes, and when something new is known. */
const AIR_SLOT_MS = 10 * MINUTE_MS;

/** Every place with its air. */
export function usePlaces(): ReadonlyMap<string, KnownPlace> {
  const { timeZone } = useHousehold((state) => state.household)!;
  const air = useAir((state) => state.air);
  const unsent = useAir((state) => state.unsent);
  const slot = Math.floor(useNow(MINUTE_MS) / AIR_SLOT_MS);
  return useMemo(
    () => (air ? placesAir(air, unsent, timeZone, Math.max(slot * AIR_SLOT_MS, newestOf(unsent))) : new Map()),
    [air, unsent, timeZone, slot],
  );
}

/** The instant of the newest reading that waits, so that it is not in the future of what is worked out. */
function newestOf(unsent: readonly { reading: { at: string } }[]): number {
  return unsent.reduce((newest, { reading }) => Math.max(newest, Date.parse(reading.at)), 0);
}
