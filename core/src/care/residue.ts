import { isBowed, type InstrumentFacts, type Zone } from '../instruments';
import { firstPlayedAfter, hoursBetween, lastDone, type InstrumentLog, type StepId } from '../log';
import { DAY_MS } from '../time';

/** Fresh wipes off in seconds; settling is getting hard; caked is work for a shop [handbook 2]. */
export type ResidueState = 'clean' | 'fresh' | 'settling' | 'caked';

/**
 * From when unwiped residue counts as settling, and as caked: in days since the first playing left there, or in minutes
 * played on it. A trace of playing never cakes. From memory: "hard after days", "a shop after months".
 */
export const SETTLING_DAYS = 2;
export const SETTLING_MINUTES = 300;
export const CAKED_DAYS = 60;
export const CAKED_MINUTES = 3000;
export const TRACE_MINUTES = 20;

/** The wipes of the closing round that take residue off, and where. */
export type WipeId = Extract<StepId, 'wipe-stick' | 'wipe-strings' | 'wipe-rosin' | 'wipe-hands'>;
const WIPES: readonly { step: WipeId; zone: Zone; bowed: boolean }[] = [
  { step: 'wipe-stick', zone: 'bow-stick', bowed: true },
  { step: 'wipe-strings', zone: 'strings', bowed: false },
  { step: 'wipe-rosin', zone: 'rosin-zones', bowed: true },
  { step: 'wipe-hands', zone: 'hand-zones', bowed: false },
];

export interface ZoneResidue {
  step: WipeId;
  zone: Zone;
  /** When this zone was last wiped, ms; null when never on record. */
  wipedAt: number | null;
  /** Minutes played since the wipe. */
  minutes: number;
  /** When the first playing since the wipe ended, ms; null when nothing was played since. */
  since: number | null;
  state: ResidueState;
}

/**
 * What lies on each zone of an instrument that a wipe takes off, in the order of the closing round.
 * @param atMs the moment judged; wipes from then on do not count
 */
export function residueOf(
  { family }: Pick<InstrumentFacts, 'family'>,
  log: InstrumentLog,
  atMs = log.nowMs,
): ZoneResidue[] {
  return WIPES.filter(({ bowed }) => !bowed || isBowed(family)).map(({ step, zone }) => {
    const wipedAt = lastDone(log, step, atMs === log.nowMs ? Infinity : atMs);
    const from = wipedAt ?? -Infinity;
    const minutes = hoursBetween(log.playing, from, atMs) * 60;
    const since = minutes > 0 ? firstPlayedAfter(log.playing, from) : null;
    return { step, zone, wipedAt, minutes, since, state: stateAfter(since, minutes, atMs) };
  });
}

function stateAfter(since: number | null, minutes: number, atMs: number): ResidueState {
  if (since === null) return 'clean';
  const days = (atMs - since) / DAY_MS;
  if (minutes >= CAKED_MINUTES || (days >= CAKED_DAYS && minutes >= TRACE_MINUTES)) return 'caked';
  return minutes >= SETTLING_MINUTES || days >= SETTLING_DAYS ? 'settling' : 'fresh';
}
