import type { Family, InstrumentFacts } from '../instruments';
import { DAY_MS } from '../time';
import { equilibriumMoisture } from './moisture';

/** Dimensional change per percent of moisture, radial and tangential [Wood Handbook, table 13-5; values from memory]. */
export const SPECIES = {
  spruce: { name: 'Sitka spruce', radial: 0.00148, tangential: 0.00263 },
  engelmann: { name: 'Engelmann spruce', radial: 0.0013, tangential: 0.00248 },
  maple: { name: 'sugar maple', radial: 0.00165, tangential: 0.00353 },
  'red-maple': { name: 'red maple', radial: 0.00137, tangential: 0.00289 },
  // From memory: its total shrinkage of 2.7 and 5.8 % spread over 28 % of moisture.
  rosewood: { name: 'rosewood', radial: 0.00096, tangential: 0.00207 },
} as const;
export type Species = keyof typeof SPECIES;
export type Cut = 'quarter' | 'slab';

export const WOOD_PARTS = ['top', 'back', 'neck', 'fretboard'] as const;
export type WoodPartId = (typeof WOOD_PARTS)[number];

export interface WoodPart {
  id: WoodPartId;
  species: Species;
  cut: Cut;
  /** Across the grain, mm. */
  widthMm: number;
  /** Time constants of its lag behind the air round the instrument, in days. */
  bareDays: number;
  casedDays: number;
}

/** Thin plates follow in 1–3 days bare and 1–2 weeks in a closed case [handbook 3, from memory]; necks, being thick, later. */
const LAG = {
  top: { bareDays: 2, casedDays: 10 },
  back: { bareDays: 3, casedDays: 11 },
  neck: { bareDays: 9, casedDays: 20 },
  fretboard: { bareDays: 5, casedDays: 14 },
} as const;

/** Widest place of the body of a full-size instrument, of its neck and of its fretboard, mm. From memory; violin top [handbook 3]. */
const WIDTHS: Readonly<Record<Family, { body: number; neck: number; board: number }>> = {
  violin: { body: 208, neck: 33, board: 42 },
  viola: { body: 240, neck: 36, board: 45 },
  cello: { body: 440, neck: 46, board: 62 },
  bass: { body: 680, neck: 65, board: 88 },
  guitar: { body: 380, neck: 50, board: 55 },
  harp: { body: 360, neck: 60, board: 0 },
};

/** Body of a smaller size against the full one, from the vibrating lengths of the sizes [handbook 4]. */
const SIZES: Readonly<Record<string, number>> = { '3/4': 0.94, '1/2': 0.87, '1/4': 0.77, '1/8': 0.68, '1/16': 0.6 };

/**
 * The wooden parts that are followed, as they usually are in a family: a quarter-sawn spruce top, maple back and neck, a dark
 * hardwood board. A solid-body electric guitar has no top that moves; its neck does.
 */
export function woodParts({ family, kind, size }: Pick<InstrumentFacts, 'family' | 'kind' | 'size'>): WoodPart[] {
  const { body, neck, board } = WIDTHS[family];
  // A bass is commonly a 3/4, and its figures are that size's.
  const scale = family === 'bass' ? 1 : (SIZES[size ?? ''] ?? 1);
  const round = (width: number) => Math.round(width * scale);
  const parts: WoodPart[] = [];
  if (kind !== 'electric') {
    parts.push({ id: 'top', species: 'spruce', cut: 'quarter', widthMm: round(body), ...LAG.top });
    const slab = family === 'harp';
    parts.push({ id: 'back', species: 'maple', cut: slab ? 'slab' : 'quarter', widthMm: round(body), ...LAG.back });
  }
  parts.push({ id: 'neck', species: 'maple', cut: 'slab', widthMm: round(neck), ...LAG.neck });
  if (board > 0) {
    parts.push({ id: 'fretboard', species: 'rosewood', cut: 'quarter', widthMm: round(board), ...LAG.fretboard });
  }
  return parts;
}

/** A part's time constant in ms. */
export function lagMs(part: WoodPart, cased: boolean): number {
  return (cased ? part.casedDays : part.bareDays) * DAY_MS;
}

export interface Movement {
  /** Wider by so many mm; negative when it has shrunk. */
  mm: number;
  /** Moisture lies outside 6–14 %, where the coefficients were measured. */
  extrapolated: boolean;
}

/**
 * How much a board wants to move across its width: ΔD = D · C · (M_f − M_i) [Wood Handbook, eq. 13-2].
 * @param fromMoisture fraction
 * @param toMoisture fraction
 */
export function movement(
  { species, cut, widthMm }: Pick<WoodPart, 'species' | 'cut' | 'widthMm'>,
  fromMoisture: number,
  toMoisture: number,
): Movement {
  const coefficient = SPECIES[species][cut === 'quarter' ? 'radial' : 'tangential'];
  const inside = (moisture: number) => moisture >= 0.06 && moisture <= 0.14;
  return {
    mm: widthMm * coefficient * (toMoisture - fromMoisture) * 100,
    extrapolated: !inside(fromMoisture) || !inside(toMoisture),
  };
}

/** Where instruments are made and set up: the moisture that movement is counted from. From memory: 50 % at 20 °C. */
export const SET_UP_MOISTURE = equilibriumMoisture(0.5, 20);

/** What moved wood may do. */
export const EFFECTS = [
  'pegs-slip',
  'pegs-stick',
  'seams',
  'cracks',
  'sharp-frets',
  'low-action',
  'high-action',
  'relief',
  'glue',
] as const;
export type Effect = (typeof EFFECTS)[number];

/** Movement from which an effect is spoken of, as moisture lost or gained. From memory: about 8 % of humidity, and 15 %. */
const NOTICEABLE = 0.012;
const GRAVE = 0.025;

/**
 * What an instrument's moved wood may do to it, the gravest last [handbook 3].
 * @param moisture of each part, fractions
 */
export function effectsOf(
  { family, kind }: Pick<InstrumentFacts, 'family' | 'kind'>,
  moisture: Readonly<Partial<Record<WoodPartId, number>>>,
): Effect[] {
  const gain = (part: WoodPartId) => (moisture[part] ?? SET_UP_MOISTURE) - SET_UP_MOISTURE;
  const body = moisture.top === undefined ? gain('neck') : gain('top');
  const effects: Effect[] = [];
  const pegs = family !== 'guitar' && family !== 'harp';
  if (pegs && gain('neck') <= -NOTICEABLE) effects.push('pegs-slip');
  if (pegs && gain('neck') >= NOTICEABLE) effects.push('pegs-stick');
  if (family === 'guitar' && Math.abs(gain('neck')) >= NOTICEABLE) effects.push('relief');
  if (family === 'guitar' && gain('fretboard') <= -NOTICEABLE) effects.push('sharp-frets');
  if (kind !== 'electric') {
    if (body <= -NOTICEABLE) effects.push('low-action');
    if (body >= NOTICEABLE) effects.push('high-action');
    if (body <= -GRAVE) effects.push('seams', 'cracks');
    if (body >= GRAVE) effects.push('glue');
  }
  return effects;
}
