import { FAMILY_FACTS, type InstrumentFacts } from '../instruments';
import type { InstrumentLog, Session, StepId, StepRecord } from '../log';
import { HOUR_MS } from '../time';

/** Schools for the cloths [handbook 2.5]: A two cloths; B one cloth, rosin zones last. */
export type ClothSchool = 'A' | 'B';

/** Zones of the plate a step is about. */
export type Zone = 'bow-hair' | 'bow-stick' | 'strings' | 'rosin-zones' | 'hand-zones' | 'shoulder-rest' | 'whole';

interface StepData {
  step: StepId;
  zone: Zone;
  takes: (facts: InstrumentFacts) => boolean;
}

const isBowed = (facts: InstrumentFacts) => FAMILY_FACTS[facts.family].bowed;

/** The closing round in the order that is the same in all good practice [handbook 2]. */
const STEP_DATA: readonly StepData[] = [
  { step: 'slacken', zone: 'bow-hair', takes: isBowed },
  { step: 'wipe-stick', zone: 'bow-stick', takes: isBowed },
  { step: 'wipe-strings', zone: 'strings', takes: () => true },
  { step: 'wipe-rosin', zone: 'rosin-zones', takes: isBowed },
  { step: 'wipe-hands', zone: 'hand-zones', takes: () => true },
  { step: 'rest-off', zone: 'shoulder-rest', takes: (facts) => facts.setUp.shoulderRest },
  { step: 'case', zone: 'whole', takes: (facts) => facts.setUp.case !== 'none' },
];

export interface ClosingStep {
  step: StepId;
  zone: Zone;
}

/**
 * The closing round of one instrument.
 * With one cloth (school B) the rosin zones come after the hand zones, so that rosin is not carried to the hands' places.
 */
export function closingRound(facts: InstrumentFacts, cloths: ClothSchool): ClosingStep[] {
  const steps = STEP_DATA.filter((data) => data.takes(facts)).map(({ step, zone }) => ({ step, zone }));
  if (cloths === 'A') return steps;
  const rosin = steps.filter(({ step }) => step === 'wipe-rosin');
  const rest = steps.filter(({ step }) => step !== 'wipe-rosin');
  const afterHands = rest.findIndex(({ step }) => step === 'wipe-hands') + 1;
  return [...rest.slice(0, afterHands), ...rosin, ...rest.slice(afterHands)];
}

/** What was recorded of each step of a session's closing round; the latest record of a step holds. */
export function roundRecords(log: Pick<InstrumentLog, 'steps'>, sessionId: string): Map<StepId, StepRecord> {
  const records = new Map<StepId, StepRecord>();
  for (const record of log.steps) if (record.sessionId === sessionId) records.set(record.step, record);
  return records;
}

/** A closing round under way. */
export interface OpenRound {
  session: Session;
  steps: ClosingStep[];
  records: Map<StepId, StepRecord>;
  /** The first step nothing is recorded of. */
  next: ClosingStep;
  /** How many steps come before it. */
  behind: number;
}

/** How long after a session its closing round may still be taken up; later, what was not recorded was not done. */
const ROUND_OPEN_H = 12;

/**
 * The closing round that is still to be finished: that of the last timed session, while steps are unrecorded.
 * @returns null when the clock runs, every step is recorded, or it is too long ago
 */
export function openRound(facts: InstrumentFacts, cloths: ClothSchool, log: InstrumentLog): OpenRound | null {
  const session = log.sessions.at(-1);
  if (!session || session.entered || session.endedAt === null) return null;
  if (log.nowMs - session.endedAt > ROUND_OPEN_H * HOUR_MS) return null;
  const steps = closingRound(facts, cloths);
  const records = roundRecords(log, session.id);
  const behind = steps.findIndex(({ step }) => !records.has(step));
  return behind < 0 ? null : { session, steps, records, next: steps[behind]!, behind };
}
