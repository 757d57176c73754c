import * as z from 'zod';
import { id, instant } from './primitives';
import { beganAtOf, sessionRefusal, spanRefusal, timesRefusal, tooEarly } from './session-admission';
import type { Topic } from './topic';

/** Playing: clocks started and stopped, sessions typed in, corrections, and whatever is taken back. */
export const sessionPayloads = {
  /** The clock was started; the event's id is the session's id. */
  'session-began': z.strictObject({}),
  /** The clock was stopped. */
  'session-ended': z.strictObject({ sessionId: id }),
  /** A session entered afterwards: `occurredAt` is its beginning. */
  'session-entered': z.strictObject({ endedAt: instant }),
  /** New times for a session of either kind; the latest recorded correction holds. */
  'session-corrected': z.strictObject({ sessionId: id, beganAt: instant, endedAt: instant }),
  /** Takes back an earlier event (or an earlier retraction). */
  retracted: z.strictObject({ eventId: id }),
} as const;

const TOGETHER = { nothing: 'sessions are folded together, from all events that hold' };

export const sessionTopic: Topic<keyof typeof sessionPayloads, object> = {
  start: () => ({}),
  events: {
    'session-began': {
      admit: (event, at, context) => tooEarly(at, context) ?? sessionRefusal(event, context),
      fold: TOGETHER,
    },
    'session-ended': {
      admit: (event, at, context) => {
        const beganAt = beganAtOf(event.payload.sessionId, context);
        if (!beganAt) return { code: 'no-such-session' };
        return spanRefusal(beganAt, at, context) ?? sessionRefusal(event, context);
      },
      refersTo: ({ sessionId }) => [sessionId],
      fold: TOGETHER,
    },
    'session-entered': {
      admit: (event, at, context) => timesRefusal(at, Date.parse(event.payload.endedAt), event, context),
      fold: TOGETHER,
    },
    'session-corrected': {
      admit: (event, _at, context) => {
        const { sessionId, beganAt, endedAt } = event.payload;
        if (!beganAtOf(sessionId, context)) return { code: 'no-such-session' };
        return timesRefusal(Date.parse(beganAt), Date.parse(endedAt), event, context);
      },
      refersTo: ({ sessionId }) => [sessionId],
      fold: TOGETHER,
    },
    retracted: {
      admit: (event, _at, context) =>
        context.has(event.payload.eventId) ? sessionRefusal(event, context) : { code: 'no-such-event' },
      refersTo: ({ eventId }) => [eventId],
      fold: { nothing: 'retractions are carried out before anything is folded' },
    },
  },
};

/** Types that decide what the sessions are: an event of one of them is judged against all the others of its instrument. */
export const SESSION_TYPES = Object.keys(sessionPayloads) as readonly (keyof typeof sessionPayloads)[];
