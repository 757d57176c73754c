import * as z from 'zod';
import { FIGURES } from '../instruments';
import { dateSchema } from '../time';

/** Bounds of what a workshop answers. From memory: what fits on the back of a card. */
export const ANSWER_BOUNDS = { note: 1000, from: 80, line: 200, lines: 24, figures: 24, answers: 30 } as const;

const note = z.string().trim().max(ANSWER_BOUNDS.note, `At most ${ANSWER_BOUNDS.note} characters.`);
const from = z.string().trim().max(ANSWER_BOUNDS.from, `A name has at most ${ANSWER_BOUNDS.from} characters.`);
const amount = z
  .number('Write the amount as a number, like 80 or 79.50.')
  .min(0, 'An amount is not negative.')
  .max(1_000_000, 'At most a million.');
const currency = z.string().regex(/^[A-Z]{3}$/, 'Choose the currency.');

/** One thing that was done. */
const lineSchema = z.strictObject({
  /** Which of what was asked, counted from 0; null: something besides. */
  asked: z.number().int().min(0).max(99).nullable(),
  /** What was done, in the workshop’s words; may be left empty where it was asked for. */
  words: z.string().trim().max(ANSWER_BOUNDS.line, `At most ${ANSWER_BOUNDS.line} characters a line.`),
  cost: amount.nullable(),
});

/** What was done to one instrument, and its figures as they are now. */
const doneSheetSchema = z.strictObject({
  briefId: z.uuid().toLowerCase(),
  lines: z.array(lineSchema).max(ANSWER_BOUNDS.lines),
  figures: z
    .array(z.strictObject({ figure: z.enum(FIGURES), value: z.number().min(0).max(1000) }))
    .max(ANSWER_BOUNDS.figures),
});
export type DoneSheet = z.infer<typeof doneSheetSchema>;

/** What a workshop answers to a brief. Text only; it is a proposal until the keeper takes it. */
export const answerSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('seen'), from, note }),
  z.strictObject({ kind: z.literal('question'), from, note: note.min(1, 'Write the question.') }),
  z
    .strictObject({
      kind: z.literal('estimate'),
      from,
      note,
      low: amount,
      high: amount,
      currency,
      /** When it could be ready; null: not said. */
      ready: dateSchema.nullable(),
    })
    .refine(({ low, high }) => high >= low, { path: ['high'], error: 'The higher amount comes second.' }),
  z
    .strictObject({
      kind: z.literal('done'),
      from,
      note,
      currency: currency.nullable(),
      on: dateSchema,
      sheets: z.array(doneSheetSchema).min(1),
    })
    .refine(({ sheets }) => sheets.some(({ lines, figures }) => lines.length + figures.length > 0), {
      path: ['sheets'],
      error: 'Tick or write at least one thing that was done.',
    })
    .refine(
      ({ sheets, currency: named }) =>
        named !== null || sheets.every(({ lines }) => lines.every(({ cost }) => cost === null)),
      { path: ['currency'], error: 'Choose the currency of what it cost.' },
    ),
]);
export type Answer = z.infer<typeof answerSchema>;
export type AnswerOf<K extends Answer['kind']> = Extract<Answer, { kind: K }>;
