import { z } from 'zod';
import { ROLES } from '@tembrin/core/people';

/** A person of a household as another sees them. */
export const personSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  role: z.enum(ROLES),
  /** Ids of instruments they play, and of those they look after for others. */
  plays: z.array(z.string()),
  looksAfter: z.array(z.string()),
  /** Whether they sign in by themselves. */
  account: z.boolean(),
  /** Whether it is who asks. */
  me: z.boolean(),
  /** Since when they are gone: their name stays with what they did. */
  goneAt: z.iso.datetime().nullable(),
  version: z.number().int().positive(),
});
export type Person = z.infer<typeof personSchema>;
