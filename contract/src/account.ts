import * as z from 'zod';
import { isTimeZone } from '@tembrin/core/time';
import { membershipSchema } from './people';
import { isPlain, NOT_PLAIN_SENTENCE } from './plain';

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

/** A password is so many characters long, counted in the form it is kept in (NFKC). */
export const PASSWORD_LENGTHS = { least: 12, most: 128 } as const;
const CHOOSE = 'Choose a password.';
const lengthOf = (password: string) => [...password.normalize('NFKC')].length;

/** A password that somebody chooses: no rules but its length; how easily it is guessed is judged by the server. */
export const newPasswordSchema = z
  .string(CHOOSE)
  .min(1, CHOOSE)
  // A bound on what is looked at, whatever it comes to.
  .max(4 * PASSWORD_LENGTHS.most, `Use at most ${PASSWORD_LENGTHS.most} characters.`)
  .refine(
    (password) => lengthOf(password) >= PASSWORD_LENGTHS.least,
    `Use at least ${PASSWORD_LENGTHS.least} characters; a few unrelated words are easy to remember.`,
  )
  .refine(
    (password) => lengthOf(password) <= PASSWORD_LENGTHS.most,
    `Use at most ${PASSWORD_LENGTHS.most} characters.`,
  );

export const newAccountSchema = z.strictObject({ email, password: newPasswordSchema, timeZone: timeZoneSchema });
export type NewAccount = z.infer<typeof newAccountSchema>;

/** The password somebody has: however long it was allowed to be once. */
const password = z
  .string('Enter your password.')
  .min(1, 'Enter your password.')
  .max(4 * PASSWORD_LENGTHS.most, `Use at most ${PASSWORD_LENGTHS.most} characters.`);

export const credentialsSchema = z.strictObject({ email, password });
export type Credentials = z.infer<typeof credentialsSchema>;

export const passwordChangeSchema = z.strictObject({ password, next: newPasswordSchema });
export const addressChangeSchema = z.strictObject({ password, email });
export const forgottenSchema = z.strictObject({ email });
export const withPasswordSchema = z.strictObject({ password });

/** The secret part of a link in a mail. */
const linkKey = z.string().max(120);
export const linkKeySchema = z.strictObject({ key: linkKey });
export const passwordResetSchema = z.strictObject({ key: linkKey, password: newPasswordSchema });

/** What a link in a mail came to: the address is changed, or the other one is still asked. */
export const linkOutcomeSchema = z.object({ outcome: z.enum(['changed', 'other-asked']), email: z.string() });

export const accountRowParams = z.strictObject({ id: z.uuid() });

/** What a passkey is called by its owner. */
export const passkeyNameSchema = z
  .string()
  .trim()
  .min(1, 'Give the passkey a name, like the device it is on.')
  .max(60, 'A name has at most 60 characters.')
  .refine(isPlain, NOT_PLAIN_SENTENCE);

const base64url = (most: number) =>
  z
    .string()
    .max(most)
    .regex(/^[\w-]*$/);
const credential = {
  id: base64url(2048),
  rawId: base64url(2048),
  type: z.literal('public-key'),
  authenticatorAttachment: z.enum(['cross-platform', 'platform']).optional(),
  clientExtensionResults: z.looseObject({}).default({}),
};
/** What a browser answers when a passkey was made, and when one was used (WebAuthn level 3, JSON forms). */
export const newPasskeySchema = z.strictObject({
  name: passkeyNameSchema,
  made: z.object({
    ...credential,
    response: z.object({
      clientDataJSON: base64url(8192),
      attestationObject: base64url(32_768),
      transports: z.array(z.string().max(20)).max(8).optional(),
    }),
  }),
});
export const usedPasskeySchema = z.strictObject({
  used: z.object({
    ...credential,
    response: z.object({
      clientDataJSON: base64url(8192),
      authenticatorData: base64url(8192),
      signature: base64url(8192),
      userHandle: base64url(256).optional(),
    }),
  }),
});
/** What a browser is asked with: as the library writes it. */
export const passkeyAskSchema = z.looseObject({ challenge: z.string() });

/** What may be done to an account. */
export const ACCOUNT_DEEDS = [
  'made',
  'signed-in',
  'signed-in-passkey',
  'sign-in-refused',
  'signed-out-elsewhere',
  'password-changed',
  'reset-asked',
  'password-reset',
  'address-asked',
  'address-changed',
  'passkey-added',
  'passkey-removed',
  'leave-asked',
  'leave-taken-back',
] as const;
export type AccountDeed = (typeof ACCOUNT_DEEDS)[number];

const instant = z.iso.datetime();
const signInSchema = z.object({
  id: z.uuid(),
  /** What it is signed in with, as its browser says; null: before that was put down. */
  device: z.string().nullable(),
  since: instant,
  /** Day on which it was last used: put down once a day. */
  seen: instant,
  /** The one that asks. */
  here: z.boolean(),
});
const passkeySchema = z.object({
  id: z.uuid(),
  name: z.string(),
  addedAt: instant,
  usedAt: instant.nullable(),
});
const recordSchema = z.object({ at: instant, deed: z.enum(ACCOUNT_DEEDS), detail: z.string().nullable() });

/** An account as its owner sees it. */
export const accountSchema = z.object({
  email: z.string(),
  /** Since when its address takes no mail; null: as far as is known it does. */
  deadSince: instant.nullable(),
  /** The address it is being changed to, and which of the two has been confirmed. */
  change: z.object({ email: z.string(), atOld: z.boolean(), atNew: z.boolean(), until: instant }).nullable(),
  signIns: z.array(signInSchema),
  passkeys: z.array(passkeySchema),
  /** What was done to it, the newest first. */
  record: z.array(recordSchema),
  /** The households it belongs to. */
  households: z.array(membershipSchema),
  /** When it goes; null: it stays. */
  goesAt: instant.nullable(),
  /** Names of the households that go with it: nobody else keeps them. */
  taking: z.array(z.string()),
  /** Whether this server sends mail. */
  mail: z.boolean(),
  /** Where passkeys are made and used: the name in the address. */
  passkeysAt: z.string(),
});
export type Account = z.infer<typeof accountSchema>;

export const demoRequestSchema = z.strictObject({ timeZone: timeZoneSchema });
