import * as z from 'zod';
import { isBowed } from '../instruments';
import { id, type KnownMark, type Mark } from './primitives';
import type { AdmissionContext, Refusal } from './refusal';
import type { Topic } from './topic';

/** Which bow it is about; left out: the one in hand at the time. */
export const ofBow = { bowId: id.optional() };

/** Bows: which is in hand, rosin, new hair, the look at the hair. */
export const bowPayloads = {
  /** From here on the instrument is played with this bow. The bow an instrument came with has the instrument's id. */
  'bow-taken': z.strictObject({ bowId: id }),
  rosined: z.strictObject(ofBow),
  rehaired: z.strictObject({ reason: z.enum(['worn', 'routine', 'on-record']), known: z.boolean(), ...ofBow }),
  /** The yearly look at the hair, found good. */
  'hair-looked-over': z.strictObject(ofBow),
} as const;

/** Something done to a bow: the one named, or null, the one in hand. */
export interface OfBow {
  bowId: string | null;
}

export interface BowLists {
  bowsTaken: (Mark & { bowId: string })[];
  rosinings: (Mark & OfBow)[];
  rehairs: (KnownMark & OfBow)[];
  hairLooks: (Mark & OfBow)[];
}

function bowRefusal(
  { payload: { bowId } }: { payload: { bowId?: string | undefined } },
  _at: number,
  { facts, hasBow }: AdmissionContext,
): Refusal | null {
  if (!isBowed(facts.family)) return { code: 'no-bow' };
  return bowId === undefined || hasBow(bowId) ? null : { code: 'no-such-bow' };
}

export const bowTopic: Topic<keyof typeof bowPayloads, BowLists> = {
  start: () => ({ bowsTaken: [], rosinings: [], rehairs: [], hairLooks: [] }),
  events: {
    'bow-taken': {
      admit: bowRefusal,
      fold: ({ bowsTaken }, mark, { payload }) => void bowsTaken.push({ ...mark, bowId: payload.bowId }),
    },
    rosined: {
      admit: bowRefusal,
      fold: ({ rosinings }, mark, { payload }) => void rosinings.push({ ...mark, bowId: payload.bowId ?? null }),
    },
    rehaired: {
      admit: bowRefusal,
      fold: ({ rehairs }, mark, { payload }) =>
        void rehairs.push({ ...mark, known: payload.known, bowId: payload.bowId ?? null }),
    },
    'hair-looked-over': {
      admit: bowRefusal,
      fold: ({ hairLooks }, mark, { payload }) => void hairLooks.push({ ...mark, bowId: payload.bowId ?? null }),
    },
  },
};
