import * as z from 'zod';
import { stringSpecSchema } from '../instruments';
import { DOERS, id, position, type KnownMark, type Mark } from './primitives';
import type { AdmissionContext, Refusal } from './refusal';
import { always, type Topic } from './topic';

/** Why strings came off or hair was replaced. `on-record` is a fact entered about the past when nobody knows why. */
export const FIT_REASONS = ['worn', 'broke', 'frayed', 'experiment', 'set', 'on-record'] as const;
export type FitReason = (typeof FIT_REASONS)[number];

/** How a set is changed: spread over days, one after another, all off. */
export const CHANGE_WAYS = ['A', 'B', 'C'] as const;

/** What goes on, in the order of `strings` (of all positions where that is null), and the packets it came from. */
const fitted = {
  specs: z.array(stringSpecSchema.nullable()).max(60).nullable().optional(),
  spares: z.array(id.nullable()).max(60).nullable().optional(),
  by: z.enum(DOERS).optional(),
};

/** Strings put on, changed step by step, and tuned. */
export const stringPayloads = {
  /** `strings`: positions, lowest string 0; null is the whole set. `known` false: date not known, counted from here. */
  'strings-fitted': z.strictObject({
    strings: z.array(position).min(1, 'Say which strings were fitted.').max(60).nullable(),
    /** Why the ones before came off. */
    reason: z.enum(FIT_REASONS),
    known: z.boolean(),
    ...fitted,
    /** The guided change it was part of. */
    changeId: id.nullable().optional(),
  }),
  /** A guided change of strings was begun; the event's id is the change's id. It may take days. */
  'change-began': z.strictObject({
    strings: z.array(position).min(1, 'Say which strings are to be changed.').max(60),
    reason: z.enum(FIT_REASONS),
    way: z.enum(CHANGE_WAYS),
    ...fitted,
  }),
  /** It is over: all strings are on, or it was given up with those that are. */
  'change-ended': z.strictObject({ changeId: id, finished: z.boolean() }),
  /** The strings were looked at and found still good. */
  'strings-looked-over': z.strictObject({}),
  /** A string was tuned: how far off it was found, cents, negative when flat. */
  tuned: z.strictObject({
    string: position,
    cents: z.number('Give the cents.').min(-1200, 'At most an octave.').max(1200, 'At most an octave.'),
  }),
} as const;
type Payload<T extends keyof typeof stringPayloads> = z.infer<(typeof stringPayloads)[T]>;

export type Fitting = KnownMark & Payload<'strings-fitted'>;

/** A guided change of strings, under way or over. */
export type StringChange = Mark &
  Payload<'change-began'> & {
    /** When it ended, ms; null while it is under way. */
    endedAt: number | null;
  };

/** A tuning on record: how far a string was found off. */
export type TuningMark = Mark & Payload<'tuned'>;

export interface StringLists {
  fittings: Fitting[];
  changes: StringChange[];
  tunings: TuningMark[];
  stringLooks: Mark[];
}

/** Strings that the instrument does not have, or make-up given for more or fewer strings than are meant. */
function stringsRefusal(
  { strings, specs, spares }: Pick<Payload<'strings-fitted'>, 'strings' | 'specs' | 'spares'>,
  { facts: { stringCount } }: AdmissionContext,
): Refusal | null {
  if (strings?.some((at) => at >= stringCount)) return { code: 'no-such-string', stringCount };
  const wanted = strings?.length ?? stringCount;
  const wrong = [specs, spares].find((list) => list && list.length !== wanted);
  return wrong ? { code: 'set-does-not-fit', wanted, given: wrong.length } : null;
}

export const stringTopic: Topic<keyof typeof stringPayloads, StringLists> = {
  start: () => ({ fittings: [], changes: [], tunings: [], stringLooks: [] }),
  events: {
    'strings-fitted': {
      admit: ({ payload }, _at, context) => stringsRefusal(payload, context),
      fold: ({ fittings }, mark, { payload }) => void fittings.push({ ...mark, ...payload }),
    },
    'change-began': {
      admit: ({ payload }, _at, context) => stringsRefusal(payload, context),
      fold: ({ changes }, mark, { payload }) => void changes.push({ ...mark, ...payload, endedAt: null }),
    },
    'change-ended': {
      admit: ({ payload }, _at, { has }) => (has(payload.changeId) ? null : { code: 'no-such-event' }),
      refersTo: ({ changeId }) => [changeId],
      fold: ({ changes }, { at }, { payload }) => {
        const change = changes.find(({ eventId }) => eventId === payload.changeId);
        if (change) change.endedAt ??= at;
      },
    },
    'strings-looked-over': { admit: always, fold: ({ stringLooks }, mark) => void stringLooks.push(mark) },
    tuned: {
      admit: ({ payload }, _at, { facts: { stringCount } }) =>
        payload.string < stringCount ? null : { code: 'no-such-string', stringCount },
      fold: ({ tunings }, mark, { payload }) => void tunings.push({ ...mark, ...payload }),
    },
  },
};
