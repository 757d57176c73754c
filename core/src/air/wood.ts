import {
  bodyScale,
  builtOf,
  recordOf,
  SPECIES,
  variantOf,
  WOOD_LAGS,
  type InstrumentFacts,
  type WoodPart,
  type WoodPartId,
} from '../instruments';
import { DAY_MS } from '../time';
import { equilibriumMoisture } from './moisture';

/** The wooden parts that are followed, as they usually are in this kind of instrument, at its size. */
export function woodParts(facts: Pick<InstrumentFacts, 'family' | 'kind' | 'size' | 'setUp'>): WoodPart[] {
  const scale = bodyScale(recordOf(facts.family), builtOf(facts));
  return variantOf(facts).wood.map((part) => ({
    ...part,
    ...WOOD_LAGS[part.id],
    widthMm: Math.round(part.widthMm * (scale ?? 1)),
    widthOfUsualSize: scale === null,
  }));
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
  { family }: Pick<InstrumentFacts, 'family'>,
  moisture: Readonly<Partial<Record<WoodPartId, number>>>,
): Effect[] {
  const gain = (part: WoodPartId) => (moisture[part] ?? SET_UP_MOISTURE) - SET_UP_MOISTURE;
  const body = gain('top');
  const effects: Effect[] = [];
  const { pegs, fretted } = recordOf(family);
  const wooden = pegs === 'wooden';
  if (wooden && gain('neck') <= -NOTICEABLE) effects.push('pegs-slip');
  if (wooden && gain('neck') >= NOTICEABLE) effects.push('pegs-stick');
  if (fretted && Math.abs(gain('neck')) >= NOTICEABLE) effects.push('relief');
  if (fretted && gain('fretboard') <= -NOTICEABLE) effects.push('sharp-frets');
  if (moisture.top !== undefined) {
    if (body <= -NOTICEABLE) effects.push('low-action');
    if (body >= NOTICEABLE) effects.push('high-action');
    if (body <= -GRAVE) effects.push('seams', 'cracks');
    if (body >= GRAVE) effects.push('glue');
  }
  return effects;
}
