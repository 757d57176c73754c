import {
  bowTension,
  HAIR_LIFE,
  hairStretch,
  STRETCHED_TURNS,
  tightWear,
  type BowTension,
  type HairStretch,
} from '../bow';
import { isBowed } from '../instruments';
import { decisive } from '../log';
import { spentWindow } from '../wear';
import type { PartContext, PartRecord } from './part';
import { asFarAsKnown, stateIn, type ThreadBase } from './thread';
import { airedLife, clockOutlook, provenLife, tollOn, twoClock, type TwoClock } from './two-clock';

export interface HairThread extends ThreadBase {
  part: 'hair';
  clock: TwoClock | null;
  tension: BowTension;
  /** By the turns to the gap, where they were measured. */
  stretch: HairStretch | null;
}

/** The bow's hair: two clocks, and how it stretched. What was found good at a look lasts at least so long. */
export function hairThread({ log, pace, air }: PartContext): HairThread {
  const rehair = decisive(log.rehairs);
  const tension = bowTension(log, rehair?.at);
  const stretch = hairStretch(log);
  const stretched = stretch !== null && stretch.turns - stretch.before >= STRETCHED_TURNS;
  const common = { part: 'hair' as const, tension, stretch, dateMissing: !rehair?.known };
  if (!rehair) return { ...common, state: stretched ? 'soon' : 'unknown', from: null, window: null, clock: null };
  const tightness = tightWear(tension.idleHours);
  const toll = tollOn('hair', air, rehair.at, log.nowMs);
  const life = provenLife(airedLife(HAIR_LIFE, toll), log.hairLooks, log, pace, rehair.at, tightness);
  const window = spentWindow(life, log, pace, rehair.at, tightness);
  const clock = twoClock({ life, toll }, log, pace, rehair.at, tightness);
  const told = asFarAsKnown({ state: stateIn(window, log.nowMs), window }, rehair.known);
  return { ...common, ...told, state: told.state !== 'now' && stretched ? 'soon' : told.state, from: rehair.at, clock };
}

/** Days new hair takes until it plays as it should: rosin worked in, and stretched once. From memory. */
const SETTLES_DAYS = 4;

/** The hair of the bow. */
export const hairPart = {
  name: 'Bow hair',
  onBow: true,
  has: ({ family }) => isBowed(family),
  events: ['rehaired', 'hair-looked-over', 'step-done', 'measured'],
  thread: hairThread,
  due: {
    title: 'Rehair',
    free: false,
    doer: () => 'workshop',
    settles: () => SETTLES_DAYS,
    outlook: ({ clock }, context) => clockOutlook(clock, context),
  },
  begun: (known, onRecord) => ({ type: 'rehaired', payload: { reason: onRecord ? 'on-record' : 'worn', known } }),
  askedAtFirst: true,
} as const satisfies PartRecord<'hair', HairThread>;
