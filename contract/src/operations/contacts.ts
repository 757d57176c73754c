import * as z from 'zod';
import { contactsPreviewSchema } from '../contacts';
import { CALLS } from '../calls';
import type { Operation } from './operation';

/** Contacts out of a file, and into one. They are kept as cards. */
export const contactOperations = {
  previewContacts: {
    ...CALLS.previewContacts,
    access: 'household',
    status: 200,
    response: contactsPreviewSchema,
    stream: true,
  },
  exportContacts: {
    ...CALLS.exportContacts,
    access: 'household',
    status: 200,
    response: z.string(),
    text: 'text/vcard',
  },
} as const satisfies Record<string, Operation>;
