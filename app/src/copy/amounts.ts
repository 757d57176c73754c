import { NEWTONS_PER_KGF, NEWTONS_PER_LBF } from '@tembrin/core/units';
import { MM_PER_INCH, type ForceUnit, type LengthUnit } from './measures';
import { fixed, upTo } from './numbers';
import { shownUnits } from './units';

const NEWTONS: Readonly<Record<ForceUnit, number>> = { N: 1, kgf: NEWTONS_PER_KGF, lbf: NEWTONS_PER_LBF };
const GRAMS_PER_OUNCE = 28.349523125;

/** Water by weight: grams, from a kilogram on as kilograms; ounces where this device measures in inches. */
export function waterWords(grams: number): string {
  if (shownUnits().lengths === 'in') {
    const ounces = grams / GRAMS_PER_OUNCE;
    return `${fixed(ounces, ounces < 10 ? 1 : 0)} oz`;
  }
  if (grams >= 1000) return `${fixed(grams / 1000, grams < 10_000 ? 1 : 0)} kg`;
  return `${fixed(grams, grams < 10 ? 1 : 0)} g`;
}

/** The unit water is typed in on this device, and what is typed in grams. */
export const waterUnit = () => (shownUnits().lengths === 'in' ? 'oz' : 'g');
export const gramsOf = (typed: number) => (waterUnit() === 'oz' ? typed * GRAMS_PER_OUNCE : typed);
/** Grams as they stand in a field. */
export const waterFigure = (grams: number | null) =>
  grams === null ? '' : upTo(waterUnit() === 'oz' ? grams / GRAMS_PER_OUNCE : grams, 1);

const M3_PER_FT3 = 0.3048 ** 3;

/** Ounces in a thousand cubic feet for each gram in a cubic metre: nearly one. */
const OUNCES_PER_1000_FT3 = (1000 * M3_PER_FT3) / GRAMS_PER_OUNCE;
/** Water in the air, "8.2 g/m³"; in ounces a thousand cubic feet where this device measures in inches. */
export const vapourWords = (gm3: number) => `${vapourFigure(gm3)} ${inches() ? 'oz/1000 ft³' : 'g/m³'}`;
/** The same without its unit. */
export const vapourFigure = (gm3: number) => fixed(inches() ? gm3 * OUNCES_PER_1000_FT3 : gm3, 1);
const inches = () => shownUnits().lengths === 'in';

/** The unit a room's volume is typed in, and what is typed in m³. */
export const volumeUnit = () => (shownUnits().lengths === 'in' ? 'ft³' : 'm³');
export const cubicMetresOf = (typed: number) =>
  volumeUnit() === 'ft³' ? Number((typed * M3_PER_FT3).toFixed(2)) : typed;
export const volumeFigure = (m3: number | null) =>
  m3 === null ? '' : upTo(volumeUnit() === 'ft³' ? m3 / M3_PER_FT3 : m3, volumeUnit() === 'ft³' ? 0 : 2);

/** What a string or a set pulls: "78 N", "8.0 kgf", "17.5 lbf". */
export function forceWords(newtons: number, unit: ForceUnit): string {
  const value = newtons / NEWTONS[unit];
  return `${fixed(value, unit === 'N' || value >= 100 ? 0 : 1)} ${unit}`;
}

/** A pull as it stands in a field, in the unit of this device; and what is typed in it, N. */
export const forceFigure = (newtons: number) => upTo(newtons / NEWTONS[shownUnits().forces], 1);
export const newtonsOf = (typed: number) => typed * NEWTONS[shownUnits().forces];

/** A share that changed: "+9 %", "−0.4 %". */
export function changeWords(change: number): string {
  const size = Math.abs(change * 100);
  const sign = change < 0 ? '−' : '+';
  return size < 0.05 ? '0 %' : `${sign}${fixed(size, size < 1 ? 1 : 0)} %`;
}

/** A string's gauge: in millimetres, or in inches as packets write it, ".012". */
export function gaugeWords(gaugeMm: number, lengths: LengthUnit): string {
  return lengths === 'mm'
    ? `${fixed(gaugeMm, 2)} mm`
    : `${(gaugeMm / MM_PER_INCH).toFixed(4).replace(/^0/, '').replace(/0$/, '')} in`;
}
