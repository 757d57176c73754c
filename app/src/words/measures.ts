import { FIGURE_DATA, type Figure } from '@tembrin/core';

export type LengthUnit = 'mm' | 'in';
const MM_PER_INCH = 25.4;

/** Decimals worth showing for a step: 0.5 → 1, 0.05 → 2. */
const decimalsFor = (step: number) => Math.max(0, Math.ceil(-Math.log10(step) - 1e-9));

/** The unit a figure is shown and typed in. */
export function unitOf(figure: Figure, lengths: LengthUnit): 'mm' | 'in' | 'turns' {
  const { unit } = FIGURE_DATA[figure];
  return unit === 'mm' ? lengths : unit;
}

/** A number as it stands in a field, in the unit of `unitOf`. */
export function measureNumber(figure: Figure, value: number, lengths: LengthUnit): string {
  const inches = unitOf(figure, lengths) === 'in';
  const decimals = decimalsFor(FIGURE_DATA[figure].step) + (inches ? 2 : 0);
  return String(Number((inches ? value / MM_PER_INCH : value).toFixed(decimals)));
}

/** "312 mm", "12.28 in", "7 turns". */
export function measureWords(figure: Figure, value: number, lengths: LengthUnit): string {
  const number = measureNumber(figure, value, lengths);
  const unit = unitOf(figure, lengths);
  return unit === 'turns' ? `${number} ${number === '1' ? 'turn' : 'turns'}` : `${number} ${unit}`;
}

/**
 * Reads a number somebody typed, a comma or a point before the decimals.
 * @returns the value in mm or turns, or a sentence saying what to do
 */
export function readMeasure(figure: Figure, text: string, lengths: LengthUnit): number | string {
  const { least, most, title } = FIGURE_DATA[figure];
  const trimmed = text.trim().replace(',', '.');
  const typed = trimmed === '' ? NaN : Number(trimmed);
  if (!Number.isFinite(typed)) return 'Write a number, like 7 or 6.5.';
  const value = unitOf(figure, lengths) === 'in' ? typed * MM_PER_INCH : typed;
  if (value < least || value > most)
    return `${title} lies between ${measureNumber(figure, least, lengths)} and ${measureWords(figure, most, lengths)}. Measure again, and check the unit.`;
  return Number(value.toFixed(3));
}
