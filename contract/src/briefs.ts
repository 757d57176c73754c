import * as z from 'zod';

/** Papers a brief is printed on. */
export const PAPERS = ['a4', 'letter'] as const;
export type Paper = (typeof PAPERS)[number];

export const briefParams = z.object({ id: z.uuid().toLowerCase() });
export const briefQuery = z.object({
  paper: z.enum(PAPERS, { error: `Paper is one of: ${PAPERS.join(', ')}.` }).default('a4'),
});
