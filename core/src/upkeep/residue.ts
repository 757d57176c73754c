import type { InstrumentFacts } from '../instruments';
import { firstPlayedAfter, hoursBetween, lastDone, type InstrumentLog, type StepId } from '../log';
import { closingRound } from '../routines';
import { DAY_MS } from '../time';

/** Fresh wipes off in seconds; settling is getting hard; caked is work for a shop [handbook 2]. */
export type ResidueState = 'clean' | 'fresh' | 'settling' | 'caked';

/** From when unwiped residue counts as settling, and as caked, in days. From memory: "hard after days", "a shop after months". */
export const SETTLING_DAYS = 2;
export const CAKED_DAYS = 60;

export interface ZoneResidue {
  step: StepId;
  /** When this zone was last wiped, ms; null when never on record. */
  wipedAt: number | null;
  /** Minutes played since the wipe. */
  minutes: number;
  /** When the first playing since the wipe ended, ms; null when nothing was played since. */
  since: number | null;
  state: ResidueState;
}

const WIPES: readonly StepId[] = ['wipe-stick', 'wipe-strings', 'wipe-rosin', 'wipe-hands'];

/** What lies on each zone of an instrument that a wipe takes off, in the order of the closing round. */
export function residueOf(facts: InstrumentFacts, log: InstrumentLog): ZoneResidue[] {
  return closingRound(facts, 'A')
    .filter(({ step }) => WIPES.includes(step))
    .map(({ step }) => {
      const wipedAt = lastDone(log, step);
      const from = wipedAt ?? -Infinity;
      const minutes = hoursBetween(log.playing, from, log.nowMs) * 60;
      const since = minutes > 0 ? firstPlayedAfter(log.playing, from) : null;
      return { step, wipedAt, minutes, since, state: stateAfter(since, log.nowMs) };
    });
}

function stateAfter(since: number | null, nowMs: number): ResidueState {
  if (since === null) return 'clean';
  const days = (nowMs - since) / DAY_MS;
  return days < SETTLING_DAYS ? 'fresh' : days < CAKED_DAYS ? 'settling' : 'caked';
}
