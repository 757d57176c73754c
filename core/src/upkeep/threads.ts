import { addMonths } from 'date-fns/addMonths';
import { tz, TZDate } from '@date-fns/tz';
import {
  bowTension,
  HAIR_LIFE,
  HAIR_LOOK_DAYS,
  hairStretch,
  rosinBudget,
  STRETCHED_TURNS,
  tightWear,
  type BowTension,
  type HairStretch,
  type RosinBudget,
} from '../bow';
import { airToll, type AirHour, type AirToll, type AirVerdict } from '../air';
import { residueOf, SETTLING_DAYS, workshopZones, type ZoneResidue } from '../care';
import { FAMILY_FACTS, type InstrumentFacts } from '../instruments';
import { decisive, hoursBetween, type InstrumentLog } from '../log';
import { CHECKUP_MONTHS, type Schools } from '../schools';
import { stringLife, stringsOn, type LifeBasis, type StringOn } from '../strings';
import { DAY_MS } from '../time';
import { budgetReached, chanceSpent, spentWindow, type Window } from './forecast';
import { paceFrom, type Pace } from './pace';
import { wearAt, type Life } from './wear';

export type PartId = 'strings' | 'hair' | 'rosin' | 'residue' | 'checkup' | 'air';

/** well: nothing to do; soon: the window has come near; now: more likely due than not; unknown: a date is missing. */
export type ThreadState = 'well' | 'soon' | 'now' | 'unknown';

interface ThreadBase {
  state: ThreadState;
  /** The left end: when the part was fitted, rosined, wiped, checked; null when not known. */
  from: number | null;
  /** The frayed stretch; null when there is nothing to forecast. */
  window: Window | null;
  /** The date the thread should begin at has not been said; `from`, if any, is then only a bound. */
  dateMissing: boolean;
}

/** Figures every two-clock part shows. */
export interface TwoClock {
  life: Life;
  hoursPlayed: number;
  daysOn: number;
  wear: number;
  /** Part of the wear that comes from neither playing nor age: hair that stood tight. */
  extraWear: number;
  /** Chance that it is spent by now. */
  chance: number;
  /** By how much faster its days counted for the air it was in; null where the air is not known. */
  toll: (AirToll & { factor: number }) | null;
}

export interface StringsThread extends ThreadBase {
  part: 'strings';
  on: StringOn[];
  /** Positions whose fitting decides the thread: the most worn. */
  oldest: number[];
  basis: LifeBasis;
  clock: TwoClock | null;
}

export interface HairThread extends ThreadBase {
  part: 'hair';
  clock: TwoClock | null;
  /** When the yearly look is due, ms; null when neither rehair nor look is on record. */
  lookDueAt: number | null;
  tension: BowTension;
  /** By the turns to the gap, where they were measured. */
  stretch: HairStretch | null;
}

export interface RosinThread extends ThreadBase {
  part: 'rosin';
  minutes: number;
  budget: RosinBudget & { scale: number; rosinings: number };
}

export interface ResidueThread extends ThreadBase {
  part: 'residue';
  zones: ZoneResidue[];
  /** The zone unwiped longest; null when all are clean. */
  worst: ZoneResidue | null;
}

export interface CheckupThread extends ThreadBase {
  part: 'checkup';
  months: number;
  /** Zones whose residue has caked: work for the next visit. */
  caked: ZoneResidue[];
  /** The rule's month was moved to the turn of the heating season. */
  turn: 'start' | 'end' | null;
}

export interface AirThread extends ThreadBase {
  part: 'air';
  verdict: AirVerdict;
}

/** What an instrument's air amounts to, for those parts that suffer from it. */
export interface InstrumentAir {
  verdict: AirVerdict;
  /** The air it was in, rising in time; each sample is believed for `holdMs` at most. */
  samples: readonly AirHour[];
  holdMs: number;
  /** Months (1–12) in which the heating comes on and goes off where it lives; null without heating. */
  heating: { from: number; to: number } | null;
}

/** One part's condition and forecast, with the figures behind it. */
export type Thread = StringsThread | HairThread | RosinThread | ResidueThread | CheckupThread | AirThread;

/** How long before the window opens a part is called "soon", in days. */
const NOTICE_DAYS = 14;
/** A checkup is a visit to arrange: its window reaches a month to either side. From memory. */
const CHECKUP_SLACK_MONTHS = 1;
/** Residue is due the evening it was made: fresh until it settles. */
const WIPE_WITHIN_DAYS = 1;

function stateIn(window: Window, nowMs: number, noticeDays = NOTICE_DAYS): ThreadState {
  if (nowMs >= window.middle) return 'now';
  return nowMs >= window.early - noticeDays * DAY_MS ? 'soon' : 'well';
}

/** A life in the air it is led in: days in damp or dry air count for more. */
function airedLife(
  life: Life,
  part: 'strings' | 'hair',
  air: InstrumentAir | null,
  log: InstrumentLog,
  fittedAt: number,
) {
  const toll = air && airToll(air.samples, fittedAt, log.nowMs);
  const factor = toll ? toll[part] : 1;
  return { life: { ...life, days: life.days / factor }, toll: toll && { ...toll, factor } };
}

function twoClock(
  { life, toll }: Pick<TwoClock, 'life' | 'toll'>,
  log: InstrumentLog,
  pace: Pace,
  fittedAt: number,
  extraWear = 0,
): TwoClock {
  return {
    life,
    toll,
    hoursPlayed: hoursBetween(log.playing, fittedAt, log.nowMs),
    daysOn: Math.max(0, log.nowMs - fittedAt) / DAY_MS,
    wear: wearAt(life, log.playing, fittedAt, log.nowMs) + extraWear,
    extraWear,
    chance: chanceSpent(life, log, pace, fittedAt, log.nowMs, extraWear),
  };
}

function stringsThread(
  facts: InstrumentFacts,
  log: InstrumentLog,
  pace: Pace,
  air: InstrumentAir | null,
): StringsThread {
  const { basis, ...rule } = stringLife(facts.family, facts.kind);
  const on = stringsOn(log, facts.stringCount);
  const fitted = on.flatMap(({ fitting }) => (fitting ? [fitting.at] : []));
  const from = fitted.length === on.length ? Math.min(...fitted) : null;
  const oldest = on.filter(({ fitting }) => (fitting?.at ?? null) === from);
  const known = from !== null && oldest.every(({ fitting }) => fitting?.known);
  const common = {
    part: 'strings' as const,
    on,
    oldest: oldest.map(({ position }) => position),
    basis,
    dateMissing: !known,
  };
  if (from === null) return { ...common, state: 'unknown', from, window: null, clock: null };
  const aired = airedLife(rule, 'strings', air, log, from);
  const window = spentWindow(aired.life, log, pace, from);
  const clock = twoClock(aired, log, pace, from);
  const state = stateIn(window, log.nowMs);
  return { ...common, state: !known && state === 'well' ? 'unknown' : state, from, window, clock };
}

function hairThread(log: InstrumentLog, pace: Pace, air: InstrumentAir | null): HairThread {
  const rehair = decisive(log.rehairs);
  const tension = bowTension(log, rehair?.at);
  const looks = [rehair?.known ? rehair.at : null, log.hairLooks.at(-1)?.at ?? null].filter((at) => at !== null);
  const lookDueAt = looks.length > 0 ? Math.max(...looks) + HAIR_LOOK_DAYS * DAY_MS : null;
  const stretch = hairStretch(log);
  const stretched = stretch !== null && stretch.turns - stretch.before >= STRETCHED_TURNS;
  const common = { part: 'hair' as const, lookDueAt, tension, stretch, dateMissing: !rehair?.known };
  if (!rehair) return { ...common, state: 'unknown', from: null, window: null, clock: null };
  const tightness = tightWear(tension.idleHours);
  const aired = airedLife(HAIR_LIFE, 'hair', air, log, rehair.at);
  const window = spentWindow(aired.life, log, pace, rehair.at, tightness);
  let state = stateIn(window, log.nowMs);
  if (state === 'well' && !rehair.known) state = 'unknown';
  const look = stretched || (lookDueAt !== null && log.nowMs >= lookDueAt);
  if (state !== 'now' && look) state = 'soon';
  return { ...common, state, from: rehair.at, window, clock: twoClock(aired, log, pace, rehair.at, tightness) };
}

function rosinThread(log: InstrumentLog, pace: Pace): RosinThread {
  const budget = rosinBudget(log);
  const from = log.rosinings.at(-1)?.at ?? null;
  const minutes = hoursBetween(log.playing, from ?? -Infinity, log.nowMs) * 60;
  const reached = (limit: number) => budgetReached((limit - minutes) / 60, log, pace);
  const window = {
    early: reached(budget.dueFrom),
    middle: reached(budget.budget),
    late: reached(budget.overduePast),
  };
  const state =
    minutes >= budget.budget ? 'now' : minutes >= budget.dueFrom ? 'soon' : from === null ? 'unknown' : 'well';
  return { part: 'rosin', state, from, window, dateMissing: false, minutes, budget };
}

function residueThread(facts: InstrumentFacts, log: InstrumentLog): ResidueThread {
  const zones = residueOf(facts, log);
  const dirty = zones.filter((zone) => zone.since !== null);
  const worst = dirty.reduce<ZoneResidue | null>((a, b) => (a && a.since! <= b.since! ? a : b), null);
  if (!worst) {
    const wipes = zones.flatMap(({ wipedAt }) => wipedAt ?? []);
    return {
      part: 'residue',
      state: 'well',
      from: wipes.length > 0 ? Math.max(...wipes) : null,
      window: null,
      dateMissing: false,
      zones,
      worst,
    };
  }
  const since = worst.since!;
  const window = {
    early: since,
    middle: since + WIPE_WITHIN_DAYS * DAY_MS,
    late: since + SETTLING_DAYS * DAY_MS,
  };
  const playing = log.running !== null && since >= log.running.beganAt;
  const state = playing ? 'well' : log.nowMs >= window.middle ? 'now' : 'soon';
  return { part: 'residue', state, from: worst.wipedAt ?? since, window, dateMissing: false, zones, worst };
}

/** The turn of the heating season within a window, ms: when the heating comes on, or has just gone off; null when neither falls into it. */
function heatingTurn({ early, late }: Window, heating: InstrumentAir['heating'], timeZone: string) {
  if (!heating) return null;
  const first = (month: number, year: number) => new TZDate(year, month - 1, 1, timeZone).getTime();
  const years = [early, late].map((at) => new TZDate(at, timeZone).getFullYear());
  const turns = [...new Set(years)].flatMap((year) => [
    { turn: 'start' as const, at: first(heating.from, year) },
    { turn: 'end' as const, at: first(heating.to + 1, year) },
  ]);
  return turns.find(({ at }) => at >= early && at <= late) ?? null;
}

function checkupThread(
  facts: InstrumentFacts,
  log: InstrumentLog,
  schools: Schools,
  air: InstrumentAir | null,
): CheckupThread {
  const months = CHECKUP_MONTHS[schools.checkup];
  const last = decisive(log.checkups);
  const caked = workshopZones(facts, schools, residueOf(facts, log));
  const common = { part: 'checkup' as const, months, caked };
  if (!last) {
    return {
      ...common,
      state: caked.length > 0 ? 'soon' : 'unknown',
      from: null,
      window: null,
      dateMissing: true,
      turn: null,
    };
  }
  const after = (count: number) => addMonths(last.at, count, { in: tz(log.timeZone) }).getTime();
  const rule = {
    early: after(months - CHECKUP_SLACK_MONTHS),
    middle: after(months),
    late: after(months + CHECKUP_SLACK_MONTHS),
  };
  const turn = heatingTurn(rule, air?.heating ?? null, log.timeZone);
  const window = { ...rule, middle: turn?.at ?? rule.middle };
  let state = stateIn(window, log.nowMs, 0);
  if (state === 'well' && !last.known) state = 'unknown';
  if (state !== 'now' && caked.length > 0) state = 'soon';
  return { ...common, state, from: last.at, window, dateMissing: !last.known, turn: turn?.turn ?? null };
}

const AIR_STATES = { fine: 'well', watch: 'soon', act: 'now', unknown: 'unknown' } as const;
/** How far the instant at which the wood reaches a limit is uncertain, as shares of the time until then. From memory. */
const LIMIT_SPREAD = { early: 0.7, late: 1.5 } as const;

/** The wood's way to the edge of its band; null where the instrument has no place whose air is read. */
function airThread(log: InstrumentLog, { verdict, samples }: InstrumentAir): AirThread | null {
  if (verdict.why === 'no-place' || verdict.why === 'no-readings') return null;
  const goal = verdict.limitAt;
  const at = (share: number) => log.nowMs + share * (goal! - log.nowMs);
  return {
    part: 'air',
    state: AIR_STATES[verdict.state],
    from: Math.max(samples[0]?.at ?? log.nowMs, log.moves.at(-1)?.at ?? 0),
    window: goal === null ? null : { early: at(LIMIT_SPREAD.early), middle: goal, late: at(LIMIT_SPREAD.late) },
    dateMissing: false,
    verdict,
  };
}

/** Everything computed about one instrument at one moment. */
export interface Condition {
  threads: Thread[];
  pace: Pace;
  tension: BowTension | null;
  air: InstrumentAir | null;
}

/**
 * An instrument's condition and forecast: one thread a part.
 * @param log what `foldLog` gives; its `nowMs` is the moment judged
 * @param observedFrom when the household began to record this instrument, ms
 * @param air the air it was in; null where nobody knows it
 * @returns threads in the order strings, hair, rosin, residue, checkup, air; those it has
 */
export function conditionOf(
  facts: InstrumentFacts,
  log: InstrumentLog,
  schools: Schools,
  observedFrom: number,
  air: InstrumentAir | null = null,
): Condition {
  const pace = paceFrom(log, observedFrom);
  const threads: Thread[] = [stringsThread(facts, log, pace, air)];
  let tension: BowTension | null = null;
  if (FAMILY_FACTS[facts.family].bowed) {
    const hair = hairThread(log, pace, air);
    tension = hair.tension;
    threads.push(hair, rosinThread(log, pace));
  }
  threads.push(residueThread(facts, log), checkupThread(facts, log, schools, air));
  const around = air && airThread(log, air);
  if (around) threads.push(around);
  return { threads, pace, tension, air };
}

const URGENCY: Readonly<Record<ThreadState, number>> = { now: 0, soon: 1, unknown: 2, well: 3 };

/** Threads with what is due first; of equal state, the one whose window opens first. */
export function byUrgency(threads: readonly Thread[]): Thread[] {
  return [...threads].sort(
    (a, b) => URGENCY[a.state] - URGENCY[b.state] || (a.window?.middle ?? Infinity) - (b.window?.middle ?? Infinity),
  );
}
