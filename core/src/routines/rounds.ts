import { CAR_GAIN_C, GLUE_SOFTENS_C, pegTrouble, type AirVerdict } from '../air';
import { hairStretch, rosinVerdict, STRETCHED_TURNS, type RosinVerdict } from '../bow';
import { residueOf, rungFor, type Rung, type ZoneResidue } from '../care';
import { FAMILY_FACTS, type InstrumentFacts } from '../instruments';
import { stepsWithRoom } from '../learning';
import {
  lastDone,
  lastMeasure,
  type InstrumentLog,
  type Measure,
  type Session,
  type StepId,
  type StepRecord,
} from '../log';
import type { Schools } from '../schools';
import { stringsOn } from '../strings';
import { DAY_MS, HOUR_MS } from '../time';
import type { Condition } from '../upkeep';
import { CLOSING_STEPS } from './closing';
import { OPENING_STEPS, type OpeningStepId } from './opening-steps';
import { PACKING_STEPS, type PackingStepId } from './packing-steps';
import { stepsFor, type StepData } from './step';

/** Everything a round is composed from: the instrument, the schools followed, and what its log amounts to at one moment. */
export interface Situation {
  facts: InstrumentFacts;
  schools: Schools;
  log: InstrumentLog;
  condition: Pick<Condition, 'threads' | 'tension' | 'air'>;
}

/** Why a step is there today, or stands out. */
export type Because =
  | { code: 'interval'; days: number | null; everyDays: number }
  | { code: 'strings-due' }
  | { code: 'residue'; residue: ZoneResidue; rung: Rung }
  | { code: 'rosin'; verdict: RosinVerdict }
  | { code: 'new-strings'; days: number }
  | { code: 'long-rest'; days: number }
  | { code: 'left-tight'; hours: number }
  | { code: 'more-turns'; turns: number; before: number }
  | { code: 'not-measured' }
  | { code: 'measure-again'; days: number }
  | { code: 'learning'; sessions: number }
  | { code: 'pegs'; kind: 'slip' | 'stick'; change: number }
  | { code: 'air'; verdict: AirVerdict }
  | { code: 'car'; carC: number; outdoorsC: number };

export interface RoundStep<Id extends string = string> {
  step: Id;
  data: StepData<Id>;
  /** null on an ordinary day. */
  because: Because | null;
  /** Who does it. */
  who: 'player' | 'adult';
  /** It keeps being missed: it gets more room. */
  room: boolean;
  /** This player's own measure for it, when one is on record. */
  measure: Measure | null;
}

function roundStep<Id extends string>(
  data: StepData<Id>,
  { facts, log }: Situation,
  because: Because | null,
  room = false,
): RoundStep<Id> {
  return {
    step: data.id,
    data,
    because,
    who: data.adult && facts.setUp.player === 'child' ? 'adult' : 'player',
    room,
    measure: data.figure ? lastMeasure(log, data.figure) : null,
  };
}

const isDay = (fromMs: number, toMs: number) => Math.floor((toMs - fromMs) / DAY_MS);

/** Whether an extra of the closing round is due at a moment, and why; null when it is not. */
function extraDue(step: StepData<StepId>, { log, condition }: Situation, atMs: number): Because | null {
  const { due } = step;
  if (!due) return null;
  const last = lastDone(log, step.id, atMs);
  const from = last ?? log.sessions[0]?.beganAt ?? atMs;
  if (due.withStrings) {
    const strings = condition.threads.find((thread) => thread.part === 'strings');
    return strings?.state === 'now' && (last === null || atMs - last >= due.everyDays * DAY_MS)
      ? { code: 'strings-due' }
      : null;
  }
  return atMs - from >= due.everyDays * DAY_MS
    ? { code: 'interval', days: last === null ? null : isDay(last, atMs), everyDays: due.everyDays }
    : null;
}

/**
 * The closing round for this player this evening: the steps of every day and the extras that are due, in order.
 * @param atMs the moment the round began: what is done in it changes nothing of it
 */
export function closingRound(situation: Situation, atMs = situation.log.nowMs): RoundStep<StepId>[] {
  const { facts, schools, log } = situation;
  const residue = new Map(residueOf(facts, log, atMs).map((zone) => [zone.step as StepId, zone]));
  const room = stepsWithRoom(log);
  return stepsFor(CLOSING_STEPS, facts, schools).flatMap((data) => {
    const because = data.due ? extraDue(data, situation, atMs) : chase(situation, residue.get(data.id));
    return data.due && !because ? [] : [roundStep(data, situation, because, room.has(data.id))];
  });
}

/** Residue that has begun to harden is chased with the rung that still works. */
function chase({ facts, schools }: Situation, residue: ZoneResidue | undefined): Because | null {
  if (!residue || (residue.state !== 'settling' && residue.state !== 'caked')) return null;
  const rung = rungFor(facts, schools, residue);
  return rung && { code: 'residue', residue, rung };
}

/** Steps this instrument's closing round always has. */
export function everydaySteps(facts: InstrumentFacts, schools: Schools): StepId[] {
  return stepsFor(CLOSING_STEPS, facts, schools).flatMap(({ id, due }) => (due ? [] : [id]));
}

/** Sessions after which the opening round no longer spells everything out. */
const LEARNT_SESSIONS = 5;
/** Bowed and guitar strings drift for some days, harp strings for two weeks [handbook 4]. */
const DRIFT_DAYS = { bowed: 5, guitar: 3, harp: 14 } as const;
/** A rest after which tuning and bridge are looked at with care. From memory. */
const LONG_REST_DAYS = 10;
/** A child's measures are taken again after so long. From memory: a growth spurt. */
const CHILD_MEASURE_DAYS = 120;
/** Stretched hair is spoken of while the measure is fresh; after that it is the hair thread’s business. */
const STRETCH_NEWS_DAYS = 14;
/** Sessions after which a measure that nobody took is no longer asked for every time. */
const ASKED_SESSIONS = 10;

/** Why a step of the opening round stands out today; null when it is as usual. */
function openingBecause(step: StepData<OpeningStepId>, { facts, log, condition }: Situation): Because | null {
  const played = log.sessions.length;
  const last = log.sessions.at(-1);
  const rested = last?.endedAt ? isDay(last.endedAt, log.nowMs) : 0;
  switch (step.id) {
    case 'rosin': {
      const verdict = rosinVerdict(log);
      if (verdict.kind !== 'enough') return { code: 'rosin', verdict };
      break;
    }
    case 'tighten': {
      const tightSince = condition.tension?.tightSince ?? null;
      const hours = tightSince === null ? 0 : (log.nowMs - tightSince) / HOUR_MS;
      if (hours >= 1) return { code: 'left-tight', hours };
      const stretch = hairStretch(log);
      const news = stretch !== null && isDay(stretch.at, log.nowMs) < STRETCH_NEWS_DAYS;
      if (news && stretch.turns - stretch.before >= STRETCHED_TURNS)
        return { code: 'more-turns', turns: stretch.turns, before: stretch.before };
      break;
    }
    case 'endpin-out':
    case 'rest-on': {
      if (!step.figure) break;
      const measure = lastMeasure(log, step.figure);
      if (!measure) {
        if (played < ASKED_SESSIONS) return { code: 'not-measured' };
        break;
      }
      const days = isDay(measure.at, log.nowMs);
      if (facts.setUp.player === 'child' && days >= CHILD_MEASURE_DAYS) return { code: 'measure-again', days };
      break;
    }
    case 'tune':
    case 'glance': {
      const kind = FAMILY_FACTS[facts.family].bowed ? 'bowed' : facts.family === 'harp' ? 'harp' : 'guitar';
      const newest = Math.max(
        ...stringsOn(log, facts.stringCount).map(({ fitting }) => (fitting?.known ? fitting.at : -Infinity)),
      );
      const days = isDay(newest, log.nowMs);
      if (days <= DRIFT_DAYS[kind]) return { code: 'new-strings', days };
      if (rested >= LONG_REST_DAYS) return { code: 'long-rest', days: rested };
      const { air } = condition;
      if (!air) break;
      const pegs = pegTrouble(air.samples, air.holdMs, log.nowMs);
      if (step.id === 'tune' && pegs && FAMILY_FACTS[facts.family].bowed) return { code: 'pegs', ...pegs };
      const warned = step.id === 'glance' || kind === 'harp' || !facts.setUp.floatingBridge;
      if (warned && air.verdict.state === 'act') return { code: 'air', verdict: air.verdict };
      break;
    }
    default:
      break;
  }
  return played < LEARNT_SESSIONS ? { code: 'learning', sessions: played } : null;
}

/** The opening round for this player today: every step in order; those with a reason stand out, the others are as usual. */
export function openingRound(situation: Situation): RoundStep<OpeningStepId>[] {
  const { facts, schools } = situation;
  return stepsFor(OPENING_STEPS, facts, schools).map((data) =>
    roundStep(data, situation, openingBecause(data, situation)),
  );
}

/** Cold from which a closed case has to warm through before it is opened, °C. From memory. */
const COLD_WAY_C = 8;

/**
 * What to look at before this instrument leaves home.
 * @param outdoorsC warmest of the coming hours, °C; null where no weather is known
 */
export function packingRound(situation: Situation, outdoorsC: number | null = null): RoundStep<PackingStepId>[] {
  const { facts, schools } = situation;
  const carC = outdoorsC === null ? null : outdoorsC + CAR_GAIN_C;
  const warns = outdoorsC !== null && carC !== null && (carC >= GLUE_SOFTENS_C - 10 || outdoorsC <= COLD_WAY_C);
  return stepsFor(PACKING_STEPS, facts, schools).map((data) =>
    roundStep(data, situation, data.id === 'pack-car' && warns ? { code: 'car', carC, outdoorsC } : null),
  );
}

/**
 * What was recorded of each step of a session's closing round; the latest record of a step holds.
 * Where two devices recorded the same session, a step done on either is done.
 */
export function roundRecords(
  log: Pick<InstrumentLog, 'steps'>,
  { parts }: Pick<Session, 'parts'>,
): Map<StepId, StepRecord> {
  const records = new Map<StepId, StepRecord>();
  for (const record of log.steps) {
    if (record.sessionId === null || !parts.includes(record.sessionId)) continue;
    const known = records.get(record.step);
    if (!known || known.sessionId === record.sessionId || !known.done) records.set(record.step, record);
  }
  return records;
}

/** A closing round under way. */
export interface OpenRound {
  session: Session;
  steps: RoundStep<StepId>[];
  records: Map<StepId, StepRecord>;
  /** The first step nothing is recorded of. */
  next: RoundStep<StepId>;
  /** How many steps come before it. */
  behind: number;
}

/** How long after a session its closing round may still be taken up; later, what was not recorded was not done. */
const ROUND_OPEN_H = 12;

/**
 * The closing round that is still to be finished: that of the last timed session, while steps are unrecorded.
 * @returns null when the clock runs, every step is recorded, or it is too long ago
 */
export function openRound(situation: Situation): OpenRound | null {
  const { log } = situation;
  const session = log.sessions.at(-1);
  if (!session || session.entered || session.endedAt === null) return null;
  if (log.nowMs - session.endedAt > ROUND_OPEN_H * HOUR_MS) return null;
  const steps = closingRound(situation, session.endedAt);
  const records = roundRecords(log, session);
  const behind = steps.findIndex(({ step }) => !records.has(step));
  return behind < 0 ? null : { session, steps, records, next: steps[behind]!, behind };
}
