import * as z from 'zod';
import { photoHash } from '../log/photo-events';

/** Bounds of a passport on paper. From memory: thirty years of upkeep on some sixty pages. */
export const PASSPORT_BOUNDS = { sections: 20, rows: 1500, cell: 400, words: 120, photos: 60, all: 600_000 } as const;

const words = (most: number) => z.string().trim().max(most, `At most ${most} characters.`);
const picture = z.strictObject({ photo: photoHash, words: words(PASSPORT_BOUNDS.words) });

/** The life of an instrument as it is printed: what the app composed of its log, in the words and units of who reads it. */
export const passportSchema = z
  .strictObject({
    title: words(PASSPORT_BOUNDS.words).min(1, 'Give the passport a title.'),
    about: words(PASSPORT_BOUNDS.cell),
    sections: z
      .array(
        z.strictObject({
          title: words(PASSPORT_BOUNDS.words).min(1),
          /** What, and when or how much. */
          rows: z.array(z.tuple([words(PASSPORT_BOUNDS.words), words(PASSPORT_BOUNDS.cell)])).max(PASSPORT_BOUNDS.rows),
        }),
      )
      .max(PASSPORT_BOUNDS.sections),
    /** Views of the whole, then photographs besides. */
    views: z.array(picture).max(PASSPORT_BOUNDS.photos),
    photos: z.array(picture).max(PASSPORT_BOUNDS.photos),
  })
  .refine(
    ({ sections }) => sections.reduce((count, { rows }) => count + rows.length, 0) <= PASSPORT_BOUNDS.rows,
    `A passport has at most ${PASSPORT_BOUNDS.rows} lines in all.`,
  )
  .refine(
    ({ views, photos }) => views.length + photos.length <= PASSPORT_BOUNDS.photos,
    `A passport has at most ${PASSPORT_BOUNDS.photos} photographs; the others are in the file of photographs.`,
  )
  .refine((passport) => JSON.stringify(passport).length <= PASSPORT_BOUNDS.all, 'That is more than a passport holds.');
export type PassportDocument = z.infer<typeof passportSchema>;
