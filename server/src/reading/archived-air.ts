import { HOUR_MS, TEMP_RANGE_C, type Reading } from '@tembrin/core';
import { saltCheckSchema, SENSOR_KINDS } from '@tembrin/contract';
import { QUOTAS } from '@tembrin/contract/quotas';
import * as z from 'zod';
import { fail } from '../problems/problems';

/** Hygrometers as a household's file has them: where they hung, their checks, their readings. */

/** Most readings one file carries: four years of minutes of one hygrometer. Beyond, the oldest stay behind, and it is said. */
export const READINGS_PER_FILE = 2_000_000;

const int = (least: number, most: number) => z.int().min(least).max(most);
const humidity = int(0, 10_000);
const column = <S extends z.ZodType>(cell: S) => z.array(cell).max(READINGS_PER_FILE);
/** Readings column by column, as a million small lists would fill the memory. */
const readingsSchema = z
  .strictObject({
    /** Seconds since 1970 of the first, then from each to the next. */
    at: column(int(0, 4_294_967_295)),
    rh: column(humidity),
    temp: column(int(TEMP_RANGE_C.least * 100, TEMP_RANGE_C.most * 100).nullable()),
    low: column(humidity.nullable()).optional(),
    high: column(humidity.nullable()).optional(),
  })
  .refine(
    ({ at, rh, temp, low = at, high = at }) => [rh, temp, low, high].every(({ length }) => length === at.length),
    'Its columns are not of one length.',
  );
const id = z.uuid().toLowerCase();
export const archivedSensorSchema = z.strictObject({
  id,
  name: z.string().trim().min(1).max(60),
  kind: z.enum(SENSOR_KINDS),
  placeId: id,
  stays: z
    .array(z.strictObject({ from: int(0, 4_294_967_295 / 3600), placeId: id }))
    .min(1)
    .max(1000),
  battery: z.number().min(0).max(100).nullable(),
  addedAt: z.iso.datetime(),
  checks: z.array(saltCheckSchema).max(QUOTAS.checks),
  readings: readingsSchema,
});
export type ArchivedSensor = z.infer<typeof archivedSensorSchema>;

/** Readings in columns, as they stand in a file. */
export function readingColumns(readings: readonly Reading[]): ArchivedSensor['readings'] {
  const all = <K extends keyof Reading>(key: K) => readings.map((reading) => reading[key]);
  const some = (values: readonly (number | null)[]) => values.some((value) => value !== null);
  const [low, high] = [all('lowHundredths'), all('highHundredths')];
  return {
    at: readings.map(({ atS }, at) => atS - (readings[at - 1]?.atS ?? 0)),
    rh: all('rhHundredths'),
    temp: all('tempHundredths'),
    ...(some(low) && { low }),
    ...(some(high) && { high }),
  };
}

/** The readings of a file's columns. @throws ProblemError 422 where they are of the future, or not in order */
export function readingsIn({ at, rh, temp, low, high }: ArchivedSensor['readings'], nowMs: number): Reading[] {
  const latest = (nowMs + HOUR_MS) / 1000;
  let atS = 0;
  return at.map((step, place) => {
    atS += step;
    if (atS > latest || (place > 0 && step === 0))
      fail(422, 'invalid', 'Readings in the file are in the future, or not in order of time. Nothing was brought in.');
    return {
      atS,
      rhHundredths: rh[place]!,
      tempHundredths: temp[place]!,
      lowHundredths: low?.[place] ?? null,
      highHundredths: high?.[place] ?? null,
    };
  });
}
