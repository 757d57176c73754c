import * as z from 'zod';
import { FAMILIES, KINDS } from '../instruments';
import type { Fitting } from '../log';
import { stringSpecSchema } from '../instruments';
import { DAY_MS, YEAR_DAYS } from '../time';

const title = z.string('Give it a name.').trim().min(1, 'Give it a name.').max(60, 'A name has at most 60 characters.');
const specs = z.array(stringSpecSchema.nullable()).min(1, 'A set has at least one string.').max(60);

/** A set of the household's own, described once and used again. */
export const ownSetSchema = z.strictObject({
  title,
  family: z.enum(FAMILIES),
  kind: z.enum(KINDS).nullable(),
  /** Lowest string first. */
  strings: specs,
});

/** Packets in the cupboard: whole sets, or single strings. */
export const spareSchema = z.strictObject({
  title,
  family: z.enum(FAMILIES),
  kind: z.enum(KINDS).nullable(),
  /** Positions each packet holds, lowest string 0. */
  positions: z.array(z.number().int().min(0).max(59)).min(1, 'Say which strings it holds.').max(60),
  /** By the order of `positions`; null where the packet was not described. */
  specs: specs.nullable(),
  quantity: z
    .number('Say how many packets.')
    .int('Packets are counted whole.')
    .min(1, 'At least one packet.')
    .max(200, 'At most 200 packets.'),
  /** When it was bought (yyyy-mm-dd); null when not known. */
  boughtOn: z.iso.date('Write the date as year-month-day, like 2026-03-14.').nullable(),
});
export type Spare = z.infer<typeof spareSchema>;

/** What is left of a spare: whole packets, and single strings by position. */
export interface SpareLeft {
  packets: number;
  /** Left of each string, in the order of `positions`. */
  strings: number[];
}

/**
 * What is left of packets after the fittings that drew on them.
 * @param fittings fittings of all instruments, those that hold
 */
export function spareLeft(id: string, { positions, quantity }: Spare, fittings: readonly Fitting[]): SpareLeft {
  const used = positions.map(() => 0);
  for (const { strings, spares } of fittings) {
    spares?.forEach((from, at) => {
      if (from !== id) return;
      const place = positions.indexOf(strings?.[at] ?? at);
      if (place >= 0) used[place]! += 1;
    });
  }
  const strings = used.map((count) => Math.max(0, quantity - count));
  return { packets: Math.min(...strings), strings };
}

/** Strings lose a little on the shelf; packets older than so many years are used first and looked at. From memory. */
export const OLD_SPARE_YEARS = 4;

/** Whether a spare has lain so long that it is looked over before it goes on. @param boughtOn yyyy-mm-dd; null: not known, taken as new */
export function isOldSpare({ boughtOn }: Pick<Spare, 'boughtOn'>, nowMs: number): boolean {
  return boughtOn !== null && nowMs - Date.parse(boughtOn) > OLD_SPARE_YEARS * YEAR_DAYS * DAY_MS;
}
