import { openFindings, stringShareSeen } from '../inspection';
import type { InstrumentFacts, LifeBasis, StringSpec } from '../instruments';
import {
  pastStrings,
  settleDays,
  stringLife,
  stringsOn,
  wipingHabit,
  type Hands,
  type PastString,
  type StringOn,
  type WipingHabit,
} from '../strings';
import type { Finding } from '../log';
import { DAY_MS } from '../time';
import {
  lifeFactor,
  spentWindow,
  wornAt,
  type Elsewhere,
  type Life,
  type LifeFactor,
  type LifeSeen,
  type Pace,
  type Window,
  type Worn,
} from '../wear';
import type { PartContext, PartRecord } from './part';
import { asFarAsKnown, stateIn, type ThreadBase, type ThreadState } from './thread';
import { airedLife, clockOutlook, provenLife, tollOn, twoClock, type TwoClock } from './two-clock';

/** One string's condition and forecast. */
export interface StringWear extends StringOn {
  basis: LifeBasis;
  /** null where nobody said when it went on. */
  clock: TwoClock | null;
  window: Window | null;
  state: ThreadState;
  /** How long strings last this player there, learned from the changes on record. */
  factor: LifeFactor;
}

export interface StringsThread extends ThreadBase {
  part: 'strings';
  on: StringWear[];
  /** Positions whose fitting decides the thread: the most worn. */
  oldest: number[];
  basis: LifeBasis;
  clock: TwoClock | null;
  /** What was learned of those that decide. */
  factor: LifeFactor;
  /** What the changes on record tell of the player, at the place that tells most. */
  lives: readonly LifeSeen[];
  /** What was learned on other instruments; null where nothing was. */
  elsewhere: Pick<Elsewhere, 'worn' | 'instruments'> | null;
  /** What was found on them and is not seen to. */
  found: Finding[];
  hands: Hands;
  wiping: WipingHabit | null;
}

/** The rule for a string, as this player's hands and cloth stretch it. */
function livedRule(facts: InstrumentFacts, spec: StringSpec | null, stretch: number): Life & { basis: LifeBasis } {
  const rule = stringLife(facts.family, facts.kind, spec);
  return { ...rule, hours: rule.hours * stretch, days: rule.days * stretch };
}

/** Strings that were hardly worn tell nothing of how long they last; share of a life. From memory. */
const LEAST_WORN = 0.02;

/** Strings that came off within a day came off together, however that was put on record. From memory. */
const TOGETHER_MS = DAY_MS;
/** Of those that came off together, a string with less than so much of the most worn one's wear was not spent with it. From memory. */
const SPENT_WITH = 0.75;

/** A string that is off again, with what it had worn; `with`: what the most worn of those that came off together had. */
interface WornOff extends PastString {
  worn: Worn;
  total: number;
  with: number;
}

/** Whether two strings last as long by the rule: it goes by nothing else than core and coat. */
const sameKind = (a: StringSpec | null, b: StringSpec | null): boolean =>
  a === b || (a !== null && b !== null && a.core === b.core && a.coated === b.coated);

/** Strings that are off again, each with its wear; those that came off together compared. */
function wornOff({ facts, log, pace, air }: PartContext, stretch: number): WornOff[] {
  // Strings of a kind that went on and came off together wore alike.
  const known = new Map<number, { past: PastString; worn: Worn }[]>();
  const wornBy = (past: PastString): Worn => {
    const { spec, from, to } = past;
    const since = known.get(from) ?? [];
    if (since.length === 0) known.set(from, since);
    const alike = since.find((one) => one.past.to === to && sameKind(one.past.spec, spec));
    if (alike) return alike.worn;
    const { basis: _basis, ...rule } = livedRule(facts, spec, stretch);
    const worn = wornAt(airedLife(rule, tollOn('strings', air, from, to)), log.playing, pace.before, from, to);
    since.push({ past, worn });
    return worn;
  };
  const all = pastStrings(log, facts.stringCount).map((past): WornOff => {
    const worn = wornBy(past);
    const total = worn.told + worn.reckoned;
    return { ...past, worn, total, with: total };
  });
  // In order of time, so that what came off together stands together however long the log is.
  const most = new Map<string | number, number>();
  let began = -Infinity;
  const groups = new Map<PastString, string | number>();
  for (const each of [...all].sort((a, b) => a.to - b.to)) {
    const change = each.successor.changeId ?? null;
    if (change === null && each.to - began > TOGETHER_MS) began = each.to;
    const group = change ?? began;
    groups.set(each, group);
    most.set(group, Math.max(most.get(group) ?? 0, each.total));
  }
  for (const each of all) each.with = most.get(groups.get(each)!)!;
  return all;
}

/**
 * What the changes on record tell of how long strings last this player at one place: one sight for each string that was there.
 * Spent is what came off because worn and was as worn as what came off with it; a younger string, and one that came off for
 * another reason, would have lasted at least so long.
 */
function livesSeen(past: readonly WornOff[], { before }: Pace): LifeSeen[] {
  return past.flatMap(({ worn, total, with: most, successor: { reason } }): LifeSeen[] => {
    if (reason === 'on-record' || total <= LEAST_WORN) return [];
    const spent = (reason === 'worn' || reason === 'frayed') && total >= SPENT_WITH * most;
    const logSd = (before.logSd * worn.reckoned) / total;
    return [{ logWear: Math.log(total), kind: spent ? 'worn' : 'atLeast', logSd }];
  });
}

/** What was seen at each place of the instrument, lowest string first. */
function seenByPlace(context: PartContext, stretch: number): LifeSeen[][] {
  const past = wornOff(context, stretch);
  return Array.from({ length: context.facts.stringCount }, (_each, position) =>
    livesSeen(
      past.filter((each) => each.position === position),
      context.pace,
    ),
  );
}

/** How long strings last this player, by place on the instrument; places with the same past share theirs. */
function factorsOf(byPlace: readonly LifeSeen[][], { elsewhere }: PartContext): LifeFactor[] {
  const known = new Map<string, LifeFactor>();
  return byPlace.map((seen) => {
    const key = seen.map(({ logWear, kind, logSd }) => `${logWear} ${kind} ${logSd}`).join();
    const factor = known.get(key) ?? lifeFactor(seen, elsewhere?.prior);
    known.set(key, factor);
    return factor;
  });
}

/** Of what was seen at each place, that of the one place that tells most: sets that went together are one sight. */
function mostTelling(byPlace: readonly LifeSeen[][]): LifeSeen[] {
  const worn = (seen: readonly LifeSeen[]) => seen.filter(({ kind }) => kind === 'worn').length;
  return byPlace.reduce<LifeSeen[]>(
    (best, seen) => (worn(seen) > worn(best) || (worn(seen) === worn(best) && seen.length > best.length) ? seen : best),
    [],
  );
}

/** What a look tells of how long a string that is on lasts: that by so much wear it had such a share of its life behind it. */
function sightOf({ facts, log, pace, air }: PartContext, stretch: number) {
  return ({ fitting, spec, position }: StringOn): LifeSeen[] => {
    const seen = fitting && stringShareSeen(log, position, fitting.at);
    if (!fitting || !seen) return [];
    const { basis: _basis, ...rule } = livedRule(facts, spec, stretch);
    const life = airedLife(rule, tollOn('strings', air, fitting.at, seen.at));
    const { told, reckoned } = wornAt(life, log.playing, pace.before, fitting.at, seen.at);
    const total = told + reckoned;
    if (total <= LEAST_WORN) return [];
    const logSd = Math.hypot(seen.logSd, (pace.before.logSd * reckoned) / total);
    return [{ logWear: Math.log(total / seen.share), kind: 'worn', logSd }];
  };
}

type Judged = Pick<StringWear, 'basis' | 'clock' | 'window' | 'state' | 'factor'>;

/** Judges each string now on; strings of one fitting, make-up and past share their figures. */
function judgedStrings(context: PartContext, byPlace: readonly LifeSeen[][], stretch: number): StringWear[] {
  const { facts, log, pace, air } = context;
  const strings = stringsOn(log, facts.stringCount);
  const sight = sightOf(context, stretch);
  const factors = factorsOf(
    byPlace.map((seen, at) => [...seen, ...(strings[at] ? sight(strings[at]) : [])]),
    context,
  );
  const judge = ({ fitting, spec }: StringOn, factor: LifeFactor): Judged => {
    const { basis, ...rule } = livedRule(facts, spec, stretch);
    if (!fitting) return { basis, clock: null, window: null, state: 'unknown', factor };
    const toll = tollOn('strings', air, fitting.at, log.nowMs);
    const aired: Life = { ...airedLife(rule, toll), factor };
    const life = provenLife(aired, log.stringLooks, log, pace, fitting.at);
    const window = spentWindow(life, log, pace, fitting.at);
    const clock = twoClock({ life, toll }, log, pace, fitting.at);
    return { basis, clock, window, state: stateIn(window, log.nowMs), factor };
  };
  const judged = new Map<LifeFactor, Map<string, Judged>>();
  return strings.map((string): StringWear => {
    const { spec, fitting, position } = string;
    const factor = factors[position]!;
    const own = judged.get(factor) ?? new Map<string, Judged>();
    judged.set(factor, own);
    const key = `${fitting?.eventId} ${spec ? `${spec.core} ${spec.coated}` : ''}`;
    const known = own.get(key) ?? judge(string, factor);
    own.set(key, known);
    return { ...string, ...known };
  });
}

/** The strings, each by itself, and the thread of the set: that of the string spent first. */
export function stringsThread(context: PartContext): StringsThread {
  const { facts, log, hands } = context;
  const wiping = wipingHabit(log);
  const stretch = hands.factor * (wiping?.factor ?? 1);
  const byPlace = seenByPlace(context, stretch);
  const all = judgedStrings(context, byPlace, stretch);
  const complete = all.every(({ fitting }) => fitting !== null);
  const first = complete
    ? all.reduce((a, b) => (b.window!.middle < a.window!.middle ? b : a))
    : (all.find(({ fitting }) => fitting === null) ?? all[0]!);
  const oldest = all.filter(({ fitting, window }) =>
    complete ? window!.middle === first.window!.middle : fitting === null,
  );
  const on = all.map((string) =>
    string.fitting && string.window
      ? { ...string, ...asFarAsKnown({ state: string.state, window: string.window }, string.fitting.known) }
      : string,
  );
  const known = oldest.every(({ fitting }) => fitting?.known);
  const found = openFindings(log, facts.stringCount).filter(({ look }) => look === 'strings');
  const asks = found.some(({ verdict }) => verdict === 'act');
  const common = {
    part: 'strings' as const,
    on,
    oldest: oldest.map(({ position }) => position),
    basis: first.basis,
    dateMissing: !(complete && known),
    factor: first.factor,
    lives: mostTelling(byPlace),
    elsewhere: context.elsewhere && { worn: context.elsewhere.worn, instruments: context.elsewhere.instruments },
    found,
    hands,
    wiping,
  };
  if (!complete) return { ...common, state: asks ? 'now' : 'unknown', from: null, window: null, clock: null };
  const told = asFarAsKnown({ state: first.state, window: first.window! }, known);
  const near = found.length > 0 && told.state === 'well' ? 'soon' : told.state;
  return { ...common, ...told, state: asks ? 'now' : near, from: first.fitting!.at, clock: first.clock };
}

/** The strings, all together. */
export const stringsPart = {
  has: () => true,
  events: ['strings-fitted', 'strings-looked-over', 'step-done', 'looked-at', 'finding-settled'],
  thread: stringsThread,
  due: {
    title: 'New strings',
    free: false,
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
