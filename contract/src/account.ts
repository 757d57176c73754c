import { z } from 'zod';
import { isTimeZone } from '@tembrin/core/time';

const email = z
  .string('Enter your email address.')
  .trim()
  .toLowerCase()
  .max(254, 'An email address has at most 254 characters.')
  .pipe(z.email('Enter an email address like name@example.org.'));

export const timeZoneSchema = z
  .string()
  .max(64)
  .refine(isTimeZone, 'Give a time zone by its IANA name, like Europe/Lisbon.');

export const newAccountSchema = z.strictObject({
  email,
  password: z
    .string('Choose a password.')
    .min(10, 'Use at least 10 characters; a few unrelated words are easy to remember.')
    .max(200, 'Use at most 200 characters.'),
  timeZone: timeZoneSchema,
});
export type NewAccount = z.infer<typeof newAccountSchema>;

export const credentialsSchema = z.strictObject({
  email,
  password: z.string('Enter your password.').min(1, 'Enter your password.').max(200, 'Use at most 200 characters.'),
});
export type Credentials = z.infer<typeof credentialsSchema>;

export const demoRequestSchema = z.strictObject({ timeZone: timeZoneSchema });
