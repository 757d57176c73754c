import * as z from 'zod';
import { A4_RANGE_HZ, STANDARD_A4_HZ, TEMPERAMENTS } from '../pitch';

/** What the player's hands do to strings. */
export const SWEATS = ['low', 'usual', 'corrosive'] as const;
export type Sweat = (typeof SWEATS)[number];

const lengthMm = z
  .number('Give the length in millimetres.')
  .min(40, 'A vibrating length is at least 40 mm. Measure from nut to bridge.')
  .max(2000, 'A vibrating length is at most 2000 mm. Check the unit.');

/** How an instrument is strung and tuned; null: as usual for its family and size. */
export const stringingSchema = z.strictObject({
  /** Nut to bridge, where all strings are of one length. */
  lengthMm: lengthMm.nullable(),
  /** Strings that have a length of their own, lowest first: a harp's, one on an extension, those of slanted frets. */
  lengthsMm: z.array(lengthMm.nullable()).max(60).nullable(),
  /** Notes of the open strings, lowest first. */
  tuning: z.array(z.number().int().min(12).max(120)).max(60).nullable(),
  a4Hz: z
    .number('Give the A in Hz, like 440.')
    .min(A4_RANGE_HZ.least, `The A lies between ${A4_RANGE_HZ.least} and ${A4_RANGE_HZ.most} Hz.`)
    .max(A4_RANGE_HZ.most, `The A lies between ${A4_RANGE_HZ.least} and ${A4_RANGE_HZ.most} Hz.`),
  temperament: z.enum(TEMPERAMENTS).nullable(),
  sweat: z.enum(SWEATS),
  /** Diameter of the tuning posts. */
  postMm: z
    .number('Give the diameter in mm.')
    .min(3, 'A post is at least 3 mm thick.')
    .max(20, 'A post is at most 20 mm thick.'),
});
export type Stringing = z.infer<typeof stringingSchema>;

/** Strung and tuned as usual. A tuning post is taken to be 6 mm thick, from memory. */
export const USUAL_STRINGING: Stringing = {
  lengthMm: null,
  lengthsMm: null,
  tuning: null,
  a4Hz: STANDARD_A4_HZ,
  temperament: null,
  sweat: 'usual',
  postMm: 6,
};
