import * as z from 'zod';
import { id, type Mark } from './primitives';
import { always, type Topic } from './topic';

/** Where an instrument lives, and the humidifier in its case. */
export const airPayloads = {
  /** From here on it lives in this place (null: away); `cased`: in its own case there. */
  moved: z.strictObject({ placeId: id.nullable(), cased: z.boolean() }),
  /** The humidifier of its case on the scales: empty and dry, as taken out, or as filled again; grams. */
  'humidifier-weighed': z.strictObject({
    kind: z.enum(['empty', 'before', 'filled']),
    grams: z.number('Give the weight in grams.').min(0.1, 'It weighs more than nothing.').max(5000, 'At most 5 kg.'),
  }),
} as const;

/** From when on an instrument lived where. */
export type Move = Mark & z.infer<(typeof airPayloads)['moved']>;

/** One weighing of an in-case humidifier, grams. empty: dry, as it weighs without water; before: as it was taken out; filled: as it went back. */
export type Weighing = Mark & z.infer<(typeof airPayloads)['humidifier-weighed']>;

export interface AirLists {
  moves: Move[];
  weighings: Weighing[];
}

export const airTopic: Topic<keyof typeof airPayloads, AirLists> = {
  start: () => ({ moves: [], weighings: [] }),
  events: {
    moved: {
      admit: ({ payload: { placeId } }, _at, { hasPlace }) =>
        placeId === null || hasPlace(placeId) ? null : { code: 'no-such-place' },
      fold: ({ moves }, mark, { payload }) => void moves.push({ ...mark, ...payload }),
    },
    'humidifier-weighed': {
      admit: always,
      fold: ({ weighings }, mark, { payload }) => void weighings.push({ ...mark, ...payload }),
    },
  },
};
