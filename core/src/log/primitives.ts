import * as z from 'zod';

/** Fields that events are made of. */

export const instant = z.iso
  .datetime({ precision: 3, error: 'Write the time in UTC with milliseconds, like 2026-03-14T18:05:00.000Z.' })
  .refine((text) => text >= '1900' && text < '2200', 'Give a date between 1900 and 2199.');
export const id = z.uuid('Ids are UUIDs made by the app.').toLowerCase();
/** Position of a string, the lowest 0. */
export const position = z.number().int().min(0).max(59);

/** Who does a piece of upkeep. */
export const DOERS = ['self', 'teacher', 'workshop'] as const;
export type Doer = (typeof DOERS)[number];

/** What an event leaves in a log that is folded: which it was, and when, ms. */
export interface Mark {
  eventId: string;
  at: number;
  /** The person who did it; left out: nobody said. */
  who?: string;
}

/** A mark whose date may be only a bound: `known` false means that it happened no later than `at`. */
export interface KnownMark extends Mark {
  known: boolean;
}
