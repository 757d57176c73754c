import * as z from 'zod';
import { airPayloads } from './air-events';
import { bowPayloads } from './bow-events';
import { carePayloads } from './care-events';
import { findingPayloads } from './finding-events';
import { jobPayloads } from './job-events';
import { id, instant } from './primitives';
import { photoPayloads } from './photo-events';
import { roundPayloads } from './round-events';
import { sessionPayloads } from './session-events';
import { stringPayloads } from './string-events';
import { troublePayloads } from './trouble-events';
import { visitPayloads } from './visit-events';

/** Every type of event with what it carries; what each means stands beside it, in the file of its topic. */
const payloads = {
  ...sessionPayloads,
  ...roundPayloads,
  ...stringPayloads,
  ...bowPayloads,
  ...carePayloads,
  ...airPayloads,
  ...findingPayloads,
  ...photoPayloads,
  ...troublePayloads,
  ...jobPayloads,
  ...visitPayloads,
} as const;
type Payloads = typeof payloads;

export type EventType = keyof Payloads;
export const EVENT_TYPES = Object.keys(payloads) as EventType[];

/** One type of event. */
export type EventOf<T extends EventType> = {
  [K in T]: {
    /** UUID made on the device that wrote it down. */
    id: string;
    instrumentId: string;
    type: K;
    /** When it happened. */
    occurredAt: string;
    /** When it was written down, on the device that made it. */
    recordedAt: string;
    /** Id of the person who did it; left out: before that was put down, or where nobody said. */
    by?: string;
    payload: z.infer<Payloads[K]>;
  };
}[T];

/** One line of the log. Append-only: a mistake is taken back by `retracted`, never changed. */
export type LogEvent = EventOf<EventType>;

const variants = EVENT_TYPES.map((type) =>
  z.strictObject({
    id,
    instrumentId: id,
    type: z.literal(type),
    occurredAt: instant,
    recordedAt: instant,
    by: id.optional(),
    payload: payloads[type],
  }),
);

/** Checks one line of the log. */
export const logEventSchema = z.discriminatedUnion(
  'type',
  variants as [(typeof variants)[number], ...(typeof variants)[number][]],
  {
    error: (issue) =>
      issue.code === 'invalid_union' ? `Unknown event type. Known: ${EVENT_TYPES.join(', ')}.` : undefined,
  },
) as unknown as z.ZodType<LogEvent>;
