import {
  bowTension,
  HAIR_LIFE,
  HAIR_LOOK_DAYS,
  hairStretch,
  STRETCHED_TURNS,
  tightWear,
  type BowTension,
  type HairStretch,
} from '../bow';
import { isBowed } from '../instruments';
import { decisive } from '../log';
import { DAY_MS } from '../time';
import { spentWindow } from '../wear';
import type { PartContext, PartRecord } from './part';
import { stateIn, type ThreadBase } from './thread';
import { airedLife, clockOutlook, tollOn, twoClock, type TwoClock } from './two-clock';

export interface HairThread extends ThreadBase {
  part: 'hair';
  clock: TwoClock | null;
  /** When the yearly look is due, ms; null when neither rehair nor look is on record. */
  lookDueAt: number | null;
  tension: BowTension;
  /** By the turns to the gap, where they were measured. */
  stretch: HairStretch | null;
}

/** The bow's hair: two clocks, the yearly look, and how it stretched. */
export function hairThread({ log, pace, air }: PartContext): HairThread {
  const rehair = decisive(log.rehairs);
  const tension = bowTension(log, rehair?.at);
  const looks = [rehair?.known ? rehair.at : null, log.hairLooks.at(-1)?.at ?? null].filter((at) => at !== null);
  const lookDueAt = looks.length > 0 ? Math.max(...looks) + HAIR_LOOK_DAYS * DAY_MS : null;
  const stretch = hairStretch(log);
  const stretched = stretch !== null && stretch.turns - stretch.before >= STRETCHED_TURNS;
  const common = { part: 'hair' as const, lookDueAt, tension, stretch, dateMissing: !rehair?.known };
  if (!rehair) return { ...common, state: 'unknown', from: null, window: null, clock: null };
  const tightness = tightWear(tension.idleHours);
  const toll = tollOn('hair', air, rehair.at, log.nowMs);
  const life = airedLife(HAIR_LIFE, toll);
  const window = spentWindow(life, log, pace, rehair.at, tightness);
  let state = stateIn(window, log.nowMs);
  if (state === 'well' && !rehair.known) state = 'unknown';
  const look = stretched || (lookDueAt !== null && log.nowMs >= lookDueAt);
  if (state !== 'now' && look) state = 'soon';
  return {
    ...common,
    state,
    from: rehair.at,
    window,
    clock: twoClock({ life, toll }, log, pace, rehair.at, tightness),
  };
}

/** Days new hair takes until it plays as it should: rosin worked in, and stretched once. From memory. */
const SETTLES_DAYS = 4;

/** The hair of the bow. */
export const hairPart = {
  name: 'Bow hair',
  has: ({ family }) => isBowed(family),
  events: ['rehaired', 'hair-looked-over', 'step-done', 'measured'],
  thread: hairThread,
  due: {
    title: 'Rehair',
    doer: () => 'workshop',
    settles: () => SETTLES_DAYS,
    outlook: ({ clock }, context) => clockOutlook(clock, context),
  },
  begun: (known, onRecord) => ({ type: 'rehaired', payload: { reason: onRecord ? 'on-record' : 'worn', known } }),
  askedAtFirst: true,
} as const satisfies PartRecord<'hair', HairThread>;
