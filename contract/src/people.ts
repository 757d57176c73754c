import { z } from 'zod';
import { personFactsSchema, ROLES } from '@tembrin/core/people';
import { checkPlain } from './plain';

const id = z.uuid('Ids are UUIDs made by the app.').toLowerCase();
/** What somebody is called is plain text. */
function checkName({ name }: { name: string }, context: z.RefinementCtx): void {
  checkPlain(name, ['name'], context);
}

export const personChangeSchema = personFactsSchema.superRefine(checkName);
export type PersonChange = z.infer<typeof personChangeSchema>;
export const newPersonSchema = z.strictObject({ id, ...personFactsSchema.shape }).superRefine(checkName);
export type NewPerson = z.infer<typeof newPersonSchema>;
export const personParams = z.strictObject({ id });

/** A person of a household as another sees them. */
export const personSchema = z.object({
  id: z.uuid(),
  ...personFactsSchema.shape,
  /** Whether they sign in by themselves. */
  account: z.boolean(),
  /** Whether it is who asks. */
  me: z.boolean(),
  /** Since when they are gone: their name stays with what they did. */
  goneAt: z.iso.datetime().nullable(),
  version: z.number().int().positive(),
});
export type Person = z.infer<typeof personSchema>;

export const newInvitationSchema = z.strictObject({
  personId: id,
  /** Where it is sent; null: its link is handed over otherwise. */
  email: z
    .string()
    .trim()
    .toLowerCase()
    .max(254, 'An email address has at most 254 characters.')
    .pipe(z.email('Enter an email address like name@example.org.'))
    .nullable(),
});
export const invitationSchema = z.object({
  id: z.uuid(),
  personId: z.uuid(),
  email: z.string().nullable(),
  /** Address of the page it opens, with its key. */
  path: z.string(),
  until: z.iso.datetime(),
});
export type Invitation = z.infer<typeof invitationSchema>;
export const invitationListSchema = z.object({ invitations: z.array(invitationSchema) });
/** What who has an invitation is told of it. */
export const invitedSchema = z.object({
  /** The household's name. */
  household: z.string(),
  person: z.string(),
  role: z.enum(ROLES),
  until: z.iso.datetime(),
});
export type Invited = z.infer<typeof invitedSchema>;

/** A household somebody belongs to. */
export const membershipSchema = z.object({ id: z.uuid(), name: z.string(), role: z.enum(ROLES), here: z.boolean() });
export const householdChoiceSchema = z.strictObject({ householdId: id });
