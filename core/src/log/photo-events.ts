import * as z from 'zod';
import { isLookedAt, isViewed, LOOKS, VIEWS, ZONES } from '../instruments';
import { id, type Mark } from './primitives';
import type { Topic } from './topic';

/** A photograph by what it holds: SHA-256 of its bytes, in hexadecimal digits. */
export const photoHash = z.string().regex(/^[0-9a-f]{64}$/, 'A photo is named by the SHA-256 of its bytes.');

/** Photographs that are kept; the picture itself is kept apart, under its hash. */
export const photoPayloads = {
  photographed: z.strictObject({
    photo: photoHash,
    /** What it shows, where it was taken while looking at that. */
    look: z.enum(LOOKS).nullable(),
    zone: z.enum(ZONES).nullable(),
    /** What was found, where it belongs to that: it goes with it. */
    findingId: id.nullable(),
    /** Which view of the whole it is, where it shows its state; left out: none of them. */
    view: z.enum(VIEWS).optional(),
  }),
} as const;

/** A photograph on record. */
export type Photographed = Mark & z.infer<(typeof photoPayloads)['photographed']>;

export interface PhotoLists {
  photos: Photographed[];
}

export const photoTopic: Topic<keyof typeof photoPayloads, PhotoLists> = {
  start: () => ({ photos: [] }),
  events: {
    photographed: {
      admit: ({ payload: { look, findingId, view } }, _at, { facts, has }) => {
        if (view !== undefined && !isViewed(view, facts.family)) return { code: 'no-such-view' };
        if (look !== null && !isLookedAt(look, facts.family)) return { code: 'no-such-look', look };
        return findingId === null || has(findingId) ? null : { code: 'no-such-event' };
      },
      refersTo: ({ findingId }) => (findingId === null ? [] : [findingId]),
      fold: ({ photos }, mark, { payload }) => void photos.push({ ...mark, ...payload }),
    },
  },
};
