import * as z from 'zod';
import { DOERS, id, type Mark } from './primitives';
import type { AdmissionContext, Refusal } from './refusal';
import { always, type Topic } from './topic';

/** Who looks for what is wrong, from the least to the most that can be asked of them. */
export const SEEKERS = ['child', 'player', 'practised'] as const;
export type Seeker = (typeof SEEKERS)[number];

/** A word of what is known of troubles: what it names may change, what was said stays on record. */
const word = z.string().regex(/^[a-z][a-z-]{0,39}$/, 'Not a word of what can be wrong.');
const aboutTrouble = { troubleId: id };

/** Something is wrong: what was noticed, what was seen when it was looked into, and what it was. */
export const troublePayloads = {
  /** What was noticed; the event's id is that of the trouble. */
  'trouble-noticed': z.strictObject({
    symptoms: z
      .array(word)
      .min(1, 'Say at least one thing that is wrong.')
      .max(5, 'At most five: more is another trouble.'),
    by: z.enum(SEEKERS),
  }),
  'trouble-answered': z.strictObject({ ...aboutTrouble, question: word, answer: word }),
  /** It is over; `cause` null: nobody knows what it was. */
  'trouble-settled': z.strictObject({
    ...aboutTrouble,
    cause: word.nullable(),
    by: z.enum(DOERS),
    note: z.string().trim().max(300, 'A note has at most 300 characters.'),
  }),
} as const;
type Payload<T extends keyof typeof troublePayloads> = z.infer<(typeof troublePayloads)[T]>;

/** A trouble, open or over. */
export interface Trouble extends Mark, Payload<'trouble-noticed'> {
  /** In order of time; of two to one question the later holds. */
  answers: (Mark & { question: string; answer: string })[];
  settled: (Mark & Omit<Payload<'trouble-settled'>, 'troubleId'>) | null;
}

export interface TroubleLists {
  troubles: Trouble[];
}

const known = ({ troubleId }: { troubleId: string }, { has }: AdmissionContext): Refusal | null =>
  has(troubleId) ? null : { code: 'no-such-event' };
const about = ({ troubleId }: { troubleId: string }) => [troubleId];

export const troubleTopic: Topic<keyof typeof troublePayloads, TroubleLists> = {
  start: () => ({ troubles: [] }),
  events: {
    'trouble-noticed': {
      admit: always,
      fold: ({ troubles }, mark, { payload }) =>
        void troubles.push({ ...mark, ...payload, answers: [], settled: null }),
    },
    'trouble-answered': {
      admit: ({ payload }, _at, context) => known(payload, context),
      refersTo: about,
      fold: ({ troubles }, mark, { payload: { troubleId, question, answer } }) =>
        void troubles.findLast(({ eventId }) => eventId === troubleId)?.answers.push({ ...mark, question, answer }),
    },
    'trouble-settled': {
      admit: ({ payload }, _at, context) => known(payload, context),
      refersTo: about,
      fold: ({ troubles }, mark, { payload: { troubleId, cause, by, note } }) => {
        const trouble = troubles.findLast(({ eventId }) => eventId === troubleId);
        if (trouble) trouble.settled ??= { ...mark, cause, by, note };
      },
    },
  },
};
