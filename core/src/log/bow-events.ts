import { z } from 'zod';
import { isBowed } from '../instruments';
import type { KnownMark, Mark } from './primitives';
import type { AdmissionContext, Refusal } from './refusal';
import type { Topic } from './topic';

/** The bow: rosin, new hair, the look at the hair. */
export const bowPayloads = {
  rosined: z.strictObject({}),
  rehaired: z.strictObject({ reason: z.enum(['worn', 'routine', 'on-record']), known: z.boolean() }),
  /** The yearly look at the hair, found good. */
  'hair-looked-over': z.strictObject({}),
} as const;

export interface BowLists {
  rosinings: Mark[];
  rehairs: KnownMark[];
  hairLooks: Mark[];
}

const needsBow = (_event: unknown, _at: number, { facts }: AdmissionContext): Refusal | null =>
  isBowed(facts.family) ? null : { code: 'no-bow' };

export const bowTopic: Topic<keyof typeof bowPayloads, BowLists> = {
  start: () => ({ rosinings: [], rehairs: [], hairLooks: [] }),
  events: {
    rosined: { admit: needsBow, fold: ({ rosinings }, mark) => void rosinings.push(mark) },
    rehaired: {
      admit: needsBow,
      fold: ({ rehairs }, mark, { payload }) => void rehairs.push({ ...mark, known: payload.known }),
    },
    'hair-looked-over': { admit: needsBow, fold: ({ hairLooks }, mark) => void hairLooks.push(mark) },
  },
};
