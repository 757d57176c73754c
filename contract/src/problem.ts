import * as z from 'zod';

/** An RFC 9457 problem document. `detail` is a sentence the person at the screen can act on. */
export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  detail: z.string(),
  /** Sentences beside the fields they are about, by dotted path. */
  fields: z.record(z.string(), z.string()).optional(),
});
export type Problem = z.infer<typeof problemSchema>;
