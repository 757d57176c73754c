import * as z from 'zod';
import { dateSchema } from '../time';

const words = (most: number) => z.string().trim().max(most, `At most ${most} characters.`);

/** What an instrument is told by, as its keeper writes it; seen by the household only, and in the passport where that is asked. */
export const identitySchema = z.strictObject({
  instrumentId: z.uuid().toLowerCase(),
  /** What the maker’s label says, letter by letter. */
  label: words(300),
  /** When it was made; the label’s year or what is thought: "about 1890". */
  made: words(40),
  serial: words(60),
  /** Marks it is known again by: a grain line, a mended crack. */
  marks: words(600),
  /** What it is insured for, or was valued at; null: nobody said. */
  value: z
    .strictObject({
      amount: z
        .number('Give the value as a number.')
        .min(0, 'A value is not negative.')
        .max(100_000_000, 'At most a hundred million.'),
      currency: z.string().regex(/^[A-Z]{3}$/, 'Give the currency by its three letters, like EUR.'),
      on: dateSchema.nullable(),
    })
    .nullable(),
  insurer: words(120),
  policy: words(60),
  /** From whom it came, and how. */
  came: words(300),
});
export type Identity = z.infer<typeof identitySchema>;
