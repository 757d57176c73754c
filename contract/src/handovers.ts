import * as z from 'zod';
import { FAMILIES } from '@tembrin/core/instruments';

/** Days for which an instrument is offered. */
export const OFFER_DAYS = 7;

const id = z.uuid().toLowerCase();
const instant = z.iso.datetime();
const key = z.string('Send the key of the link.').min(1).max(200);

export const handoverParams = z.object({ id });
export const newHandoverSchema = z.strictObject({ instrumentId: id });
export const handoverKeySchema = z.strictObject({ key });

/** An instrument that is offered to another household. */
export const handoverSchema = z.object({
  id,
  instrumentId: id,
  /** The secret part of its link; null once it is over. */
  key: z.string().nullable(),
  expiresAt: instant,
  /** Which household would take it; null: nobody said so yet. */
  taker: z.string().nullable(),
  doneAt: instant.nullable(),
});
export type Handover = z.infer<typeof handoverSchema>;
export const handoverListSchema = z.object({ handovers: z.array(handoverSchema) });

/** What comes with an instrument that is offered, told to whoever has the link. */
export const offerSchema = z.object({
  /** Of the instrument. */
  id,
  name: z.string(),
  family: z.enum(FAMILIES),
  /** The household that gives it. */
  from: z.string(),
  entries: z.number().int(),
  photos: z.number().int(),
  expiresAt: instant,
  /** This household has said that it would take it. */
  mine: z.boolean(),
  /** It is here. */
  done: z.boolean(),
});
export type Offer = z.infer<typeof offerSchema>;
