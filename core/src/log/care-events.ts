import * as z from 'zod';
import { FIGURE_DATA, FIGURES, isMeasured, recordOf, type Figure } from '../instruments';
import { ofBow, type OfBow } from './bow-events';
import type { KnownMark, Mark } from './primitives';
import { always, type Topic } from './topic';

/** Checkups, regulation, and figures of the set-up sheet. */
export const carePayloads = {
  'checked-up': z.strictObject({ known: z.boolean() }),
  /** The pedals or levers of a harp were regulated. */
  regulated: z.strictObject({ known: z.boolean() }),
  /** A figure of the set-up sheet; lengths in mm. */
  measured: z.strictObject({ figure: z.enum(FIGURES), value: z.number().min(0).max(1000), ...ofBow }),
} as const;

/** A figure of the set-up sheet as it was measured. */
export interface Measure extends Mark, OfBow {
  figure: Figure;
  value: number;
}

export interface CareLists {
  checkups: KnownMark[];
  regulations: KnownMark[];
  measures: Measure[];
}

export const careTopic: Topic<keyof typeof carePayloads, CareLists> = {
  start: () => ({ checkups: [], regulations: [], measures: [] }),
  events: {
    'checked-up': {
      admit: always,
      fold: ({ checkups }, mark, { payload }) => void checkups.push({ ...mark, ...payload }),
    },
    regulated: {
      admit: (_event, _at, { facts }) => (recordOf(facts.family).takes.action ? null : { code: 'no-action' }),
      fold: ({ regulations }, mark, { payload }) => void regulations.push({ ...mark, ...payload }),
    },
    measured: {
      admit: ({ payload: { figure, value, bowId } }, _at, { facts, hasBow }) => {
        const { least, most } = FIGURE_DATA[figure];
        if (!isMeasured(figure, facts.family)) return { code: 'no-such-figure', figure };
        if (bowId !== undefined && !hasBow(bowId)) return { code: 'no-such-bow' };
        return value < least || value > most ? { code: 'out-of-range', figure } : null;
      },
      fold: ({ measures }, mark, { payload: { figure, value, bowId } }) =>
        void measures.push({ ...mark, figure, value, bowId: bowId ?? null }),
    },
  },
};
