import * as z from 'zod';
import { DOERS } from '../log';
import { DATED_PARTS } from '../parts';
import { dateSchema } from '../time';

/** A date the player set for a piece of upkeep; it holds for the life that began at `lifeFrom`. */
export const appointmentSchema = z.strictObject({
  instrumentId: z.uuid().toLowerCase(),
  /** The bow whose part it is; left out or null: the instrument's own. */
  bowId: z.uuid().toLowerCase().nullable().optional(),
  part: z.enum(DATED_PARTS),
  date: dateSchema,
  /** Beginning of the life it is about, ms since 1970. */
  lifeFrom: z.number().int(),
  /** Who does it this time; null: as usual. */
  by: z.enum(DOERS).nullable(),
});
export type Appointment = z.infer<typeof appointmentSchema>;
