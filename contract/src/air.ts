import * as z from 'zod';
import { intakeSchema } from './intake';
import { checkPlain } from './plain';
import {
  DRAUGHTS,
  SALT_IDS,
  senmlPackSchema,
  type LooseReading,
  type PackedDay,
  type PackedHour,
  type PackedSlot,
  type Draught,
  type Salt,
} from '@tembrin/core/air';

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

function checkPlace(
  { kind, roomId, name: given }: { kind: string; roomId: string | null; name: string },
  context: z.RefinementCtx,
) {
  checkPlain(given, ['name'], context);
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
const checkSensor = ({ name: given }: { name: string }, context: z.RefinementCtx) =>
  checkPlain(given, ['name'], context);
export const newSensorSchema = z
  .strictObject({ id, kind: z.enum(SENSOR_KINDS), ...sensorFields })
  .superRefine(checkSensor);
export type NewSensor = z.infer<typeof newSensorSchema>;
export const sensorChangeSchema = z.strictObject(sensorFields).superRefine(checkSensor);
export const sensorSchema = z.object({
  id,
  ...sensorFields,
  kind: z.enum(SENSOR_KINDS),
  /** Whether it has a key that may post; the key itself is shown once, when it is made. */
  keyed: z.boolean(),
  battery: z.number().nullable(),
  /** Its newest reading, uncorrected; null without one. */
  last: z.object({ atS: z.int(), rhHundredths: z.int(), tempHundredths: z.int().nullable() }).nullable(),
  readings: z.number().int(),
  checks: z.array(saltCheckSchema),
  faults: z.array(faultSchema),
  version: z.number().int().positive(),
});
export type Sensor = z.infer<typeof sensorSchema>;
/** A sensor with its key, as told once. */
export const keyedSensorSchema = z.object({ sensor: sensorSchema, key: z.string().nullable() });

/** Mean, lowest and highest humidity in hundredths of a percent, mean temperature in hundredths of a degree; corrected. */
const air = [z.int(), z.int(), z.int(), z.int().nullable()] as const;
/** An hour: hours since 1970, then its air. */
const hourRow = z.tuple([z.int(), ...air]) satisfies z.ZodType<PackedHour>;
/** A day: calendar day since 1970, its hours with readings, then its air. */
const dayRow = z.tuple([z.int(), z.int(), ...air]) satisfies z.ZodType<PackedDay>;
/** A stretch of a day's detail: seconds since 1970, then its air. */
const slotRow = z.tuple([z.int(), ...air]) satisfies z.ZodType<PackedSlot>;

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

/** Weather, hour by hour: hours since 1970, then temperature and humidity in hundredths. */
export const weatherSchema = z.object({
  station: z.string(),
  hours: z.array(z.tuple([z.int(), z.int(), z.int()])),
});
export type Weather = z.infer<typeof weatherSchema>;

/** A reading somebody took that the server does not have yet. */
export type UnsentReading = LooseReading;

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
  /** Ten minutes each. */
  slots: z.array(slotRow),
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
        lowPercent: z.number().nullable(),
        highPercent: z.number().nullable(),
      }),
    )
    .min(1, 'Send at least one reading.')
    .max(READINGS_PER_POST, `Send at most ${READINGS_PER_POST} readings at a time.`),
});
export type ReadingPost = z.infer<typeof readingPostSchema>;

/** Readings as they were shown, uncorrected. */
export const readingListSchema = z.object({
  readings: z.array(
    z.object({
      atS: z.int(),
      rhHundredths: z.int(),
      tempHundredths: z.int().nullable(),
      lowHundredths: z.int().nullable(),
      highHundredths: z.int().nullable(),
    }),
  ),
});

export const comparisonSchema = z
  .object({ difference: z.number(), sd: z.number(), hours: z.number().int() })
  .nullable();

export { senmlPackSchema };
export const senmlAnswerSchema = intakeSchema.extend({
  battery: z.number().nullable(),
  /** Records that were left out, the first few, with why. */
  left: z.array(z.object({ record: z.int(), why: z.string() })),
});
