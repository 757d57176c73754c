import * as z from 'zod';
import { passportSchema } from '@tembrin/core/passport';
import { PAPERS } from './briefs';
import { QUOTAS } from './quotas';

const paper = z.enum(PAPERS, { error: `Paper is one of: ${PAPERS.join(', ')}.` }).default('a4');
const who = z.string().trim().min(1, 'Say who signs.').max(120, 'At most 120 characters.');

/** A sheet that goes with a loan, as the app composed it, to be signed on paper. */
export const loanSheetSchema = z.strictObject({
  paper,
  sheet: passportSchema,
  /** Who signs, each on a line of their own. */
  signs: z.array(who).min(1).max(4),
});
export const loanSheetParams = z.object({ id: z.uuid('That is not an instrument’s id.').toLowerCase() });

/** Labels of some instruments, in this order. */
export const labelsSchema = z.strictObject({
  paper,
  instrumentIds: z
    .array(z.uuid().toLowerCase())
    .min(1, 'Choose at least one instrument.')
    .max(QUOTAS.instruments, `At most ${QUOTAS.instruments} labels at a time.`),
});
