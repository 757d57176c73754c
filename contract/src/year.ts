import * as z from 'zod';
import { OCCASIONS } from '@tembrin/core/year';

/** Largest calendar that is read, bytes. */
export const CALENDAR_BYTES = 1_000_000;

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
  /** Hygrometers with their checks and readings; files of earlier versions have none. */
  sensors: z.array(z.record(z.string(), z.unknown())).default([]),
  /** Readings that are too many for one file: the oldest. */
  readingsLeft: z.number().int().min(0).default(0),
  cards: z.array(z.record(z.string(), z.unknown())),
  /** Persons, without what they sign in with; files of earlier versions have none. */
  people: z.array(z.record(z.string(), z.unknown())).default([]),
  events: z.array(z.unknown()),
});
export type Archive = z.infer<typeof archiveSchema>;

export const archiveOutcomeSchema = z.object({
  instruments: z.number().int(),
  places: z.number().int(),
  sensors: z.number().int(),
  readings: z.number().int(),
  cards: z.number().int(),
  events: z.number().int(),
  known: z.number().int(),
  /** Name, time zone, schools and currency of the household are the file's: it was empty before. */
  settings: z.boolean(),
  /** What does not come along, a sentence each. */
  left: z.array(z.string()),
});

/** `look`: only what would come in is told; nothing is kept. */
export const archiveQuerySchema = z.object({ look: z.stringbool().default(false) });
