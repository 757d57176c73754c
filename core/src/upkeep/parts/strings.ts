import { airToll, type AirToll } from '../../air';
import type { InstrumentFacts } from '../../instruments';
import type { InstrumentLog } from '../../log';
import {
  lifeFactor,
  pastStrings,
  stringLife,
  stringsOn,
  SWEAT_FACTORS,
  wipingHabit,
  type LifeBasis,
  type LifeFactor,
  type LifeSeen,
  type StringOn,
  type StringSpec,
  type Sweat,
  type WipingHabit,
} from '../../strings';
import { spentWindow, type Window } from '../forecast';
import type { Pace } from '../pace';
import { wearAt, type Life } from '../wear';
import { stateIn, type InstrumentAir, type ThreadBase, type ThreadState } from './thread';
import { twoClock, type TwoClock } from './two-clock';

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

/** By how much faster days counted from one instant to another; null where the air is not known. */
function tollOf(air: InstrumentAir | null, fromMs: number, toMs: number): (AirToll & { factor: number }) | null {
  const toll = air && airToll(air.samples, fromMs, toMs);
  return toll && { ...toll, factor: toll.strings };
}

/** What the changes on record tell of this player: one sight for each fitting that was replaced, however many strings it had. */
function livesSeen(facts: InstrumentFacts, log: InstrumentLog, stretch: number, air: InstrumentAir | null): LifeSeen[] {
  const told = new Map<string, LifeSeen>();
  for (const { spec, from, to, fitting, successor } of pastStrings(log, facts.stringCount)) {
    const { reason } = successor;
    const key = `${fitting.eventId} ${successor.eventId}`;
    if (reason === 'on-record' || told.has(key)) continue;
    const { basis: _basis, ...rule } = livedRule(facts, spec, stretch);
    const toll = tollOf(air, from, to)?.factor ?? 1;
    const worn = wearAt({ ...rule, days: rule.days / toll }, log.playing, from, to);
    if (worn <= 0.02) continue;
    told.set(key, { logWear: Math.log(worn), kind: reason === 'worn' || reason === 'frayed' ? 'worn' : 'atLeast' });
  }
  return [...told.values()];
}

/** The strings, each by itself, and the thread of the set: that of the string spent first. */
export function stringsThread(
  facts: InstrumentFacts,
  log: InstrumentLog,
  pace: Pace,
  air: InstrumentAir | null,
): StringsThread {
  const wiping = wipingHabit(log);
  const sweat = { kind: facts.stringing.sweat, factor: SWEAT_FACTORS[facts.stringing.sweat] };
  const stretch = sweat.factor * (wiping?.factor ?? 1);
  const factor = lifeFactor(livesSeen(facts, log, stretch, air));
  // Strings of one fitting and make-up share their figures.
  const judged = new Map<string, Pick<StringWear, 'basis' | 'clock' | 'window' | 'state'>>();
  const judge = ({ fitting, spec }: StringOn): Pick<StringWear, 'basis' | 'clock' | 'window' | 'state'> => {
    const { basis, ...rule } = livedRule(facts, spec, stretch);
    if (!fitting) return { basis, clock: null, window: null, state: 'unknown' };
    const toll = tollOf(air, fitting.at, log.nowMs);
    const life: Life = { ...rule, days: rule.days / (toll?.factor ?? 1), factor };
    const window = spentWindow(life, log, pace, fitting.at);
    const clock = twoClock({ life, toll }, log, pace, fitting.at);
    const state = stateIn(window, log.nowMs);
    return { basis, clock, window, state: !fitting.known && state === 'well' ? 'unknown' : state };
  };
  const on = stringsOn(log, facts.stringCount).map((string): StringWear => {
    const { spec, fitting } = string;
    const key = `${fitting?.eventId} ${spec ? `${spec.core} ${spec.coated}` : ''}`;
    let known = judged.get(key);
    if (!known) judged.set(key, (known = judge(string)));
    return { ...string, ...known };
  });
  const complete = on.every(({ fitting }) => fitting !== null);
  const first = complete
    ? on.reduce((a, b) => (b.window!.middle < a.window!.middle ? b : a))
    : (on.find(({ fitting }) => fitting === null) ?? on[0]!);
  const oldest = on.filter(({ fitting, window }) =>
    complete ? window!.middle === first.window!.middle : fitting === null,
  );
  const known = complete && oldest.every(({ fitting }) => fitting?.known);
  const common = {
    part: 'strings' as const,
    on,
    oldest: oldest.map(({ position }) => position),
    basis: first.basis,
    dateMissing: !known,
    factor,
    sweat,
    wiping,
  };
  if (!complete) return { ...common, state: 'unknown', from: null, window: null, clock: null };
  const { state, window, clock, fitting } = first;
  return { ...common, state, from: fitting!.at, window, clock };
}
