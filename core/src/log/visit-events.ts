import * as z from 'zod';
import { dateSchema } from '../time';
import type { AirLists } from './air-events';
import { DOERS, id, type Mark } from './primitives';
import { always, type Topic } from './topic';

/** A word of what comes due: what it names may change, what was done stays on record. */
const part = z.string().regex(/^[a-z][a-z-]{0,39}$/, 'Not a word of what comes due.');

/** The workshop: the instrument is brought, it comes back; what was done, and what it cost. */
export const visitPayloads = {
  /** It is at the workshop from here on; the event's id is that of the stay. */
  'brought-in': z.strictObject({
    /** The visit it is brought for, a card of the household's; null: none is on record. */
    visitId: id.nullable(),
    /** When it is to be back; null: nobody said. */
    expected: dateSchema.nullable(),
  }),
  'fetched-back': z.strictObject({ stayId: id }),
  /** Something was done to it that nothing else here stands for, or that was paid for. */
  'worked-on': z.strictObject({
    by: z.enum(DOERS),
    words: z.string().trim().max(300, 'At most 300 characters.'),
    /** What comes due and was done; null: something else. */
    part: part.nullable(),
    /** What it cost; null: nobody said. */
    cost: z
      .strictObject({
        amount: z
          .number('Give the amount as a number.')
          .min(0, 'An amount is not negative.')
          .max(1_000_000, 'At most a million.'),
        /** ISO 4217. */
        currency: z.string().regex(/^[A-Z]{3}$/, 'Give the currency by its three letters, like EUR.'),
      })
      .nullable(),
    visitId: id.nullable(),
  }),
} as const;

/** A stay at the workshop; `backAt` null: it is there still. */
export interface WorkshopStay extends Mark {
  visitId: string | null;
  expected: string | null;
  backAt: number | null;
}

/** Something that was done to it, and what it cost. */
export type DoneWork = Mark & z.infer<(typeof visitPayloads)['worked-on']>;

export interface VisitLists {
  stays: WorkshopStay[];
  doneWorks: DoneWork[];
}

/** Where it lived before a stay, as it was then; null where nobody knew, or it was away already. */
function homeBefore(moves: AirLists['moves'], stay: WorkshopStay) {
  const at = moves.findLastIndex(({ eventId }) => eventId === stay.eventId);
  return at > 0 && at === moves.length - 1 ? moves[at - 1]! : null;
}

export const visitTopic: Topic<keyof typeof visitPayloads, VisitLists & Pick<AirLists, 'moves'>, VisitLists> = {
  start: () => ({ stays: [], doneWorks: [] }),
  events: {
    'brought-in': {
      admit: always,
      fold: ({ stays, moves }, mark, { payload }) => {
        stays.push({ ...mark, ...payload, backAt: null });
        // The air of the workshop is not known: it is away, as on a journey.
        if (moves.at(-1) && moves.at(-1)!.placeId !== null) moves.push({ ...mark, placeId: null, cased: true });
      },
    },
    'fetched-back': {
      admit: ({ payload }, _at, { has }) => (has(payload.stayId) ? null : { code: 'no-such-event' }),
      refersTo: ({ stayId }) => [stayId],
      fold: ({ stays, moves }, mark, { payload }) => {
        const stay = stays.findLast(({ eventId }) => eventId === payload.stayId);
        if (!stay || stay.backAt !== null) return;
        stay.backAt = mark.at;
        const home = homeBefore(moves, stay);
        if (home) moves.push({ ...mark, placeId: home.placeId, cased: home.cased });
      },
    },
    'worked-on': {
      admit: always,
      fold: ({ doneWorks }, mark, { payload }) => void doneWorks.push({ ...mark, ...payload }),
    },
  },
};

/** The stay at the workshop that an instrument is on; null where it is at home. Of several that nobody ended, the last. */
export function stayNow({ stays }: { stays: readonly WorkshopStay[] }): WorkshopStay | null {
  return stays.findLast(({ backAt }) => backAt === null) ?? null;
}
