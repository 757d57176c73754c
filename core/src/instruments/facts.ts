import * as z from 'zod';
import { noteName } from '../pitch';
import { schoolChoicesSchema } from '../schools';
import { dateSchema } from '../time';
import { FAMILIES, KINDS, kindsOf, recordOf, sizesOf, variantOf, type Family, type Kind } from './families';
import { CASES, FINISHES, RESTS } from './family';
import { HABITS } from './habits';
import { layoutOf, notesOf } from './layouts';
import { stringingSchema, USUAL_STRINGING } from './stringing';

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
  /** Strung and built for the left hand to bow or to pluck: everything is the other way round. */
  leftHanded: z.boolean().default(false),
  /** Length of the body without the button, mm, where it is told by that; null: nobody measured it. */
  bodyMm: z
    .number('Give the length of the body as a number.')
    .min(200, 'A body is at least 200 mm long. Check the unit.')
    .max(600, 'A body is at most 600 mm long. Check the unit.')
    .nullable()
    .default(null),
  /** How much it is played on most days, as said when it was added; null: nobody knows. */
  habit: z.enum(HABITS).nullable().default(null),
});
export type SetUp = z.infer<typeof setUpSchema>;

/** What the computation needs to know of an instrument. */
export const instrumentFactsShape = {
  family: z.enum(FAMILIES),
  kind: z.enum(KINDS).nullable(),
  size: z.string().trim().max(12, 'A size is at most 12 characters, like 1/2.').nullable(),
  stringCount: z
    .number('Give the number of strings.')
    .int('The number of strings is a whole number.')
    .min(1, 'An instrument has at least one string.')
    .max(60, 'At most 60 strings.'),
  /** Calendar date (yyyy-mm-dd) since when the household has had it; null when not said. */
  since: dateSchema.nullable(),
  setUp: setUpSchema,
  /** How it is strung and tuned. */
  stringing: stringingSchema.default(USUAL_STRINGING),
  /** Schools chosen for this instrument; where it says nothing, the household's hold. */
  schools: schoolChoicesSchema,
};
export const instrumentFactsSchema = z.object(instrumentFactsShape);
export type InstrumentFacts = z.infer<typeof instrumentFactsSchema>;

/**
 * The usual facts of a family, to start from when nothing else is said.
 * @param kind the family's first kind when left out
 */
export function usualFacts(family: Family, kind: Kind | null = kindsOf(family)[0] ?? null): InstrumentFacts {
  const { takes, usual } = recordOf(family);
  return {
    family,
    kind,
    size: recordOf(family).body ? null : (sizesOf(family)[0] ?? null),
    stringCount: variantOf({ family, kind }).stringCount,
    since: null,
    setUp: {
      shoulderRest: takes.chin ? 'rest' : 'none',
      case: usual.case,
      stand: false,
      endpin: takes.endpin,
      humidifier: false,
      floatingBridge: usual.floatingBridge,
      finish: usual.finish,
      player: 'adult',
      leftHanded: false,
      bodyMm: null,
      habit: null,
    },
    stringing: USUAL_STRINGING,
    schools: {},
  };
}

/**
 * Names of an instrument's strings by position, lowest first: as its layout has them, by note where no two share one, else by
 * number. Numbers run from the top, as players count, so the list goes from the highest number down to 1.
 * @example stringNames(usualFacts('cello')) // ['C', 'G', 'D', 'A']
 */
export function stringNames(facts: Pick<InstrumentFacts, 'family' | 'kind' | 'stringCount' | 'stringing'>): string[] {
  const named = layoutOf(facts)?.names ?? null;
  if (named) return [...named];
  const usual = variantOf(facts).stringNames;
  if (usual?.length === facts.stringCount) return [...usual];
  const letters = notesOf(facts).map((note) => noteName(note).replace(/(?<!\d)-?\d+$/, ''));
  if (usual && new Set(letters).size === letters.length) return letters;
  return Array.from({ length: facts.stringCount }, (_, at) => String(facts.stringCount - at));
}
