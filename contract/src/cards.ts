import * as z from 'zod';
import { checkPlain, checkTexts } from './plain';
import { bowSchema } from '@tembrin/core/bow';
import { briefSchema } from '@tembrin/core/brief';
import { appointmentSchema, occasionSchema, priceSchema } from '@tembrin/core/year';
import { ownSetSchema, spareSchema } from '@tembrin/core/strings';
import { identitySchema } from '@tembrin/core/passport';
import { loanSchema } from '@tembrin/core/lending';
import { contactSchema, visitSchema } from '@tembrin/core/visits';

/** What a card is called is plain text, and what stands on it hides nothing. */
function checkTitle({ facts }: { facts: object }, context: z.RefinementCtx): void {
  // So is whom an instrument is lent to.
  for (const name of ['title', 'to'] as const) {
    const text = (facts as Partial<Record<typeof name, unknown>>)[name];
    if (typeof text === 'string') checkPlain(text, ['facts', name], context);
  }
  checkTexts(facts, ['facts'], context);
}

/** What a household keeps on cards, each kind with its facts: things said once that are neither log nor instrument. */
export const cardFactsSchema = z
  .discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('set'), facts: ownSetSchema }),
    z.strictObject({ kind: z.literal('spare'), facts: spareSchema }),
    z.strictObject({ kind: z.literal('occasion'), facts: occasionSchema }),
    z.strictObject({ kind: z.literal('price'), facts: priceSchema }),
    z.strictObject({ kind: z.literal('appointment'), facts: appointmentSchema }),
    z.strictObject({ kind: z.literal('bow'), facts: bowSchema }),
    z.strictObject({ kind: z.literal('brief'), facts: briefSchema }),
    z.strictObject({ kind: z.literal('visit'), facts: visitSchema }),
    z.strictObject({ kind: z.literal('contact'), facts: contactSchema }),
    z.strictObject({ kind: z.literal('identity'), facts: identitySchema }),
    z.strictObject({ kind: z.literal('loan'), facts: loanSchema }),
  ])
  .superRefine(checkTitle);
export type CardFacts = z.infer<typeof cardFactsSchema>;
export type CardKind = CardFacts['kind'];

const id = z.uuid('Ids are UUIDs made by the app.').toLowerCase();

const wanted = <K extends CardKind, F extends z.ZodType>(kind: K, facts: F) =>
  z.strictObject({ id, kind: z.literal(kind), facts });

export const newCardSchema = z
  .discriminatedUnion('kind', [
    wanted('set', ownSetSchema),
    wanted('spare', spareSchema),
    wanted('occasion', occasionSchema),
    wanted('price', priceSchema),
    wanted('appointment', appointmentSchema),
    wanted('bow', bowSchema),
    wanted('brief', briefSchema),
    wanted('visit', visitSchema),
    wanted('contact', contactSchema),
    wanted('identity', identitySchema),
    wanted('loan', loanSchema),
  ])
  .superRefine(checkTitle);
export type NewCard = z.infer<typeof newCardSchema>;

/** A card as it stands. */
export type Card<K extends CardKind = CardKind> = Extract<CardFacts, { kind: K }> & { id: string; version: number };

const version = z.number().int().positive();
const stored = <K extends CardKind, F extends z.ZodType>(kind: K, facts: F) =>
  z.object({ id: z.uuid(), kind: z.literal(kind), facts, version });

export const cardSchema = z.discriminatedUnion('kind', [
  stored('set', ownSetSchema),
  stored('spare', spareSchema),
  stored('occasion', occasionSchema),
  stored('price', priceSchema),
  stored('appointment', appointmentSchema),
  stored('bow', bowSchema),
  stored('brief', briefSchema),
  stored('visit', visitSchema),
  stored('contact', contactSchema),
  stored('identity', identitySchema),
  stored('loan', loanSchema),
]);

/** Most cards one request may put on record, all of them or none. */
export const CARDS_PER_POST = 500;
export const cardPostSchema = z.strictObject({
  cards: z
    .array(newCardSchema)
    .min(1, 'Send at least one card.')
    .max(CARDS_PER_POST, `Send at most ${CARDS_PER_POST} cards at a time.`),
});
export const cardListSchema = z.object({ cards: z.array(cardSchema) });
