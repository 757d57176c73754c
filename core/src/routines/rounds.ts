import { bowLogOf, type Assessment } from '../assess';
import type { AirVerdict } from '../air';
import { hairStretch, rosinVerdict, STRETCHED_TURNS, type RosinVerdict } from '../bow';
import { residueOf, rungFor, type Rung, type ZoneResidue } from '../care';
import { recordOf, type InstrumentFacts } from '../instruments';
import { oftenMissed } from '../learning';
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
import { threadOf } from '../parts';
import { stringsOn } from '../strings';
import { DAY_MS, daysBetween, HOUR_MS } from '../time';
import { CLOSING_STEPS } from './closing';
import { OPENING_STEPS, type OpeningStepId } from './opening-steps';
import { stepsFor, type StepData } from './step';

/** What a round is composed from: an instrument as it was judged at one moment. */
export type Situation = Pick<Assessment, 'facts' | 'schools' | 'log' | 'threads' | 'bows' | 'tension' | 'air'>;

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
  /** It keeps being missed: it gets more room on the screen. */
  emphasised: boolean;
  /** This player's own measure for it, when one is on record. */
  measure: Measure | null;
}

/** A step as it is shown: who does it, why it stands out, what was measured for it. */
export function roundStep<Id extends string>(
  data: StepData<Id>,
  situation: Situation,
  because: Because | null,
  emphasised = false,
): RoundStep<Id> {
  const { facts } = situation;
  return {
    step: data.id,
    data,
    because,
    who: data.adult && facts.setUp.player === 'child' ? 'adult' : 'player',
    emphasised,
    measure: data.figure ? lastMeasure(bowLogOf(situation), data.figure) : null,
  };
}

/** Whether an extra of the closing round is due at a moment, and why; null when it is not. */
function extraDue(step: StepData<StepId>, { log, threads }: Situation, atMs: number): Because | null {
  const { due } = step;
  if (!due) return null;
  const last = lastDone(log, step.id, atMs);
  const from = last ?? log.sessions[0]?.beganAt ?? atMs;
  if (due.withStrings) {
    const strings = threadOf(threads, 'strings');
    return strings?.state === 'now' && (last === null || atMs - last >= due.everyDays * DAY_MS)
      ? { code: 'strings-due' }
      : null;
  }
  return atMs - from >= due.everyDays * DAY_MS
    ? { code: 'interval', days: last === null ? null : daysBetween(last, atMs), everyDays: due.everyDays }
    : null;
}

/**
 * The closing round for this player this evening: the steps of every day and the extras that are due, in order.
 * @param atMs the moment the round began: what is done in it changes nothing of it
 */
export function closingRound(situation: Situation, atMs = situation.log.nowMs): RoundStep<StepId>[] {
  const { facts, schools, log } = situation;
  const residue = new Map(residueOf(facts, log, atMs).map((zone) => [zone.step as StepId, zone]));
  // What keeps being missed by who played this evening.
  const missed = oftenMissed(log, log.sessions.findLast(({ beganAt }) => beganAt <= atMs)?.who);
  return stepsFor(CLOSING_STEPS, facts, schools).flatMap((data) => {
    const because = data.due ? extraDue(data, situation, atMs) : chase(situation, residue.get(data.id));
    return data.due && !because ? [] : [roundStep(data, situation, because, missed.has(data.id))];
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
/** A rest after which tuning and bridge are looked at with care. From memory. */
const LONG_REST_DAYS = 10;
/** A child's measures are taken again after so long. From memory: a growth spurt. */
const CHILD_MEASURE_DAYS = 120;
/** Stretched hair is spoken of while the measure is fresh; after that it is the hair thread’s business. */
const STRETCH_NEWS_DAYS = 14;
/** Sessions after which a measure that nobody took is no longer asked for every time. */
const ASKED_SESSIONS = 10;

/** Why a bow is tightened with care today. */
function tightenBecause(situation: Situation): Because | null {
  const { log, tension } = situation;
  const hours = tension?.tightSince == null ? 0 : (log.nowMs - tension.tightSince) / HOUR_MS;
  if (hours >= 1) return { code: 'left-tight', hours };
  const stretch = hairStretch(bowLogOf(situation));
  const news = stretch !== null && daysBetween(stretch.at, log.nowMs) < STRETCH_NEWS_DAYS;
  return news && stretch.turns - stretch.before >= STRETCHED_TURNS
    ? { code: 'more-turns', turns: stretch.turns, before: stretch.before }
    : null;
}

/** Why a figure of the set-up sheet is asked for today. */
function measureBecause({ figure }: StepData<OpeningStepId>, { facts, log }: Situation): Because | null {
  if (!figure) return null;
  const measure = lastMeasure(log, figure);
  if (!measure) return log.sessions.length < ASKED_SESSIONS ? { code: 'not-measured' } : null;
  const days = daysBetween(measure.at, log.nowMs);
  return facts.setUp.player === 'child' && days >= CHILD_MEASURE_DAYS ? { code: 'measure-again', days } : null;
}

/** Why tuning, or the glance at the bridge after it, wants care today: new strings, a long rest, the air. */
function tuneBecause(step: 'tune' | 'glance', { facts, log, air }: Situation): Because | null {
  const record = recordOf(facts.family);
  const newest = Math.max(
    ...stringsOn(log, facts.stringCount).map(({ fitting }) => (fitting?.known ? fitting.at : -Infinity)),
  );
  const days = daysBetween(newest, log.nowMs);
  if (days <= record.strings.driftDays) return { code: 'new-strings', days };
  const last = log.sessions.at(-1);
  const rested = last?.endedAt ? daysBetween(last.endedAt, log.nowMs) : 0;
  if (rested >= LONG_REST_DAYS) return { code: 'long-rest', days: rested };
  if (!air) return null;
  if (step === 'tune' && record.pegs === 'wooden' && air.pegs) return { code: 'pegs', ...air.pegs };
  // Once a day: at the bridge, where there is a glance at it.
  const here = step === 'glance' || !hasGlance(facts);
  return here && air.verdict.state === 'act' ? { code: 'air', verdict: air.verdict } : null;
}

/** Whether a glance at the bridge ends its opening round. */
const hasGlance = ({ family, setUp }: InstrumentFacts) =>
  recordOf(family).strings.held !== 'knot' && setUp.floatingBridge;

/** Why a step of the opening round stands out today by itself; null when it is as usual. */
function ownBecause(step: StepData<OpeningStepId>, situation: Situation): Because | null {
  switch (step.id) {
    case 'rosin': {
      const verdict = rosinVerdict(bowLogOf(situation));
      return verdict.kind === 'enough' ? null : { code: 'rosin', verdict };
    }
    case 'tighten':
      return tightenBecause(situation);
    case 'endpin-out':
    case 'rest-on':
      return measureBecause(step, situation);
    case 'tune':
    case 'glance':
      return tuneBecause(step.id, situation);
    case 'place':
    case 'hands':
    case 'unpack':
      return null;
  }
}

/** Why a step of the opening round stands out today: for itself, or because it is still being learned. */
function openingBecause(step: StepData<OpeningStepId>, situation: Situation): Because | null {
  const played = situation.log.sessions.length;
  return ownBecause(step, situation) ?? (played < LEARNT_SESSIONS ? { code: 'learning', sessions: played } : null);
}

/** The opening round for this player today: every step in order; those with a reason stand out, the others are as usual. */
export function openingRound(situation: Situation): RoundStep<OpeningStepId>[] {
  const { facts, schools } = situation;
  return stepsFor(OPENING_STEPS, facts, schools).map((data) =>
    roundStep(data, situation, openingBecause(data, situation)),
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
