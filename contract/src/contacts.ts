import * as z from 'zod';
import { CONTACT_ROLES } from '@tembrin/core/visits';

/** Largest file of contacts that is read, bytes: an address book with photographs. */
export const CONTACTS_BYTES = 10_000_000;
/** Contacts that are shown of a file. */
export const CONTACTS_SHOWN = 500;

/** Contacts found in a file: those that can be taken, those that cannot be read. */
export const contactsPreviewSchema = z.object({
  contacts: z.array(
    z.object({
      title: z.string(),
      phones: z.array(z.string()),
      emails: z.array(z.string()),
      address: z.string(),
      note: z.string(),
      /** What the file says they are; null: it does not say. */
      role: z.enum(CONTACT_ROLES).nullable(),
    }),
  ),
  unreadable: z.array(z.object({ title: z.string(), why: z.string() })),
  /** The file has more than are shown. */
  cut: z.boolean(),
});
export type ContactsPreview = z.infer<typeof contactsPreviewSchema>;
