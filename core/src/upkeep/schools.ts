import { z } from 'zod';

/** The household's choices where practitioners disagree. */
export const schoolsSchema = z.object({
  /** Checkups: A every 6 months, B yearly [handbook 7]. */
  checkup: z.enum(['A', 'B']),
  /** Cloths: A two, B one with the rosin zones last [handbook 2.5]. */
  cloths: z.enum(['A', 'B']),
});
export type Schools = z.infer<typeof schoolsSchema>;

export const USUAL_SCHOOLS: Schools = { checkup: 'A', cloths: 'A' };

/** Months between checkups, by school [handbook 7]. */
export const CHECKUP_MONTHS: Readonly<Record<Schools['checkup'], number>> = { A: 6, B: 12 };
