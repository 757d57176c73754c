import {
  bowTension,
  HAIR_LIFE,
  hairStretch,
  STRETCHED_TURNS,
  tightWear,
  type BowTension,
  type HairStretch,
} from '../bow';
import { findingsOn, hairLifeSeen } from '../inspection';
import { isBowed } from '../instruments';
import { decisive, type Finding } from '../log';
import { spentWindow, type Life, type Window } from '../wear';
import type { PartContext, PartRecord } from './part';
import { asFarAsKnown, stateIn, type ThreadBase } from './thread';
import { airedLife, clockOutlook, provenLife, tollOn, twoClock, type TwoClock } from './two-clock';

export interface HairThread extends ThreadBase {
  part: 'hair';
  clock: TwoClock | null;
  tension: BowTension;
  /** By the turns to the gap, where they were measured. */
  stretch: HairStretch | null;
  /** What was found on the hair and is not seen to. */
  found: Finding[];
  /** The window without what was seen of it; null where nothing was seen that moves it. */
  unseen: Window | null;
}

/** Looks at the hair itself, whose findings are the business of a rehair. */
const isOfHair = ({ look }: Pick<Finding, 'look'>) => look.startsWith('hair-');

/**
 * The bow's hair: two clocks, how it stretched, and what was seen of it. What was found good at a look lasts at least so long; a band
 * that is narrower than its wear, or hairs that break fast, pull the window in.
 */
export function hairThread({ facts, log, pace, air }: PartContext): HairThread {
  const rehair = decisive(log.rehairs);
  const tension = bowTension(log, rehair?.at);
  const stretch = hairStretch(log);
  const stretched = stretch !== null && stretch.turns - stretch.before >= STRETCHED_TURNS;
  const found = findingsOn('bow', log, facts.stringCount).filter(isOfHair);
  const asks = found.some(({ verdict }) => verdict === 'act');
  const common = { part: 'hair' as const, tension, stretch, found, dateMissing: !rehair?.known };
  if (!rehair) {
    const state = asks ? 'now' : stretched || found.length > 0 ? 'soon' : 'unknown';
    return { ...common, state, from: null, window: null, clock: null, unseen: null };
  }
  const tightness = tightWear(tension.idleHours);
  const toll = tollOn('hair', air, rehair.at, log.nowMs);
  const rule = airedLife(HAIR_LIFE, toll);
  const seen = hairLifeSeen(rule, log, pace, rehair.at, (atMs) =>
    tightWear(bowTension({ ...log, nowMs: atMs }, rehair.at).idleHours),
  );
  const windowOf = (one: Life) =>
    spentWindow(provenLife(one, log.hairLooks, log, pace, rehair.at, tightness), log, pace, rehair.at, tightness);
  const life = provenLife(seen, log.hairLooks, log, pace, rehair.at, tightness);
  const window = windowOf(seen);
  const clock = twoClock({ life, toll }, log, pace, rehair.at, tightness);
  const told = asFarAsKnown({ state: stateIn(window, log.nowMs), window }, rehair.known);
  const near = stretched || found.length > 0 ? 'soon' : told.state;
  const state = asks || told.state === 'now' ? 'now' : near;
  return { ...common, ...told, state, from: rehair.at, clock, unseen: seen === rule ? null : windowOf(rule) };
}

/** Days new hair takes until it plays as it should: rosin worked in, and stretched once. From memory. */
const SETTLES_DAYS = 4;

/** The hair of the bow. */
export const hairPart = {
  has: ({ family }) => isBowed(family),
  events: ['rehaired', 'hair-looked-over', 'step-done', 'measured', 'looked-at', 'finding-settled'],
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
