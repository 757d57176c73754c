import { z } from 'zod';
import { schoolChoicesSchema } from '../schools';
import { stringingSchema, USUAL_STRINGING } from '../strings/stringing';
import {
  CASES,
  FAMILIES,
  FAMILY_FACTS,
  FINISHES,
  HARP_STRINGS,
  KINDS,
  RESTS,
  type Family,
  type Kind,
} from './families';

export const setUpSchema = z.object({
  shoulderRest: z.enum(RESTS),
  case: z.enum(CASES),
  /** It has a stand or a wall hanger. */
  stand: z.boolean(),
  endpin: z.boolean(),
  /** A humidifier lies in the case. */
  humidifier: z.boolean(),
  /** The bridge is held by the strings alone, as on bowed instruments and some guitars. */
  floatingBridge: z.boolean(),
  finish: z.enum(FINISHES),
  /** Who plays it: a child gets an adult's help where a step can hurt. */
  player: z.enum(['adult', 'child']),
});
export type SetUp = z.infer<typeof setUpSchema>;

/** What the computation needs to know of an instrument. */
export const instrumentFactsSchema = z.object({
  family: z.enum(FAMILIES),
  kind: z.enum(KINDS).nullable(),
  size: z.string().trim().max(12, 'A size is at most 12 characters, like 1/2.').nullable(),
  stringCount: z
    .number('Give the number of strings.')
    .int('The number of strings is a whole number.')
    .min(1, 'An instrument has at least one string.')
    .max(60, 'At most 60 strings.'),
  /** Calendar date (yyyy-mm-dd) since when the household has had it; null when not said. */
  since: z.iso.date('Write the date as year-month-day, like 2026-03-14.').nullable(),
  setUp: setUpSchema,
  /** How it is strung and tuned. */
  stringing: stringingSchema.default(USUAL_STRINGING),
  /** Schools chosen for this instrument; where it says nothing, the household's hold. */
  schools: schoolChoicesSchema,
});
export type InstrumentFacts = z.infer<typeof instrumentFactsSchema>;

/**
 * The usual facts of a family, to start from when nothing else is said.
 * @param kind for a guitar or harp; the family's first kind when left out
 */
export function usualFacts(family: Family, kind?: Kind): InstrumentFacts {
  const facts = FAMILY_FACTS[family];
  const chosen = kind ?? facts.kinds[0] ?? null;
  return {
    family,
    kind: chosen,
    size: facts.sizes[0] ?? null,
    stringCount:
      family === 'harp' && (chosen === 'lever' || chosen === 'pedal') ? HARP_STRINGS[chosen] : facts.stringCount,
    since: null,
    setUp: {
      shoulderRest: facts.shoulderRest ? 'rest' : 'none',
      case: facts.case,
      stand: false,
      endpin: facts.endpin,
      humidifier: false,
      floatingBridge: facts.bowed,
      finish: facts.finish,
      player: 'adult',
    },
    stringing: USUAL_STRINGING,
    schools: {},
  };
}

/**
 * Names of an instrument's strings by position, lowest first: note letters where the family has them, numbers otherwise.
 * Harp strings are numbered from the top, as harpists do, so the list runs from the highest number down to 1.
 */
export function stringNames(facts: Pick<InstrumentFacts, 'family' | 'stringCount'>): string[] {
  const named = FAMILY_FACTS[facts.family].strings;
  if (named.length === facts.stringCount) return [...named];
  return Array.from({ length: facts.stringCount }, (_, at) => String(facts.stringCount - at));
}
