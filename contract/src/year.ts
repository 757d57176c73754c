import { z } from 'zod';
import { DIARY_ORDERS, OCCASIONS } from '@tembrin/core';

/** Largest calendar and diary that are read, bytes. */
export const CALENDAR_BYTES = 1_000_000;
export const DIARY_BYTES = 900_000;

/** A household's private address that calendar programs read; null while there is none. */
export const calendarAddressSchema = z.object({ path: z.string().nullable() });

export const calendarPostSchema = z.strictObject({
  text: z
    .string('Send the calendar’s text.')
    .max(CALENDAR_BYTES, 'That calendar is larger than 1 MB. Export fewer years.'),
});

/** What an occasion in a calendar comes to: every day it takes place on, from a month ago to two years ahead. */
export const calendarOccasionSchema = z.object({
  uid: z.string(),
  title: z.string(),
  guess: z.enum(OCCASIONS),
  spans: z.array(z.object({ from: z.string(), to: z.string() })),
  /** It goes on past what is taken in. */
  cut: z.boolean(),
});
export type CalendarOccasion = z.infer<typeof calendarOccasionSchema>;

export const calendarPreviewSchema = z.object({
  occasions: z.array(calendarOccasionSchema),
  /** Entries that lie outside the time looked at. */
  outside: z.number().int(),
  /** Entries that could not be read, with why. */
  unreadable: z.array(z.object({ title: z.string(), why: z.string() })),
});
export type CalendarPreview = z.infer<typeof calendarPreviewSchema>;

const column = z.number().int().min(0).max(199);
const guessed = <S extends z.ZodType>(schema: S) => schema.nullable();

export const diaryPlanSchema = z.strictObject({
  delimiter: z.enum([',', ';', '\t', '|']),
  skip: z.number().int().min(0).max(100),
  date: column,
  order: z.enum(DIARY_ORDERS),
  length: column,
  unit: z.enum(['minutes', 'hours', 'clock']),
  instrument: column.nullable(),
});
export type DiaryFilePlan = z.infer<typeof diaryPlanSchema>;

export const diaryGuessSchema = z.object({
  delimiter: z.enum([',', ';', '\t', '|']),
  skip: z.number().int(),
  date: guessed(column),
  order: guessed(z.enum(DIARY_ORDERS)),
  length: guessed(column),
  unit: guessed(z.enum(['minutes', 'hours', 'clock'])),
  instrument: guessed(column),
});
export type DiaryGuess = z.infer<typeof diaryGuessSchema>;

export const diaryRequestSchema = z.strictObject({
  text: z
    .string('Send the diary’s text.')
    .max(DIARY_BYTES, 'That diary is larger than 0.9 MB. Send it in parts, a few years each.'),
  /** null: guess. */
  plan: diaryPlanSchema.nullable(),
  /** The instrument of the whole file, where no column names it. */
  instrumentId: z.uuid().toLowerCase().nullable(),
  /** What becomes of days that have playing on record already: left out, or put beside it. */
  onRecord: z.enum(['leave', 'add']),
});
export type DiaryRequest = z.infer<typeof diaryRequestSchema>;

export const diaryPreviewSchema = z.object({
  guess: diaryGuessSchema,
  /** The first rows as they were cut. */
  head: z.array(z.array(z.string())),
  /** The first entries as they would be put on record. */
  entries: z.array(z.object({ line: z.number().int(), date: z.string(), minutes: z.number(), instrumentId: z.uuid() })),
  /** Entries in all, their minutes, and those left out because their day has playing on record. */
  count: z.number().int(),
  minutes: z.number(),
  left: z.number().int(),
  /** Lines that cannot be read, and why; the first of them. */
  faults: z.array(z.object({ line: z.number().int(), text: z.string(), why: z.string() })),
  faulty: z.number().int(),
});
export type DiaryPreview = z.infer<typeof diaryPreviewSchema>;

export const diaryImportSchema = diaryRequestSchema
  .extend({ plan: diaryPlanSchema, leaveFaulty: z.boolean() })
  .strict();

export const diaryOutcomeSchema = z.object({
  stored: z.number().int(),
  known: z.number().int(),
  left: z.number().int(),
});

/** The whole of a household as one file: what goes out can come in again. */
export const archiveSchema = z.object({
  format: z.literal('tembrin-1'),
  exportedAt: z.iso.datetime(),
  household: z.object({
    name: z.string(),
    timeZone: z.string(),
    schools: z.record(z.string(), z.string()),
    currency: z.string().nullable(),
  }),
  instruments: z.array(z.record(z.string(), z.unknown())),
  places: z.array(z.record(z.string(), z.unknown())),
  cards: z.array(z.record(z.string(), z.unknown())),
  events: z.array(z.unknown()),
});
export type Archive = z.infer<typeof archiveSchema>;

export const archiveOutcomeSchema = z.object({
  instruments: z.number().int(),
  places: z.number().int(),
  cards: z.number().int(),
  events: z.number().int(),
  known: z.number().int(),
});
