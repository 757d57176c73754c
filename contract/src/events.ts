import * as z from 'zod';
import { problemSchema } from './problem';
import { logEventSchema } from '@tembrin/core/log';

/** Most events one request may carry. */
export const EVENTS_PER_POST = 200;
/** Most events one page of the log holds. */
export const EVENTS_PER_PAGE = 5000;

/** Events are judged one by one, so that one bad line does not hold up the others. */
export const eventPostSchema = z.strictObject({
  events: z
    .array(z.unknown(), 'Send a list of events.')
    .min(1, 'Send at least one event.')
    .max(EVENTS_PER_POST, `Send at most ${EVENTS_PER_POST} events at a time.`),
});

export const eventOutcomeSchema = z.object({
  /** Place in the posted list. */
  index: z.number().int(),
  id: z.string().nullable(),
  /** known: this id was stored before, and nothing was done. */
  outcome: z.enum(['stored', 'known', 'refused']),
  problem: problemSchema.optional(),
});
export type EventOutcome = z.infer<typeof eventOutcomeSchema>;

export const eventPostResultSchema = z.object({ outcomes: z.array(eventOutcomeSchema) });

export const logQuerySchema = z.object({
  instrumentId: z.uuid('Give the instrument’s id.').toLowerCase().optional(),
  /** Only events stored after this place in the log. */
  after: z.coerce.number().int().min(0).default(0),
});

export const logPageSchema = z.object({
  events: z.array(logEventSchema),
  /** Place in the log reached; ask again with `after` set to it. */
  reached: z.number().int(),
  more: z.boolean(),
  /** Place of the newest entry of all: how far there is to go. */
  last: z.number().int(),
  /**
   * Which log it is. Another than before, or a place reached before the one asked from: what the server had was put back from a
   * backup, so read from the beginning.
   */
  epoch: z.string(),
});
export type LogPage = z.infer<typeof logPageSchema>;
