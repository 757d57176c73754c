import type { InstrumentLog } from '../log';

/** Turns from slack to the player's gap, when this hair was first measured and last. */
export interface HairStretch {
  turns: number;
  before: number;
  /** When it was last measured, ms. */
  at: number;
}

/** So many more turns than when it was new, and the hair has stretched; one day the screw runs out [handbook 1.4, 6]. From memory. */
export const STRETCHED_TURNS = 2;

/**
 * How far the hair has stretched, by the turns that its gap takes.
 * @returns null until two measures of this hair are on record
 */
export function hairStretch(log: Pick<InstrumentLog, 'measures' | 'rehairs'>): HairStretch | null {
  const rehair = log.rehairs.findLast(({ known }) => known)?.at ?? -Infinity;
  const turns = log.measures.filter(({ figure, at }) => figure === 'bow-turns' && at >= rehair);
  const last = turns.at(-1);
  return turns.length < 2 || !last ? null : { turns: last.value, before: turns[0]!.value, at: last.at };
}
