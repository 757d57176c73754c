import * as z from 'zod';

/** Who is called about an instrument. */
export const CONTACT_ROLES = ['workshop', 'teacher', 'dealer'] as const;
export type ContactRole = (typeof CONTACT_ROLES)[number];

/** Bounds of a contact. From memory: what a card holds. */
export const CONTACT_BOUNDS = {
  name: 120,
  phones: 3,
  emails: 3,
  phone: 40,
  email: 254,
  address: 300,
  note: 600,
} as const;

const phone = z
  .string()
  .trim()
  .max(CONTACT_BOUNDS.phone, `A number has at most ${CONTACT_BOUNDS.phone} characters.`)
  .regex(/^[+0-9 ().\-/*#,;]{3,}$/, 'A phone number is written in digits, like +44 1632 960000.');
const email = z
  .string()
  .trim()
  .max(CONTACT_BOUNDS.email)
  .regex(/^[^\s@<>"]+@[^\s@<>"]+$/, 'An e-mail address has one @, like workshop@example.org.');

/** Somebody whom a household calls about its instruments, as it wrote them down. */
export const contactSchema = z.strictObject({
  title: z
    .string()
    .trim()
    .min(1, 'Give the contact a name.')
    .max(CONTACT_BOUNDS.name, `A name has at most ${CONTACT_BOUNDS.name} characters.`),
  role: z.enum(CONTACT_ROLES),
  phones: z.array(phone).max(CONTACT_BOUNDS.phones, `At most ${CONTACT_BOUNDS.phones} numbers.`),
  emails: z.array(email).max(CONTACT_BOUNDS.emails, `At most ${CONTACT_BOUNDS.emails} addresses.`),
  address: z.string().trim().max(CONTACT_BOUNDS.address, `At most ${CONTACT_BOUNDS.address} characters.`),
  note: z.string().trim().max(CONTACT_BOUNDS.note, `At most ${CONTACT_BOUNDS.note} characters.`),
});
export type Contact = z.infer<typeof contactSchema>;

/** A number as a telephone is told it: `tel:` of RFC 3966, without what only helps the eye. */
export const dialled = (number: string): string => `tel:${number.replace(/[^+0-9*#,;]/g, '')}`;
