import * as z from 'zod';
import { DATED_PARTS } from '../parts';
import { MOST_PHOTOS } from './brief';

/** Bounds of a brief as it is written: what fits on a page or two, and can be read in a minute or two. */
export const BRIEF_BOUNDS = {
  sections: 10,
  lines: 20,
  line: 300,
  title: 80,
  words: 600,
  asks: 16,
  ask: 160,
  all: 12_000,
} as const;

const line = z.string().trim().max(BRIEF_BOUNDS.line, `A line has at most ${BRIEF_BOUNDS.line} characters.`);

const id = z.uuid().toLowerCase();
const words = z
  .string()
  .trim()
  .min(1, 'Say what is to be done.')
  .max(BRIEF_BOUNDS.ask, `At most ${BRIEF_BOUNDS.ask} characters.`);

/** Something the workshop is asked to do: what comes due, something found, a trouble, or a wish in words. */
const askedSchema = z.discriminatedUnion('about', [
  z.strictObject({ about: z.literal('part'), part: z.enum(DATED_PARTS), bowId: id.nullable(), words }),
  z.strictObject({ about: z.literal('finding'), findingId: id, words }),
  z.strictObject({ about: z.literal('trouble'), troubleId: id, words }),
  z.strictObject({ about: z.literal('other'), words }),
]);
export type Asked = z.infer<typeof askedSchema>;

/** What the workshop is told, as the keeper has it: composed from the log, then the keeper’s own words. */
export const briefSchema = z
  .strictObject({
    instrumentId: z.uuid().toLowerCase(),
    title: z
      .string()
      .trim()
      .min(1, 'Give the brief a title.')
      .max(BRIEF_BOUNDS.title, `A title has at most ${BRIEF_BOUNDS.title} characters.`),
    /** The instrument in one line. */
    about: line,
    sections: z
      .array(
        z.strictObject({
          title: z.string().trim().min(1, 'Give the section a title.').max(BRIEF_BOUNDS.title),
          lines: z.array(line).max(BRIEF_BOUNDS.lines, `At most ${BRIEF_BOUNDS.lines} lines in a section.`),
        }),
      )
      .max(BRIEF_BOUNDS.sections, `At most ${BRIEF_BOUNDS.sections} sections.`),
    /** Wishes and limits: dates, budget, "call before more than …". */
    wishes: z.string().trim().max(BRIEF_BOUNDS.words, `At most ${BRIEF_BOUNDS.words} characters.`),
    /** What is to be done; what was written before that was asked has none. */
    asked: z.array(askedSchema).max(BRIEF_BOUNDS.asks, `At most ${BRIEF_BOUNDS.asks} things to be done.`).optional(),
    /** Photographs that go along, by the SHA-256 of their bytes. */
    photos: z.array(z.string().regex(/^[0-9a-f]{64}$/)).max(MOST_PHOTOS, `At most ${MOST_PHOTOS} photographs.`),
  })
  .refine(
    (brief) => JSON.stringify(brief).length <= BRIEF_BOUNDS.all,
    `A brief has at most ${BRIEF_BOUNDS.all} characters in all. Shorten it: a luthier reads a page.`,
  );
export type BriefDocument = z.infer<typeof briefSchema>;
