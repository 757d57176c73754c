import * as z from 'zod';
import { instant } from '../log/primitives';
import type { WorkshopStay } from '../log';
import { dateSchema } from '../time';

/** Sheets of one visit: instruments that are brought together. From memory: what goes into a car. */
export const MOST_SHEETS = 8;

const id = z.uuid().toLowerCase();

/** A visit to the workshop: what is brought, to whom, when. Where it stands is told by the log and by what was sent. */
export const visitSchema = z.strictObject({
  /** What the workshop is told, a card for each instrument. */
  briefIds: z
    .array(id)
    .min(1, 'A visit is for at least one instrument.')
    .max(MOST_SHEETS, `At most ${MOST_SHEETS} instruments in one visit.`),
  contactId: id.nullable(),
  /** The day it is for; null: none yet. */
  date: dateSchema.nullable(),
  /** When the workshop was asked by other means than a link. */
  askedAt: instant.nullable(),
  /** When it was called off. */
  endedAt: instant.nullable(),
});
export type WorkshopVisit = z.infer<typeof visitSchema>;

/** Where a visit stands, in the order in which it goes. */
export const VISIT_STATES = ['planned', 'asked', 'answered', 'brought', 'back'] as const;
export type VisitState = (typeof VISIT_STATES)[number] | 'called-off';

/**
 * Where a visit stands.
 * @param sent what is under its link: whether it was sent, how many answers came
 * @param stays stays at the workshop of all its instruments
 */
export function visitState(
  visitId: string,
  { askedAt, endedAt }: WorkshopVisit,
  sent: { shared: boolean; answers: number },
  stays: readonly WorkshopStay[],
): VisitState {
  const own = stays.filter((stay) => stay.visitId === visitId);
  if (own.some(({ backAt }) => backAt === null)) return 'brought';
  if (own.length > 0) return 'back';
  if (endedAt !== null) return 'called-off';
  if (sent.answers > 0) return 'answered';
  return sent.shared || askedAt !== null ? 'asked' : 'planned';
}

/** Whether nothing more is expected of it. */
export const isOver = (state: VisitState): boolean => state === 'back' || state === 'called-off';
