import { HAIR_LIFE, HAIR_LOOK_DAYS } from '../bow';
import { isBowed } from '../instruments';
import { decisive } from '../log';
import { DAY_MS } from '../time';
import { chanceSpent } from '../wear';
import type { PartContext, PartRecord } from './part';
import { stateIn, type ThreadBase } from './thread';

export interface HairLookThread extends ThreadBase {
  part: 'hair-look';
  /** What the year counts from; null: neither a rehair nor a look is on record. */
  since: 'rehaired' | 'looked-over' | null;
}

/** A look can be had a month early or late. From memory. */
const SLACK_DAYS = 30;

/**
 * The yearly look at the hair, whatever its wear [handbook 6]. null where the hair is to be replaced anyway, or where
 * nobody has said anything of it yet: then that is asked first.
 */
export function hairLookThread({ log, pace }: PartContext): HairLookThread | null {
  const rehair = decisive(log.rehairs);
  // Whatever was found, it was looked at.
  const seen = log.findings.findLast(({ look: id }) => id === 'hair-band')?.at ?? -Infinity;
  const latest = Math.max(seen, log.hairLooks.at(-1)?.at ?? -Infinity);
  const look = Number.isFinite(latest) ? latest : null;
  const known = rehair?.known ? rehair.at : null;
  if (rehair && chanceSpent(HAIR_LIFE, log, pace, rehair.at)(log.nowMs) >= 0.5 && !(look !== null && look > rehair.at))
    return null;
  const from = look === null || (known !== null && known > look) ? known : look;
  if (from === null) {
    if (!rehair) return null;
    return { part: 'hair-look', since: null, state: 'unknown', from, window: null, dateMissing: false };
  }
  const middle = from + HAIR_LOOK_DAYS * DAY_MS;
  const window = { early: middle - SLACK_DAYS * DAY_MS, middle, late: middle + SLACK_DAYS * DAY_MS };
  const since = from === look ? 'looked-over' : 'rehaired';
  return { part: 'hair-look', since, state: stateIn(window, log.nowMs, 0), from, window, dateMissing: false };
}

/** The yearly look at the hair. */
export const hairLookPart = {
  has: ({ family }) => isBowed(family),
  events: ['hair-looked-over', 'looked-at', 'rehaired'],
  thread: hairLookThread,
  due: {
    title: 'Look at the hair',
    free: true,
    doer: () => 'self',
    settles: () => 0,
    outlook: ({ window }) => window && { kind: 'window', window },
  },
  begun: null,
  askedAtFirst: false,
} as const satisfies PartRecord<'hair-look', HairLookThread>;
