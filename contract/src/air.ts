import {
  DATE_ORDERS,
  DELIMITERS,
  DRAUGHTS,
  SALT_IDS,
  senmlPackSchema,
  type ColumnPlan,
  type Draught,
  type Salt,
} from '@tembrin/core';
import { z } from 'zod';

const id = z.uuid().toLowerCase();
const name = z.string('Give it a name.').trim().min(1, 'Give it a name.').max(60, 'A name has at most 60 characters.');
const draught = z.enum(Object.keys(DRAUGHTS) as [Draught, ...Draught[]]);
const grams = z
  .number('Give the water in grams.')
  .min(1, 'Give at least 1 g.')
  .max(100_000, 'At most 100 000 g (100 litres).');
const month = z.number().int().min(1).max(12);

const placeFields = {
  kind: z.enum(['room', 'case']),
  name,
  /** The room a case stands in. */
  roomId: id.nullable(),
  /** For a room. */
  volumeM3: z
    .number('Give the volume in cubic metres.')
    .min(1, 'A room has at least 1 m³.')
    .max(5000, 'At most 5000 m³.')
    .nullable(),
  draught,
  /** Months in which the heating is on, from one to another; null without heating. */
  heating: z.object({ from: month, to: month }).nullable(),
  /** Water one filling of the humidifier holds. */
  tankG: grams.nullable(),
  /** Water the dehumidifier takes out a day at most. */
  dryerG: grams.nullable(),
};

function checkPlace({ kind, roomId }: { kind: string; roomId: string | null }, context: z.RefinementCtx) {
  if (kind === 'room' && roomId !== null)
    context.addIssue({ code: 'custom', path: ['roomId'], message: 'A room stands in no other room.' });
}

/** A room, or a case that stands in one. */
export const newPlaceSchema = z.strictObject({ id, ...placeFields }).superRefine(checkPlace);
export type NewPlace = z.infer<typeof newPlaceSchema>;
export const placeChangeSchema = z.strictObject(placeFields).superRefine(checkPlace);
export type PlaceChange = z.infer<typeof placeChangeSchema>;
export const placeSchema = z.object({ id, ...placeFields, version: z.number().int().positive() });
export type Place = z.infer<typeof placeSchema>;

/** hand: read by somebody; logger: its file is imported; post: it sends by itself. */
export const SENSOR_KINDS = ['hand', 'logger', 'post'] as const;

export const saltCheckSchema = z.object({
  id,
  at: z.iso.datetime(),
  salt: z.enum(SALT_IDS as [Salt, ...Salt[]]),
  tempC: z.number('Give the temperature.').min(-10).max(60),
  shownRh: z
    .number('Give what it shows.')
    .min(0, 'It cannot show less than 0 %.')
    .max(1, 'It cannot show more than 100 %.'),
});
export type SaltCheckRecord = z.infer<typeof saltCheckSchema>;

const faultSchema = z.discriminatedUnion('code', [
  z.object({ code: z.literal('stuck'), hours: z.number(), rh: z.number() }),
  z.object({ code: z.literal('absurd'), rh: z.number() }),
  z.object({ code: z.literal('silent'), lastAt: z.number() }),
  z.object({ code: z.literal('battery'), percent: z.number() }),
]);

const sensorFields = { placeId: id, name };
export const newSensorSchema = z.strictObject({ id, kind: z.enum(SENSOR_KINDS), ...sensorFields });
export type NewSensor = z.infer<typeof newSensorSchema>;
export const sensorChangeSchema = z.strictObject(sensorFields);
export const sensorSchema = z.object({
  id,
  ...sensorFields,
  kind: z.enum(SENSOR_KINDS),
  /** Whether it has a key that may post; the key itself is shown once, when it is made. */
  keyed: z.boolean(),
  battery: z.number().nullable(),
  /** Time of its newest reading, seconds; null without one. */
  lastAt: z.number().int().nullable(),
  /** What it showed then, in hundredths, uncorrected. */
  last: z.object({ rh: z.number().int(), tempC: z.number().int().nullable() }).nullable(),
  readings: z.number().int(),
  checks: z.array(saltCheckSchema),
  faults: z.array(faultSchema),
  version: z.number().int().positive(),
});
export type Sensor = z.infer<typeof sensorSchema>;
/** A sensor with its key, as told once. */
export const keyedSensorSchema = z.object({ sensor: sensorSchema, key: z.string().nullable() });

/** An hour on the wire: hours since 1970, then mean, lowest and highest humidity and mean temperature in hundredths; corrected. */
const hourRow = z.tuple([z.int(), z.int(), z.int(), z.int(), z.int().nullable()]);
export type HourRow = z.infer<typeof hourRow>;
/** A day: calendar day since 1970, its hours with readings, then as for an hour. */
const dayRow = z.tuple([z.int(), z.int(), z.int(), z.int(), z.int(), z.int().nullable()]);
export type DayRow = z.infer<typeof dayRow>;

export const steadyBandSchema = z.object({
  level: z.number(),
  low: z.number(),
  high: z.number(),
  basis: z.enum(['record', 'short']),
});

export const placeRecordSchema = z.object({
  placeId: id,
  days: z.array(dayRow),
  /** Of the last weeks. */
  hours: z.array(hourRow),
  steady: steadyBandSchema.nullable(),
});
export type PlaceRecord = z.infer<typeof placeRecordSchema>;

/** Weather, hour by hour: hours since 1970, °C and humidity in hundredths. */
export const weatherSchema = z.object({
  station: z.string(),
  hours: z.array(z.tuple([z.int(), z.int(), z.int()])),
});
export type Weather = z.infer<typeof weatherSchema>;

/** Everything about the household's air that a device keeps. */
export const airSchema = z.object({
  places: z.array(placeSchema),
  sensors: z.array(sensorSchema),
  records: z.array(placeRecordSchema),
  /** null when no weather service answers. */
  weather: weatherSchema.nullable(),
});
export type Air = z.infer<typeof airSchema>;

/** Longest stretch of days one chart asks for. */
export const YEAR_DAYS = 400;
export const yearQuerySchema = z
  .object({ from: z.coerce.number().int(), to: z.coerce.number().int() })
  .refine(({ from, to }) => to > from && to - from <= YEAR_DAYS, `Ask for at most ${YEAR_DAYS} days.`);
export const yearSchema = z.object({
  days: z.array(dayRow),
  /** Seasonal level of each of those days, in hundredths. */
  level: z.array(z.int()),
  steady: steadyBandSchema.nullable(),
  /** First and last calendar day with readings; null without any. */
  reach: z.tuple([z.int(), z.int()]).nullable(),
});
export type Year = z.infer<typeof yearSchema>;

export const dayQuerySchema = z.object({ day: z.coerce.number().int() });
export const daySchema = z.object({
  /** Ten minutes each: seconds since 1970, then as for an hour. */
  points: z.array(hourRow),
});

/** Most readings typed in or sent at once. */
export const READINGS_PER_POST = 500;
export const readingPostSchema = z.strictObject({
  readings: z
    .array(
      z.strictObject({
        at: z.iso.datetime(),
        percent: z.number(),
        tempC: z.number().nullable(),
        low: z.number().nullable(),
        high: z.number().nullable(),
      }),
    )
    .min(1, 'Send at least one reading.')
    .max(READINGS_PER_POST, `Send at most ${READINGS_PER_POST} readings at a time.`),
});
export type ReadingPost = z.infer<typeof readingPostSchema>;

/** Readings as they were shown, uncorrected: seconds since 1970; humidity and °C in hundredths. */
export const readingListSchema = z.object({
  readings: z.array(
    z.object({
      at: z.int(),
      rh: z.int(),
      tempC: z.int().nullable(),
      low: z.int().nullable(),
      high: z.int().nullable(),
    }),
  ),
});

/** How readings were taken in. */
export const intakeSchema = z.object({
  /** New; already there and the same; there with another value, and changed. */
  stored: z.number().int(),
  known: z.number().int(),
  corrected: z.number().int(),
});
export type Intake = z.infer<typeof intakeSchema>;

const column = z.number().int().min(0).max(200);
export const importPlanSchema = z.strictObject({
  delimiter: z.enum(DELIMITERS),
  skip: z.number().int().min(0).max(500),
  date: column,
  clock: column.nullable(),
  rh: column,
  temp: column.nullable(),
  order: z.enum(DATE_ORDERS),
  tempUnit: z.enum(['C', 'F']),
  rhUnit: z.enum(['percent', 'fraction']),
}) satisfies z.ZodType<ColumnPlan & { delimiter: string }>;
export type ImportPlan = z.infer<typeof importPlanSchema>;

/** Top of a logger's file that is looked at before it is imported. */
export const PREVIEW_CHARS = 200_000;
export const previewRequestSchema = z.strictObject({
  text: z.string().max(PREVIEW_CHARS),
  plan: importPlanSchema.nullable(),
});
const previewLine = z.object({
  line: z.number().int(),
  cells: z.array(z.string()),
  at: z.string().nullable(),
  percent: z.number().nullable(),
  tempC: z.number().nullable(),
  fault: z.string().nullable(),
});
export const previewSchema = z.object({
  columns: z.array(z.string()),
  guess: importPlanSchema.partial().extend({
    date: column.nullable(),
    rh: column.nullable(),
    order: z.enum(DATE_ORDERS).nullable(),
    tempUnit: z.enum(['C', 'F']).nullable(),
    rhUnit: z.enum(['percent', 'fraction']).nullable(),
    clock: column.nullable(),
    temp: column.nullable(),
    skip: z.number().int(),
    delimiter: z.enum(DELIMITERS),
  }),
  /** Lines as they would be read; empty while something has to be asked. */
  lines: z.array(previewLine),
  /** Readings among the lines looked at, and lines that cannot be read. */
  readable: z.number().int(),
  unreadable: z.number().int(),
});
export type Preview = z.infer<typeof previewSchema>;

/** Largest file an import takes, in bytes: some ten years of minutes. */
export const IMPORT_BYTES = 250_000_000;
export const importQuerySchema = z.object({
  plan: z
    .string()
    .max(1000)
    .transform((text, context): unknown => {
      try {
        return JSON.parse(text);
      } catch {
        context.addIssue({ code: 'custom', message: 'The plan is not readable JSON.' });
        return z.NEVER;
      }
    })
    .pipe(importPlanSchema),
});
export const importProgressSchema = z.object({
  state: z.enum(['running', 'done', 'failed', 'cancelled']),
  lines: z.number().int(),
  bytes: z.number().int(),
  /** Size of the file where it is known. */
  total: z.number().int().nullable(),
  intake: intakeSchema,
  /** Lines that could not be read: the first few, and how many in all. */
  unreadable: z.number().int(),
  examples: z.array(z.object({ line: z.number().int(), text: z.string(), fault: z.string() })),
  problem: z.string().nullable(),
});
export type ImportProgress = z.infer<typeof importProgressSchema>;

export const comparisonSchema = z
  .object({ difference: z.number(), sd: z.number(), hours: z.number().int() })
  .nullable();

export { senmlPackSchema };
export const senmlAnswerSchema = intakeSchema.extend({ battery: z.number().nullable() });
