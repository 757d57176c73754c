import * as z from 'zod';
import { PAPERS } from './briefs';
import { passportSchema } from '@tembrin/core/passport';

export const passportParams = z.object({ id: z.uuid('That is not an instrument’s id.').toLowerCase() });
export const passportPrintSchema = z.strictObject({
  paper: z.enum(PAPERS, { error: `Paper is one of: ${PAPERS.join(', ')}.` }).default('a4'),
  passport: passportSchema,
});
