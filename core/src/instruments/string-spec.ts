import * as z from 'zod';

/** What the string's middle is made of. carbon: dense plastic (PVDF), sold for guitars and harps. */
export const CORES = ['steel', 'synthetic', 'gut', 'nylon', 'carbon'] as const;
export type Core = (typeof CORES)[number];

/** What is wound around it; plain: nothing. */
export const WINDINGS = [
  'plain',
  'steel',
  'nickel-plated',
  'nickel',
  'bronze',
  'copper',
  'aluminium',
  'silver',
  'tungsten',
] as const;
export type Winding = (typeof WINDINGS)[number];

export const ENDS = ['ball', 'loop', 'knot'] as const;
export type StringEnd = (typeof ENDS)[number];

/** Gauges that strings are sold in, whatever the instrument, mm: a thin plain steel to the thickest bass string. */
export const GAUGE_RANGE_MM = { least: 0.15, most: 4 } as const;

const number = (what: string) => z.number(`Give ${what} as a number.`);

/** One string as its packet describes it; what the packet does not say is null. */
export const stringSpecSchema = z.strictObject({
  core: z.enum(CORES),
  winding: z.enum(WINDINGS),
  /** A coating that keeps sweat out. */
  coated: z.boolean(),
  gaugeMm: number('the gauge')
    .min(GAUGE_RANGE_MM.least, 'No string is that thin. Gauges run from 0.15 mm (.006 in); check the unit.')
    .max(GAUGE_RANGE_MM.most, 'No string is that thick. Gauges end at 4 mm (.157 in); check the unit.')
    .nullable(),
  /** Linear density, g/m. */
  densityGPerM: number('the linear density')
    .min(0.05, 'A string weighs at least 0.05 g per metre.')
    .max(120, 'A string weighs at most 120 g per metre. Check the unit: grams per metre.')
    .nullable(),
  /** Tension the packet states, with the length and the pitch it is stated for. */
  stated: z
    .strictObject({
      tensionN: number('the tension')
        .min(2, 'A string pulls at least 2 N.')
        .max(1200, 'No string pulls more than 1200 N. Check the unit.'),
      lengthMm: number('the length').min(30, 'At least 30 mm.').max(2500, 'At most 2500 mm.'),
      hz: number('the pitch').min(15, 'At least 15 Hz.').max(6000, 'At most 6000 Hz.'),
    })
    .nullable(),
  end: z.enum(ENDS).nullable(),
});
export type StringSpec = z.infer<typeof stringSpecSchema>;

/** A plain string of which only material and gauge are known. */
export function plainString(core: Core, gaugeMm: number): StringSpec {
  return { core, winding: 'plain', coated: false, gaugeMm, densityGPerM: null, stated: null, end: null };
}

/** A wound string of which only materials and gauge are known. */
export function woundString(core: Core, winding: Winding, gaugeMm: number): StringSpec {
  return { ...plainString(core, gaugeMm), winding };
}

/** A string that the packet describes by its tension at a length and pitch. */
export function statedString(
  core: Core,
  winding: Winding,
  stated: NonNullable<StringSpec['stated']>,
  gaugeMm: number | null = null,
): StringSpec {
  return { core, winding, coated: false, gaugeMm, densityGPerM: null, stated, end: null };
}
