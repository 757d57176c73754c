import type { InstrumentLog, LookOver } from '../log';
import { HOUR_MS } from '../time';

/** How long a look-over may be taken up again; later, it counts as left. */
const OPEN_H = 12;

/** The look-over that is under way; null when none is. */
export function openLookOver(log: Pick<InstrumentLog, 'lookOvers' | 'nowMs'>): LookOver | null {
  const last = log.lookOvers.at(-1);
  return last && last.endedAt === null && log.nowMs - last.at <= OPEN_H * HOUR_MS ? last : null;
}
