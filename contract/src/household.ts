import * as z from 'zod';
import { timeZoneSchema } from './account';
import { instrumentSchema } from './instrument';
import { isPlain, NOT_PLAIN_SENTENCE } from './plain';
import { personSchema } from './person';
import { ROLES } from '@tembrin/core/people';
import { currencySchema } from '@tembrin/core/year';
import { schoolChoicesSchema } from '@tembrin/core/schools';

export const householdChangeSchema = z.strictObject({
  name: z
    .string()
    .trim()
    .min(1, 'Give the household a name.')
    .max(80, 'A name has at most 80 characters.')
    .refine(isPlain, NOT_PLAIN_SENTENCE),
  timeZone: timeZoneSchema,
  schools: schoolChoicesSchema,
  /** What its prices are in; null while none was named. */
  currency: currencySchema.nullable(),
});
export type HouseholdChange = z.infer<typeof householdChangeSchema>;

/** The household the signed-in person belongs to, with all its instruments. */
export const householdSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  timeZone: z.string(),
  schools: schoolChoicesSchema,
  currency: z.string().nullable(),
  demo: z.boolean(),
  version: z.number().int().positive(),
  /** Address of the person signed in; null in the demo library. */
  email: z.string().nullable(),
  /** What the person signed in is here. */
  role: z.enum(ROLES).default('keeper'),
  /** The persons one is told of, those who are gone among them. */
  people: z.array(personSchema).default([]),
  instruments: z.array(instrumentSchema),
  /** Copies of those that were handed over to another household. */
  given: z.array(instrumentSchema).default([]),
});
export type Household = z.infer<typeof householdSchema>;
