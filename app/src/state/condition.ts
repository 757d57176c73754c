import {
  conditionOf,
  foldLog,
  schoolsFor,
  type Condition,
  type InstrumentAir,
  type InstrumentLog,
  type LogEvent,
  type Schools,
  type Side,
  type Situation,
} from '@tembrin/core';
import {
  instrumentAir,
  placesAir,
  type Air,
  type Household,
  type Instrument,
  type PlaceAir,
  type UnsentReading,
} from '@tembrin/contract';
import { useMemo } from 'react';
import { useAir } from './air';
import { useHousehold } from './household';
import { useLog } from './log';
import { useNow } from './now';

export interface Judged {
  log: InstrumentLog;
  condition: Condition;
  schools: Schools;
  /** What the rounds are composed from. */
  situation: Situation;
}

const NONE: readonly LogEvent[] = [];
const MINUTE_MS = 60_000;
/** Wood is slower than a clock: its verdict is worked out anew every ten minutes, and when something new is known. */
const AIR_SLOT_MS = 10 * MINUTE_MS;

/** A judgement with what it rests on. */
interface Remembered {
  /** Instrument, household and their versions. */
  settings: string;
  nowMs: number;
  /** The working out of the places it saw, and whether anything of the air was known. */
  places: number;
  airKnown: boolean;
  judged: Judged;
}

/** One instrument's log folded and judged: a pure function of log, settings and time, remembered while none of them changes. */
const judgements = new WeakMap<readonly LogEvent[], Remembered>();
/** A plan for months does not wait for the minute: there a judgement of the last hour will do, while the log is the same. */
const PATIENCE_MS = 60 * MINUTE_MS;

interface AirKnown {
  air: Air | null;
  unsent: readonly UnsentReading[];
}

/** Places with their air, worked out once for all instruments that ask at the same moment. */
let lastPlaces: { known: AirKnown; timeZone: string; nowMs: number; places: ReadonlyMap<string, PlaceAir> } | null =
  null;

export function placesAt({ air, unsent }: AirKnown, timeZone: string, nowMs: number): ReadonlyMap<string, PlaceAir> {
  const last = lastPlaces;
  const slot = Math.floor(nowMs / AIR_SLOT_MS);
  if (
    last?.known.air === air &&
    last.known.unsent === unsent &&
    last.timeZone === timeZone &&
    Math.floor(last.nowMs / AIR_SLOT_MS) === slot
  )
    return last.places;
  const places = air ? placesAir(air, unsent, timeZone, nowMs) : new Map<string, PlaceAir>();
  lastPlaces = { known: { air, unsent }, timeZone, nowMs, places };
  return places;
}

function judge(
  instrument: Instrument,
  household: Household,
  events: readonly LogEvent[],
  known: AirKnown,
  nowMs: number,
  patienceMs = 0,
): Judged {
  const { timeZone, schools, version } = household;
  const settings = `${instrument.id} ${instrument.version} ${household.id} ${version}`;
  const airKnown = known.air !== null;
  const before = judgements.get(events);
  const same = before?.settings === settings && before.airKnown === airKnown;
  if (same && patienceMs > 0 && Math.abs(nowMs - before.nowMs) <= patienceMs) return before.judged;
  const places = placesAt(known, timeZone, nowMs);
  const stamp = stampOf(places);
  if (same && before.nowMs === nowMs && before.places === stamp) return before.judged;
  const log = foldLog(events, nowMs, timeZone);
  const sides = schoolsFor(instrument.family, schools, instrument.schools);
  const air = airVerdictOf(instrument, sides.air, log, places);
  const condition = conditionOf(instrument, log, sides, Date.parse(instrument.addedAt), air);
  const judged = { log, condition, schools: sides, situation: { facts: instrument, schools: sides, log, condition } };
  judgements.set(events, { settings, nowMs, places: stamp, airKnown, judged });
  return judged;
}

/** Verdicts by what they rest on: the places as they were worked out, the instrument, its school and its moves. */
const verdicts = new WeakMap<object, Map<string, InstrumentAir>>();

function airVerdictOf(
  instrument: Instrument,
  school: Side,
  log: InstrumentLog,
  places: ReadonlyMap<string, PlaceAir>,
): InstrumentAir {
  let known = verdicts.get(places);
  if (!known) verdicts.set(places, (known = new Map()));
  const key = [instrument.id, instrument.version, school, ...log.moves.map(({ eventId }) => eventId)].join(' ');
  let air = known.get(key);
  if (!air) known.set(key, (air = instrumentAir(instrument, school, log, places)));
  return air;
}

let stamps = 0;
const stamped = new WeakMap<object, number>();

/** A number for each working out of the places, so that a judgement knows which one it rests on. */
function stampOf(places: ReadonlyMap<string, PlaceAir>): number {
  const known = stamped.get(places);
  if (known !== undefined) return known;
  stamped.set(places, ++stamps);
  return stamps;
}

/** The newest instant in a log, so that what was just recorded is never in the judged moment's future. */
function momentFor(events: readonly LogEvent[], minute: number): number {
  const last = events.at(-1);
  return Math.max(minute * MINUTE_MS, last ? Math.min(Date.parse(last.recordedAt), Date.now()) : 0);
}

/** An instrument's log and condition, judged anew each minute and at each new event. */
export function useJudged(instrument: Instrument): Judged {
  const household = useHousehold((state) => state.household)!;
  const events = useLog((state) => state.events[instrument.id]) ?? NONE;
  const air = useAir((state) => state.air);
  const unsent = useAir((state) => state.unsent);
  const minute = Math.floor(useNow(MINUTE_MS / 4) / MINUTE_MS);
  return useMemo(
    () => judge(instrument, household, events, { air, unsent }, momentFor(events, minute)),
    [instrument, household, events, air, unsent, minute],
  );
}

/** Every instrument of the household, judged. @param patient a judgement of the last hour will do */
export function useAllJudged(patient = false): readonly { instrument: Instrument; judged: Judged }[] {
  const household = useHousehold((state) => state.household)!;
  const events = useLog((state) => state.events);
  const air = useAir((state) => state.air);
  const unsent = useAir((state) => state.unsent);
  const minute = Math.floor(useNow(MINUTE_MS / 4) / MINUTE_MS);
  return useMemo(
    () =>
      household.instruments.map((instrument) => {
        const own = events[instrument.id] ?? NONE;
        const patience = patient ? PATIENCE_MS : 0;
        const judged = judge(instrument, household, own, { air, unsent }, momentFor(own, minute), patience);
        return { instrument, judged };
      }),
    [household, events, air, unsent, minute, patient],
  );
}

/** Longest one instrument's turn may keep the page from something else, ms, before it waits again. */
const IDLE_MS = 2000;

/** Judges the whole household while nothing else is to be done, so that the year opens at once. Stops when told. */
export function judgeAhead(): () => void {
  let stopped = false;
  const later = (work: () => void) =>
    typeof requestIdleCallback === 'function' ? requestIdleCallback(work, { timeout: IDLE_MS }) : setTimeout(work, 50);
  const next = (at: number) => {
    const { household } = useHousehold.getState();
    const instrument = household?.instruments[at];
    if (stopped || !household || !instrument) return;
    const own = useLog.getState().events[instrument.id] ?? NONE;
    const { air, unsent } = useAir.getState();
    judge(instrument, household, own, { air, unsent }, momentFor(own, Math.floor(Date.now() / MINUTE_MS)), PATIENCE_MS);
    later(() => next(at + 1));
  };
  const begin = () => useLog.getState().complete === 'all' && later(() => next(0));
  begin();
  const stops = [
    useLog.subscribe((state, before) => state.complete !== before.complete && begin()),
    useAir.subscribe((state, before) => (state.air === null) !== (before.air === null) && begin()),
  ];
  return () => {
    stopped = true;
    stops.forEach((stop) => stop());
  };
}

/** Every place with its air, as of this minute. */
export function usePlaces(): ReadonlyMap<string, PlaceAir> {
  const { timeZone } = useHousehold((state) => state.household)!;
  const air = useAir((state) => state.air);
  const unsent = useAir((state) => state.unsent);
  const minute = Math.floor(useNow(MINUTE_MS / 4) / MINUTE_MS);
  return useMemo(() => placesAt({ air, unsent }, timeZone, minute * MINUTE_MS), [air, unsent, timeZone, minute]);
}

/** Whether an instrument's log is all here. */
export function useComplete(instrumentId: string): boolean {
  return useLog(({ complete }) => complete === 'all' || complete.has(instrumentId));
}
