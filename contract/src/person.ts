import * as z from 'zod';
import { SWEATS } from '@tembrin/core/instruments';
import { ROLES } from '@tembrin/core/people';
import { schoolChoicesSchema } from '@tembrin/core/schools';

/** How somebody goes about it, whatever they play. */
export const ways = {
  /** Sides they take where practitioners differ. */
  schools: schoolChoicesSchema.optional(),
  /** What their hands do to strings; null or left out: nobody said. */
  hands: z.enum(SWEATS).nullable().optional(),
};

/** A person of a household as another sees them. */
export const personSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  role: z.enum(ROLES),
  /** Ids of instruments they play, and of those they look after for others. */
  plays: z.array(z.string()),
  looksAfter: z.array(z.string()),
  ...ways,
  /** Whether they sign in by themselves. */
  account: z.boolean(),
  /** Whether it is who asks. */
  me: z.boolean(),
  /** Since when they are gone: their name stays with what they did. */
  goneAt: z.iso.datetime().nullable(),
  version: z.number().int().positive(),
});
export type Person = z.infer<typeof personSchema>;
