import * as z from 'zod';
import { isBowed } from '../instruments';
import { id, type Mark } from './primitives';
import type { AdmissionContext, Refusal } from './refusal';
import { tooEarly } from './session-admission';
import { always, type Topic } from './topic';

/** Steps that are recorded: those of the closing round. Routines say which instrument takes which, when, and in what order. */
export const STEPS = [
  'slacken',
  'wipe-stick',
  'wipe-strings',
  'wipe-rosin',
  'wipe-hands',
  'chin-rest',
  'under-tailpiece',
  'weekly-clean',
  'action-dust',
  'fretboard',
  'humidifier',
  'rest-off',
  'endpin-in',
  'case',
  'stand',
  'latches',
] as const;
export type StepId = (typeof STEPS)[number];

/** Drills of the trainer. */
export const DRILLS = ['screw', 'order', 'case', 'zones'] as const;
export type DrillId = (typeof DRILLS)[number];

/** Rounds, the packing check, and the trainer. */
export const roundPayloads = {
  'step-done': z.strictObject({ step: z.enum(STEPS), sessionId: id.nullable() }),
  'step-skipped': z.strictObject({ step: z.enum(STEPS), sessionId: id.nullable() }),
  /** Everything was looked at before leaving home. */
  packed: z.strictObject({}),
  /** A drill of the trainer, finished: answers that were right, of how many, and the steps that were missed. */
  'drill-done': z
    .strictObject({
      drill: z.enum(DRILLS),
      right: z.number().int().min(0).max(50),
      of: z.number().int().min(1).max(50),
      missed: z.array(z.enum(STEPS)).max(STEPS.length),
    })
    .refine(({ right, of }) => right <= of, 'No more can be right than were asked.'),
} as const;

export interface StepRecord extends Mark {
  step: StepId;
  done: boolean;
  sessionId: string | null;
}

export type DrillResult = Mark & z.infer<(typeof roundPayloads)['drill-done']>;

export interface RoundLists {
  steps: StepRecord[];
  packings: Mark[];
  drills: DrillResult[];
}

const BOW_STEPS: readonly StepId[] = ['slacken', 'wipe-stick', 'wipe-rosin'];

function stepRefusal(
  { step, sessionId }: { step: StepId; sessionId: string | null },
  at: number,
  context: AdmissionContext,
): Refusal | null {
  if (sessionId !== null && !context.has(sessionId)) return { code: 'no-such-session' };
  if (BOW_STEPS.includes(step) && !isBowed(context.facts.family)) return { code: 'no-bow' };
  return tooEarly(at, context);
}

const ofSession = ({ sessionId }: { sessionId: string | null }) => (sessionId === null ? [] : [sessionId]);

/** Steps are most of a log: each is written out, so that all are of one shape and quick to look through. */
function recordOfStep(
  { eventId, at, who }: Mark,
  { step, sessionId }: Pick<StepRecord, 'step' | 'sessionId'>,
  done: boolean,
): StepRecord {
  return who === undefined ? { eventId, at, step, done, sessionId } : { eventId, at, step, done, sessionId, who };
}

export const roundTopic: Topic<keyof typeof roundPayloads, RoundLists> = {
  start: () => ({ steps: [], packings: [], drills: [] }),
  events: {
    'step-done': {
      admit: ({ payload }, at, context) => stepRefusal(payload, at, context),
      refersTo: ofSession,
      fold: ({ steps }, mark, event) => void steps.push(recordOfStep(mark, event.payload, true)),
    },
    'step-skipped': {
      admit: ({ payload }, at, context) => stepRefusal(payload, at, context),
      refersTo: ofSession,
      fold: ({ steps }, mark, event) => void steps.push(recordOfStep(mark, event.payload, false)),
    },
    packed: { admit: always, fold: ({ packings }, mark) => void packings.push(mark) },
    'drill-done': {
      admit: always,
      fold: ({ drills }, mark, { payload }) => void drills.push({ ...mark, ...payload }),
    },
  },
};
