import type { InstrumentLog } from '../log';
import type { Assessment } from './assessment';

/** The log of the bow in hand, where it is played with one; else its own. */
export function bowLogOf({ bows, log }: Pick<Assessment, 'bows' | 'log'>): InstrumentLog {
  return bows[0]?.log ?? log;
}
