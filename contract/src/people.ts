import * as z from 'zod';
import { ROLES } from '@tembrin/core/people';
import { QUOTAS } from './quotas';
import { ways } from './person';
import { checkPlain } from './plain';

const id = z.uuid('Ids are UUIDs made by the app.').toLowerCase();
const most = QUOTAS.instruments;
const instruments = z.array(z.uuid().toLowerCase()).max(most, `At most ${most} instruments.`);
const personFacts = {
  name: z.string('Give a name.').trim().min(1, 'Give a name.').max(60, 'A name has at most 60 characters.'),
  role: z.enum(ROLES, 'Say whether they keep, play or help.'),
  plays: instruments,
  looksAfter: instruments,
};

/** What somebody is called is plain text. */
function checkName({ name }: { name: string }, context: z.RefinementCtx): void {
  checkPlain(name, ['name'], context);
}

export const personChangeSchema = z.strictObject(personFacts).superRefine(checkName);
export type PersonChange = z.infer<typeof personChangeSchema>;
export const newPersonSchema = z.strictObject({ id, ...personFacts, ...ways }).superRefine(checkName);
export type NewPerson = z.infer<typeof newPersonSchema>;
export const waysSchema = z.strictObject(ways);
export type WaysChange = z.infer<typeof waysSchema>;
export const personParams = z.strictObject({ id });

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
