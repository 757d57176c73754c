import * as z from 'zod';
import { CALENDAR_ORDERS, DELIMITERS } from '@tembrin/core/tables';
import { DATE_ORDERS, ODDITIES, type ColumnPlan } from '@tembrin/core/air';
import { DIARY_UNITS, type DiaryPlan } from '@tembrin/core/exchange';

/** Files that are read line by line: a logger's readings, a practice diary. */

/** Largest file that is read, bytes: some ten years of minutes. */
export const FILE_BYTES = 250_000_000;
/** Top of a file that is looked at before it is read. */
export const PREVIEW_BYTES = 200_000;
/** Of a larger file, so much of its middle and of its end is looked at besides. */
export const SAMPLE_BYTES = 8_000;
/** Largest diary that is read, bytes: its lines are few, and each is short. */
export const DIARY_BYTES = 4_000_000;
/** Most lines of a diary: a session a day for fifty years. */
export const DIARY_LINES = 20_000;

const column = z.number().int().min(0).max(200);
const skip = z.number().int().min(0).max(500);

/** How a logger's file is to be read. */
export const loggerPlanSchema = z.strictObject({
  delimiter: z.enum(DELIMITERS),
  skip,
  date: column,
  clock: column.nullable(),
  rh: column,
  temp: column.nullable(),
  order: z.enum(DATE_ORDERS),
  tempUnit: z.enum(['C', 'F']),
  rhUnit: z.enum(['percent', 'fraction']),
}) satisfies z.ZodType<ColumnPlan & { delimiter: string }>;
export type LoggerPlan = z.infer<typeof loggerPlanSchema>;

/** How a practice diary is to be read. */
export const diaryPlanSchema = z.strictObject({
  delimiter: z.enum(DELIMITERS),
  skip,
  date: column,
  order: z.enum(CALENDAR_ORDERS),
  length: column,
  unit: z.enum(DIARY_UNITS),
  instrument: column.nullable(),
}) satisfies z.ZodType<DiaryPlan & { delimiter: string }>;
export type DiaryFilePlan = z.infer<typeof diaryPlanSchema>;

/** A value in a query that is written as JSON. */
function asJson<S extends z.ZodType>(schema: S) {
  return z
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
    .pipe(schema);
}

/** A plan that was chosen; left out, what can be told is guessed. */
const sample = z.coerce.number().int().min(0).max(SAMPLE_BYTES).optional();
export const loggerPreviewQuerySchema = z.object({
  plan: asJson(loggerPlanSchema).optional(),
  /** How many bytes of what is sent, behind the top of the file, are of its middle, and how many of its end. */
  middle: sample,
  end: sample,
});
export const loggerImportQuerySchema = z.object({ plan: asJson(loggerPlanSchema) });

const diaryChoices = {
  /** The instrument of the whole file, where no column names it. */
  instrumentId: z.uuid().toLowerCase().optional(),
  /** What becomes of days that have playing on record already: left out, or put beside it. */
  onRecord: z.enum(['leave', 'add']),
};
export const diaryPreviewQuerySchema = z.object({ plan: asJson(diaryPlanSchema).optional(), ...diaryChoices });
export const diaryImportQuerySchema = z.object({
  plan: asJson(diaryPlanSchema),
  ...diaryChoices,
  /** Lines that cannot be read are left out; otherwise they stop everything. */
  leaveFaulty: z.stringbool(),
});

/** What was looked at in the top of a file: its columns, the plan as far as it is known, lines as they would be read. */
function previewOf<P extends z.ZodType, L extends z.ZodType>(guess: P, line: L) {
  return z.object({
    columns: z.array(z.string()),
    guess,
    /** The first lines, and those that cannot be read; only cells while something has to be asked. */
    lines: z.array(
      z.object({ line: z.int(), cells: z.array(z.string()), fault: z.string().nullable(), read: line.nullable() }),
    ),
    /** Of the lines looked at, those that can be read and those that cannot. */
    readable: z.int(),
    unreadable: z.int(),
    /** The file goes on past what was looked at. */
    cut: z.boolean(),
  });
}

const readLineSchema = z.object({ at: z.iso.datetime(), percent: z.number(), tempC: z.number().nullable() });
const sampleLine = z.object({
  cells: z.array(z.string()),
  fault: z.string().nullable(),
  read: readLineSchema.nullable(),
});

export const loggerPreviewSchema = previewOf(
  z.object({
    delimiter: z.enum(DELIMITERS),
    skip: z.int(),
    date: column.nullable(),
    clock: column.nullable(),
    rh: column.nullable(),
    temp: column.nullable(),
    order: z.enum(DATE_ORDERS).nullable(),
    tempUnit: z.enum(['C', 'F']).nullable(),
    rhUnit: z.enum(['percent', 'fraction']).nullable(),
  }),
  readLineSchema,
).extend({
  /** A line of the file's middle, and its last one. */
  middle: sampleLine.nullable(),
  last: sampleLine.nullable(),
  /** How the readings run that were looked at; null where none can be read yet. */
  course: z
    .object({
      fromS: z.int(),
      toS: z.int(),
      stepS: z.number().nullable(),
      rhHundredths: z.tuple([z.int(), z.int()]).readonly(),
      tempHundredths: z.tuple([z.int(), z.int()]).readonly().nullable(),
      odd: z.array(z.object({ code: z.enum(ODDITIES), count: z.int() })).readonly(),
    })
    .nullable(),
});
export type LoggerPreview = z.infer<typeof loggerPreviewSchema>;

export const diaryPreviewSchema = previewOf(
  z.object({
    delimiter: z.enum(DELIMITERS),
    skip: z.int(),
    date: column.nullable(),
    order: z.enum(CALENDAR_ORDERS).nullable(),
    length: column.nullable(),
    unit: z.enum(DIARY_UNITS).nullable(),
    instrument: column.nullable(),
  }),
  z.object({ date: z.iso.date(), minutes: z.number(), instrumentId: z.uuid() }),
).extend({
  /** Minutes of the lines that can be read, and lines left out because their day has playing on record. */
  minutes: z.number(),
  left: z.int(),
});
export type DiaryPreview = z.infer<typeof diaryPreviewSchema>;

/** How what was read was taken in. */
export const intakeSchema = z.object({
  /** New; already there and the same; there with another value, and changed. */
  stored: z.int(),
  known: z.int(),
  corrected: z.int(),
});
export type Intake = z.infer<typeof intakeSchema>;

export const intakeProgressSchema = z.object({
  /** waiting: it has arrived, and another file of the household is read first. */
  state: z.enum(['waiting', 'running', 'done', 'failed', 'cancelled']),
  lines: z.int(),
  /** Bytes that have arrived, and of those the ones that were read. */
  received: z.int(),
  bytes: z.int(),
  /** Size of the file where it is known. */
  total: z.int().nullable(),
  intake: intakeSchema,
  /** Lines left out as chosen. */
  left: z.int(),
  /** Lines that could not be read: the first few, and how many in all. */
  unreadable: z.int(),
  examples: z.array(z.object({ line: z.int(), text: z.string(), fault: z.string() })),
  problem: z.string().nullable(),
});
export type IntakeProgress = z.infer<typeof intakeProgressSchema>;
