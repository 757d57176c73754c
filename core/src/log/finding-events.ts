import * as z from 'zod';
import {
  FIGURE_DATA,
  FIGURES,
  isBowed,
  isLookedAt,
  LOOK_DATA,
  LOOKS,
  VERDICTS,
  ZONES,
  type LookId,
} from '../instruments';
import { ofBow, type BowLists, type OfBow } from './bow-events';
import type { CareLists } from './care-events';
import { id, position, type Mark } from './primitives';
import type { AdmissionContext, Refusal } from './refusal';
import type { StringLists } from './string-events';
import { always, type Topic } from './topic';

/** Who looks it over: what is asked, and how, depends on it. */
export const LOOKERS = ['child', 'player', 'teacher'] as const;
export type Looker = (typeof LOOKERS)[number];

/** Three looks; all in ten minutes; those at the bow alone. */
export const EXTENTS = ['quick', 'full', 'bow'] as const;
export type Extent = (typeof EXTENTS)[number];

/** How something found is settled. */
export const SETTLED = ['mended', 'seen-to', 'false-alarm'] as const;
export type Settled = (typeof SETTLED)[number];

/** A place on the plate as it is drawn for the right hand, from its upper left corner: shares of its width and height. */
const point = z.strictObject({ x: z.number().min(0).max(1), y: z.number().min(0).max(1) });
const overId = id.nullable();

/** The look-over: rounds of it, what was seen, what became of it. */
export const findingPayloads = {
  /** It is being looked over; the event's id is that of the round. */
  'look-over-began': z.strictObject({ extent: z.enum(EXTENTS), by: z.enum(LOOKERS), ...ofBow }),
  'look-over-ended': z.strictObject({ overId: id }),
  /** One thing was looked at; `overId` null: by itself. */
  'looked-at': z.strictObject({
    look: z.enum(LOOKS),
    verdict: z.enum(VERDICTS),
    overId,
    by: z.enum(LOOKERS),
    zone: z.enum(ZONES).nullable(),
    point: point.nullable(),
    figures: z.array(z.strictObject({ figure: z.enum(FIGURES), value: z.number().min(0).max(1000) })).max(4),
    /** Which string, where it is about one. */
    string: position.nullable(),
    note: z.string().trim().max(300, 'A note has at most 300 characters.'),
    ...ofBow,
  }),
  'look-skipped': z.strictObject({ look: z.enum(LOOKS), overId: id }),
  /** What was found is seen to; with it what was found of the same thing before. */
  'finding-settled': z.strictObject({ findingId: id, how: z.enum(SETTLED) }),
  /** It fell, or was knocked. */
  knocked: z.strictObject({}),
} as const;
type Payload<T extends keyof typeof findingPayloads> = z.infer<(typeof findingPayloads)[T]>;

/** One thing as it was seen. */
export type Finding = Mark & Omit<Payload<'looked-at'>, 'bowId'> & OfBow;

/** A look-over, under way or over. */
export interface LookOver extends Mark, OfBow {
  extent: Extent;
  by: Looker;
  /** When it ended, ms; null while it is under way. */
  endedAt: number | null;
  skipped: (Mark & { look: LookId })[];
}

export interface FindingLists {
  lookOvers: LookOver[];
  findings: Finding[];
  settlements: (Mark & Payload<'finding-settled'>)[];
  knocks: Mark[];
}
/** What a look leaves besides: its figures, and that strings or hair were found good. */
type Touched = Pick<CareLists, 'measures'> & Pick<StringLists, 'stringLooks'> & Pick<BowLists, 'hairLooks'>;

function lookRefusal(
  { look, figures, string, overId: over, bowId }: Payload<'looked-at'>,
  { facts, has, hasBow }: AdmissionContext,
): Refusal | null {
  if (!isLookedAt(look, facts.family)) return { code: 'no-such-look', look };
  if (over !== null && !has(over)) return { code: 'no-such-event' };
  if (bowId !== undefined && !hasBow(bowId)) return { code: 'no-such-bow' };
  if (string !== null && string >= facts.stringCount) return { code: 'no-such-string', stringCount: facts.stringCount };
  for (const { figure, value } of figures) {
    const { least, most } = FIGURE_DATA[figure];
    if (!LOOK_DATA[look].figures?.includes(figure)) return { code: 'no-such-figure', figure };
    if (value < least || value > most) return { code: 'out-of-range', figure };
  }
  return null;
}

const aboutOver = ({ overId: over }: { overId: string | null }) => (over === null ? [] : [over]);
const known = ({ overId: over }: { overId: string }, { has }: AdmissionContext): Refusal | null =>
  has(over) ? null : { code: 'no-such-event' };

export const findingTopic: Topic<keyof typeof findingPayloads, FindingLists & Touched, FindingLists> = {
  start: () => ({ lookOvers: [], findings: [], settlements: [], knocks: [] }),
  events: {
    'look-over-began': {
      admit: ({ payload: { bowId } }, _at, { facts, hasBow }) => {
        if (bowId === undefined) return null;
        if (!isBowed(facts.family)) return { code: 'no-bow' };
        return hasBow(bowId) ? null : { code: 'no-such-bow' };
      },
      fold: ({ lookOvers }, mark, { payload: { extent, by, bowId } }) =>
        void lookOvers.push({ ...mark, extent, by, bowId: bowId ?? null, endedAt: null, skipped: [] }),
    },
    'look-over-ended': {
      admit: ({ payload }, _at, context) => known(payload, context),
      refersTo: aboutOver,
      fold: ({ lookOvers }, { at }, { payload }) => {
        const over = lookOvers.find(({ eventId }) => eventId === payload.overId);
        if (over) over.endedAt ??= at;
      },
    },
    'looked-at': {
      admit: ({ payload }, _at, context) => lookRefusal(payload, context),
      refersTo: aboutOver,
      fold: ({ findings, measures, stringLooks, hairLooks }, mark, { payload: { bowId = null, ...seen } }) => {
        findings.push({ ...mark, ...seen, bowId });
        for (const { figure, value } of seen.figures) measures.push({ ...mark, figure, value, bowId });
        if (seen.verdict !== 'good') return;
        if (seen.look === 'strings' && seen.string === null) stringLooks.push(mark);
        if (seen.look === 'hair-band') hairLooks.push({ ...mark, bowId });
      },
    },
    'look-skipped': {
      admit: ({ payload }, _at, context) => known(payload, context),
      refersTo: aboutOver,
      fold: ({ lookOvers }, mark, { payload: { look, overId: over } }) =>
        void lookOvers.find(({ eventId }) => eventId === over)?.skipped.push({ ...mark, look }),
    },
    'finding-settled': {
      admit: ({ payload }, _at, { has }) => (has(payload.findingId) ? null : { code: 'no-such-event' }),
      refersTo: ({ findingId }) => [findingId],
      fold: ({ settlements }, mark, { payload }) => void settlements.push({ ...mark, ...payload }),
    },
    knocked: { admit: always, fold: ({ knocks }, mark) => void knocks.push(mark) },
  },
};
