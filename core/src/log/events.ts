import { z } from 'zod';
import { FIGURES } from '../instruments/figures';
import { stringSpecSchema } from '../strings/spec';

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

/** Why strings came off or hair was replaced. `on-record` is a fact entered about the past when nobody knows why. */
export const FIT_REASONS = ['worn', 'broke', 'frayed', 'experiment', 'set', 'on-record'] as const;
export type FitReason = (typeof FIT_REASONS)[number];

const instant = z.iso
  .datetime({ precision: 3, error: 'Write the time in UTC with milliseconds, like 2026-03-14T18:05:00.000Z.' })
  .refine((text) => text >= '1900' && text < '2200', 'Give a date between 1900 and 2199.');
const id = z.uuid('Ids are UUIDs made by the app.').toLowerCase();
const position = z.number().int().min(0).max(59);

/** Who does a piece of upkeep. */
export const DOERS = ['self', 'teacher', 'workshop'] as const;
export type Doer = (typeof DOERS)[number];

/** How a set is changed: spread over days, one after another, all off. */
export const CHANGE_WAYS = ['A', 'B', 'C'] as const;

/** What goes on, in the order of `strings` (of all positions where that is null), and the packets it came from. */
const fitted = {
  specs: z.array(stringSpecSchema.nullable()).max(60).nullable().optional(),
  spares: z.array(id.nullable()).max(60).nullable().optional(),
  by: z.enum(DOERS).optional(),
};

const payloads = {
  /** The clock was started; the event's id is the session's id. */
  'session-began': z.strictObject({}),
  /** The clock was stopped. */
  'session-ended': z.strictObject({ sessionId: id }),
  /** A session entered afterwards: `occurredAt` is its beginning. */
  'session-entered': z.strictObject({ endedAt: instant }),
  /** New times for a session of either kind; the latest recorded correction holds. */
  'session-corrected': z.strictObject({ sessionId: id, beganAt: instant, endedAt: instant }),
  'step-done': z.strictObject({ step: z.enum(STEPS), sessionId: id.nullable() }),
  'step-skipped': z.strictObject({ step: z.enum(STEPS), sessionId: id.nullable() }),
  rosined: z.strictObject({}),
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
  /** A string was tuned: how far off it was found, cents, negative when flat. */
  tuned: z.strictObject({
    string: position,
    cents: z.number('Give the cents.').min(-1200, 'At most an octave.').max(1200, 'At most an octave.'),
  }),
  rehaired: z.strictObject({ reason: z.enum(['worn', 'routine', 'on-record']), known: z.boolean() }),
  /** The yearly look at the hair, found good. */
  'hair-looked-over': z.strictObject({}),
  'checked-up': z.strictObject({ known: z.boolean() }),
  /** A figure of the set-up sheet; lengths in mm. */
  measured: z.strictObject({ figure: z.enum(FIGURES), value: z.number().min(0).max(1000) }),
  /** The pedals or levers of a harp were regulated. */
  regulated: z.strictObject({ known: z.boolean() }),
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
  /** From here on it lives in this place (null: away); `cased`: in its own case there. */
  moved: z.strictObject({ placeId: id.nullable(), cased: z.boolean() }),
  /** The humidifier of its case on the scales: empty and dry, as taken out, or as filled again; grams. */
  'humidifier-weighed': z.strictObject({
    kind: z.enum(['empty', 'before', 'filled']),
    grams: z.number('Give the weight in grams.').min(0.1, 'It weighs more than nothing.').max(5000, 'At most 5 kg.'),
  }),
  /** Takes back an earlier event (or an earlier retraction). */
  retracted: z.strictObject({ eventId: id }),
} as const;

export const EVENT_TYPES = Object.keys(payloads) as (keyof typeof payloads)[];
export type EventType = keyof typeof payloads;

function variant<T extends EventType>(type: T) {
  return z.strictObject({
    id,
    instrumentId: id,
    type: z.literal(type),
    /** When it happened. */
    occurredAt: instant,
    /** When it was written down, on the device that made it. */
    recordedAt: instant,
    payload: payloads[type],
  });
}

/** One line of the log. Append-only: a mistake is taken back by `retracted`, never changed. */
export const logEventSchema = z.discriminatedUnion(
  'type',
  [
    variant('session-began'),
    variant('session-ended'),
    variant('session-entered'),
    variant('session-corrected'),
    variant('step-done'),
    variant('step-skipped'),
    variant('rosined'),
    variant('strings-fitted'),
    variant('change-began'),
    variant('change-ended'),
    variant('tuned'),
    variant('rehaired'),
    variant('hair-looked-over'),
    variant('checked-up'),
    variant('measured'),
    variant('regulated'),
    variant('packed'),
    variant('drill-done'),
    variant('moved'),
    variant('humidifier-weighed'),
    variant('retracted'),
  ],
  {
    error: (issue) =>
      issue.code === 'invalid_union' ? `Unknown event type. Known: ${EVENT_TYPES.join(', ')}.` : undefined,
  },
);
export type LogEvent = z.infer<typeof logEventSchema>;
export type EventOf<T extends EventType> = Extract<LogEvent, { type: T }>;
