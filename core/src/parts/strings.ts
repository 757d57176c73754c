import type { InstrumentFacts, LifeBasis, StringSpec, Sweat } from '../instruments';
import type { InstrumentLog } from '../log';
import {
  pastStrings,
  settleDays,
  stringLife,
  stringsOn,
  SWEAT_FACTORS,
  wipingHabit,
  type StringOn,
  type WipingHabit,
} from '../strings';
import { lifeFactor, spentWindow, wearAt, type Life, type LifeFactor, type LifeSeen, type Window } from '../wear';
import type { PartContext, PartRecord } from './part';
import { stateIn, type InstrumentAir, type ThreadBase, type ThreadState } from './thread';
import { airedLife, clockOutlook, tollOn, twoClock, type TwoClock } from './two-clock';

/** One string's condition and forecast. */
export interface StringWear extends StringOn {
  basis: LifeBasis;
  /** null where nobody said when it went on. */
  clock: TwoClock | null;
  window: Window | null;
  state: ThreadState;
}

export interface StringsThread extends ThreadBase {
  part: 'strings';
  on: StringWear[];
  /** Positions whose fitting decides the thread: the most worn. */
  oldest: number[];
  basis: LifeBasis;
  clock: TwoClock | null;
  /** How long strings last this player, learned from the changes on record. */
  factor: LifeFactor;
  sweat: { kind: Sweat; factor: number };
  wiping: WipingHabit | null;
}

/** The rule for a string, as this player's hands and cloth stretch it. */
function livedRule(facts: InstrumentFacts, spec: StringSpec | null, stretch: number): Life & { basis: LifeBasis } {
  const rule = stringLife(facts.family, facts.kind, spec);
  return { ...rule, hours: rule.hours * stretch, days: rule.days * stretch };
}

/** Strings that were hardly worn tell nothing of how long they last; share of a life. From memory. */
const LEAST_WORN = 0.02;

/** What the changes on record tell of this player: one sight for each fitting that was replaced, however many strings it had. */
function livesSeen(facts: InstrumentFacts, log: InstrumentLog, stretch: number, air: InstrumentAir | null): LifeSeen[] {
  const told = new Map<string, LifeSeen>();
  for (const { spec, from, to, fitting, successor } of pastStrings(log, facts.stringCount)) {
    const { reason } = successor;
    const key = `${fitting.eventId} ${successor.eventId}`;
    if (reason === 'on-record' || told.has(key)) continue;
    const { basis: _basis, ...rule } = livedRule(facts, spec, stretch);
    const worn = wearAt(airedLife(rule, tollOn('strings', air, from, to)), log.playing, from, to);
    if (worn <= LEAST_WORN) continue;
    told.set(key, { logWear: Math.log(worn), kind: reason === 'worn' || reason === 'frayed' ? 'worn' : 'atLeast' });
  }
  return [...told.values()];
}

type Judged = Pick<StringWear, 'basis' | 'clock' | 'window' | 'state'>;

/** Judges each string now on; strings of one fitting and make-up share their figures. */
function judgedStrings({ facts, log, pace, air }: PartContext, stretch: number, factor: LifeFactor): StringWear[] {
  const judge = ({ fitting, spec }: StringOn): Judged => {
    const { basis, ...rule } = livedRule(facts, spec, stretch);
    if (!fitting) return { basis, clock: null, window: null, state: 'unknown' };
    const toll = tollOn('strings', air, fitting.at, log.nowMs);
    const life: Life = { ...airedLife(rule, toll), factor };
    const window = spentWindow(life, log, pace, fitting.at);
    const clock = twoClock({ life, toll }, log, pace, fitting.at);
    const state = stateIn(window, log.nowMs);
    return { basis, clock, window, state: !fitting.known && state === 'well' ? 'unknown' : state };
  };
  const judged = new Map<string, Judged>();
  return stringsOn(log, facts.stringCount).map((string): StringWear => {
    const { spec, fitting } = string;
    const key = `${fitting?.eventId} ${spec ? `${spec.core} ${spec.coated}` : ''}`;
    let known = judged.get(key);
    if (!known) judged.set(key, (known = judge(string)));
    return { ...string, ...known };
  });
}

/** The strings, each by itself, and the thread of the set: that of the string spent first. */
export function stringsThread(context: PartContext): StringsThread {
  const { facts, log, air } = context;
  const wiping = wipingHabit(log);
  const sweat = { kind: facts.stringing.sweat, factor: SWEAT_FACTORS[facts.stringing.sweat] };
  const stretch = sweat.factor * (wiping?.factor ?? 1);
  const factor = lifeFactor(livesSeen(facts, log, stretch, air));
  const on = judgedStrings(context, stretch, factor);
  const complete = on.every(({ fitting }) => fitting !== null);
  const first = complete
    ? on.reduce((a, b) => (b.window!.middle < a.window!.middle ? b : a))
    : (on.find(({ fitting }) => fitting === null) ?? on[0]!);
  const oldest = on.filter(({ fitting, window }) =>
    complete ? window!.middle === first.window!.middle : fitting === null,
  );
  const common = {
    part: 'strings' as const,
    on,
    oldest: oldest.map(({ position }) => position),
    basis: first.basis,
    dateMissing: !(complete && oldest.every(({ fitting }) => fitting?.known)),
    factor,
    sweat,
    wiping,
  };
  if (!complete) return { ...common, state: 'unknown', from: null, window: null, clock: null };
  const { state, window, clock, fitting } = first;
  return { ...common, state, from: fitting!.at, window, clock };
}

/** The strings, all together. */
export const stringsPart = {
  name: 'Strings',
  has: () => true,
  events: ['strings-fitted', 'step-done'],
  thread: stringsThread,
  due: {
    title: 'New strings',
    // As the last time; a child's teacher; otherwise the player.
    doer: ({ facts, log }) =>
      log.fittings.findLast(({ by }) => by !== undefined)?.by ?? (facts.setUp.player === 'child' ? 'teacher' : 'self'),
    settles: ({ on, oldest }) =>
      settleDays(on.filter(({ position }) => oldest.includes(position)).map(({ spec }) => spec)),
    outlook: ({ clock }, context) => clockOutlook(clock, context),
  },
  begun: (known, onRecord) => ({
    type: 'strings-fitted',
    payload: { strings: null, reason: onRecord ? 'on-record' : 'worn', known },
  }),
  askedAtFirst: true,
} as const satisfies PartRecord<'strings', StringsThread>;
