import { z } from 'zod';
import { contactsPreviewSchema } from '../contacts';
import type { Operation } from './operation';

/** Contacts out of a file, and into one. They are kept as cards. */
export const contactOperations = {
  previewContacts: {
    method: 'post',
    path: '/contacts/preview',
    access: 'household',
    status: 200,
    response: contactsPreviewSchema,
    stream: true,
  },
  exportContacts: {
    method: 'get',
    path: '/export/contacts.vcf',
    access: 'household',
    status: 200,
    response: z.string(),
    text: 'text/vcard',
    file: 'tembrin-contacts.vcf',
  },
} as const satisfies Record<string, Operation>;
