import * as z from 'zod';
import { briefSchema } from '@tembrin/core/brief';
import { FAMILIES } from '@tembrin/core/instruments';
import { answerSchema } from '@tembrin/core/visits';

/** Where a workshop opens what it was sent: a page of the server's own, needing neither an account nor scripts. */
export const WORKSHOP_ROOT = '/workshop';

/** Days for which a link can be opened. From memory: as long as a workshop's list is. */
export const SHARE_DAYS = { least: 1, usual: 30, most: 180 } as const;

const id = z.uuid().toLowerCase();
const instant = z.iso.datetime();

export const shareParams = z.object({ id });
export const answerParams = z.object({ id, answerId: id });

export const newShareSchema = z.strictObject({
  visitId: id,
  days: z
    .number()
    .int()
    .min(SHARE_DAYS.least)
    .max(SHARE_DAYS.most, `A link is good for ${SHARE_DAYS.most} days at most.`)
    .default(SHARE_DAYS.usual),
});

/** What was sent of one instrument: what the workshop's answer is about. */
const sentSheetSchema = z.object({
  briefId: id,
  instrumentId: id,
  family: z.enum(FAMILIES),
  asked: briefSchema.shape.asked.unwrap(),
});

/** What was sent for a visit, and what came back. */
export const shareSchema = z.object({
  id,
  visitId: id,
  /** Its address on this server; null once it was revoked or is past. */
  path: z.string().nullable(),
  madeAt: instant,
  expiresAt: instant,
  openedAt: instant.nullable(),
  sheets: z.array(sentSheetSchema),
  answers: z.array(z.object({ id, at: instant, answer: answerSchema, settledAt: instant.nullable() })),
});
export type Share = z.infer<typeof shareSchema>;
export type ShareAnswer = Share['answers'][number];
export const shareListSchema = z.object({ shares: z.array(shareSchema) });
