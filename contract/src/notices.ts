import * as z from 'zod';
import { NOTICE_KINDS } from '@tembrin/core/notices';
import { STEPS } from '@tembrin/core/log';
import { timeZoneSchema } from './account';
import { isPlain, NOT_PLAIN_SENTENCE } from './plain';
import { QUOTAS } from './quotas';

const id = z.uuid('Ids are UUIDs made by the app.').toLowerCase();
const minute = z
  .number()
  .int()
  .min(0, 'A time of day.')
  .max(24 * 60 - 1, 'A time of day.');

/** When somebody wants to be told, of what, and how. */
export const noticeSettingsSchema = z.strictObject({
  /** By mail, to the account's address. */
  mail: z.boolean(),
  timeZone: timeZoneSchema,
  /** Minutes after midnight between which nothing is sent; the same twice: never quiet. */
  quiet: z.strictObject({ fromMin: minute, toMin: minute }),
  /** Weekdays: 0 Monday to 6 Sunday. null: no digest. */
  digest: z
    .strictObject({
      atMin: minute,
      weekdays: z.array(z.number().int().min(0).max(6)).min(1, 'Choose a day, or no digest.').max(7),
    })
    .nullable(),
  off: z.array(z.enum(NOTICE_KINDS)).max(NOTICE_KINDS.length),
  /** Instruments of which nothing is told. */
  muted: z.array(id).max(QUOTAS.instruments),
});
export type NoticeSettings = z.infer<typeof noticeSettingsSchema>;

/** Where a browser's push service takes messages for one device, and the keys they are encrypted with (RFC 8291). */
export const pushSubscriptionSchema = z.strictObject({
  endpoint: z.url({ protocol: /^https?$/, error: 'That is no address of a push service.' }).max(1000),
  /** P-256 point, uncompressed, and 16 bytes; base64url. */
  p256dh: z.string().regex(/^[\w-]{86,88}$/, 'That is no key of a push subscription.'),
  auth: z.string().regex(/^[\w-]{22,24}$/, 'That is no secret of a push subscription.'),
});
export type PushSubscription = z.infer<typeof pushSubscriptionSchema>;

const deviceName = z
  .string('Give the device a name.')
  .trim()
  .min(1, 'Give the device a name.')
  .max(60, 'A name has at most 60 characters.')
  .refine(isPlain, NOT_PLAIN_SENTENCE);
/** null: where the stand-in for push services runs, it makes a subscription itself. */
export const newPushDeviceSchema = z.strictObject({
  id,
  name: deviceName,
  subscription: pushSubscriptionSchema.nullable(),
});
export type NewPushDevice = z.infer<typeof newPushDeviceSchema>;
export const noticeRowParams = z.strictObject({ id });

/** What somebody answers to a reminder. */
export const noticeAnswerSchema = z.discriminatedUnion('answer', [
  z.strictObject({ answer: z.literal('done') }),
  /** Told again then, if it is still so. */
  z.strictObject({ answer: z.literal('put-off'), until: z.iso.datetime({ error: 'Say until when.' }) }),
  z.strictObject({ answer: z.literal('off-kind') }),
  z.strictObject({ answer: z.literal('off-instrument') }),
]);
export type NoticeAnswer = z.infer<typeof noticeAnswerSchema>;

/** The secret part of an address in a letter or a notification. */
const key = z.string().max(200);
export const noticeKeySchema = z.strictObject({ key });
export const noticeAnswerAtSchema = z.strictObject({ key, reply: noticeAnswerSchema });
export const unsubscribeParams = z.strictObject({ key });

/** Something that was told. */
export const toldNoticeSchema = z.object({
  id: z.uuid(),
  kind: z.enum(NOTICE_KINDS),
  instrumentId: z.uuid(),
  title: z.string(),
  why: z.string(),
  todo: z.string(),
  path: z.string(),
  at: z.iso.datetime(),
  /** The step the log says was done, where somebody answers so. */
  step: z.enum(STEPS).nullable(),
  state: z.enum(['open', 'put-off', 'done', 'over']),
  /** Put off until then. */
  again: z.iso.datetime().nullable(),
});
export type ToldNotice = z.infer<typeof toldNoticeSchema>;

export const pushDeviceSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  addedAt: z.iso.datetime(),
  /** When its push service took a message last. */
  toldAt: z.iso.datetime().nullable(),
  /** The address is gone: nothing is sent there any more. */
  deadSince: z.iso.datetime().nullable(),
});
export type PushDevice = z.infer<typeof pushDeviceSchema>;

/** What a person is told, when and how, and what they were told last. */
export const remindersSchema = z.object({
  version: z.number().int().nonnegative(),
  settings: noticeSettingsSchema,
  /** The address letters go to; null: this Tembrin sends none. */
  mailTo: z.string().nullable(),
  mailDeadSince: z.iso.datetime().nullable(),
  /** This server's key for push services (VAPID, RFC 8292), and whether a stand-in for them runs. */
  push: z.object({ publicKey: z.string(), standIn: z.boolean() }),
  devices: z.array(pushDeviceSchema),
  told: z.array(toldNoticeSchema),
});
export type Reminders = z.infer<typeof remindersSchema>;

/** What whoever has a reminder in hand sees of it. */
export const noticeAtSchema = z.object({
  household: z.string(),
  person: z.string(),
  /** Null: the link is about the letters as a whole. */
  notice: toldNoticeSchema.nullable(),
  mail: z.boolean(),
});
export type NoticeAt = z.infer<typeof noticeAtSchema>;

/** Devices of one account that are told. From memory: more than anybody carries. */
export const MOST_DEVICES = 12;
