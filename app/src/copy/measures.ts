import { fahrenheitOf } from '@tembrin/core/units';
import { FIGURE_DATA, type Figure, type FigureData } from '@tembrin/core/instruments';
import { fixed, localised, upTo } from './numbers';
import { shownUnits } from './units';

export type LengthUnit = 'mm' | 'in';
export type TemperatureUnit = 'C' | 'F';
export type ForceUnit = 'N' | 'kgf' | 'lbf';
export const MM_PER_INCH = 25.4;

/** Decimals worth showing for a step: 0.5 → 1, 0.05 → 2. */
const decimalsFor = (step: number) => Math.max(0, Math.ceil(-Math.log10(step) - 1e-9));

/** The unit a figure is shown and typed in. */
export function unitOf(figure: Figure, lengths: LengthUnit): Exclude<FigureData['unit'], 'mm'> | LengthUnit {
  const { unit } = FIGURE_DATA[figure];
  return unit === 'mm' ? lengths : unit;
}

/** What the field of a figure is called. */
export const UNIT_LABELS = {
  mm: 'In millimetres',
  in: 'In inches',
  turns: 'Turns',
  '°': 'In degrees',
  '%': 'In percent',
  hairs: 'Hairs',
  cents: 'In cents',
} as const;

/** A number as it stands in a field, in the unit of `unitOf`. */
export function measureNumber(figure: Figure, value: number, lengths: LengthUnit): string {
  const inches = unitOf(figure, lengths) === 'in';
  const decimals = decimalsFor(FIGURE_DATA[figure].step) + (inches ? 2 : 0);
  return upTo(inches ? value / MM_PER_INCH : value, decimals);
}

const ONE = { turns: 'turn', hairs: 'hair', cents: 'cent' } as const;

/** "312 mm", "12.28 in", "7 turns", "88.5°". */
export function measureWords(figure: Figure, value: number, lengths: LengthUnit): string {
  const number = measureNumber(figure, value, lengths);
  const unit = unitOf(figure, lengths);
  if (unit === '°') return `${number}°`;
  return `${number} ${number === '1' && unit in ONE ? ONE[unit as keyof typeof ONE] : unit}`;
}

/** A share of humidity as it stands on a hygrometer: "45 %". */
export const humidityWords = (rh: number, decimals = 0) => `${fixed(rh * 100, decimals)} %`;

/** "20.5 °C", "69 °F". */
export function temperatureWords(tempC: number, unit: TemperatureUnit, decimals = unit === 'C' ? 1 : 0): string {
  return `${temperatureFigure(tempC, unit, decimals)} °${unit}`;
}

/** By how much warmer: a difference has no zero to be shifted. */
export function warmerWords(byC: number): string {
  const { temperatures } = shownUnits();
  return `${Math.round(temperatures === 'C' ? byC : (byC * 9) / 5)} °${temperatures}`;
}

/** The same without its unit, as it stands in a field that names it. */
export function temperatureFigure(tempC: number, unit: TemperatureUnit, decimals = 0): string {
  return fixed(unit === 'C' ? tempC : fahrenheitOf(tempC), decimals);
}

/** A length as it stands in a field, in the unit of this device; empty where none is known. */
export function lengthFigure(mm: number | null, lengths: LengthUnit): string {
  if (mm === null) return '';
  return lengths === 'mm' ? upTo(mm, 1) : upTo(mm / MM_PER_INCH, 2);
}

/** "328 mm", "12.91 in". */
export const lengthWords = (mm: number, lengths: LengthUnit) => `${lengthFigure(mm, lengths)} ${lengths}`;

/** A body's length as the trade names it, "16 in", "15 1/2 in"; as measured where it has no such name. */
export function bodyName(mm: number, lengths: LengthUnit): string {
  const halves = Math.round((mm / MM_PER_INCH) * 2);
  if (Math.abs(halves / 2 - mm / MM_PER_INCH) >= 0.05) return lengthWords(mm, lengths);
  return `${Math.floor(halves / 2)}${halves % 2 === 1 ? ' 1/2' : ''} in`;
}

/** The same with its millimetres, where this device measures in them. */
export function bodyWords(mm: number, lengths: LengthUnit): string {
  const name = bodyName(mm, lengths);
  return lengths === 'in' || name.endsWith('mm') ? name : `${name}, ${Math.round(mm)} mm`;
}

/** A movement of wood: hundredths of a millimetre matter, or thousandths of an inch. */
export function movementWords(mm: number, lengths: LengthUnit): string {
  return `${mm < 0 ? '−' : '+'}${movedWords(mm, lengths)}`;
}

/** How far wood moved, either way. */
export function movedWords(mm: number, lengths: LengthUnit): string {
  const size = Math.abs(mm);
  return lengths === 'mm' ? `${fixed(size, 2)} mm` : `${fixed(size / MM_PER_INCH, 3)} in`;
}

/**
 * A sentence with millimetres in it, in the unit of this device: inches where it measures in them.
 * @example inUnits('6 to 9 mm') // '0.24 to 0.35 in', in inches
 */
export function inUnits(text: string): string {
  if (shownUnits().lengths === 'mm') return localised(text);
  const inches = (mm: string) => fixed(Number(mm) / MM_PER_INCH, 2);
  return text
    .replaceAll(
      /(?<![\d.])(\d+(?:\.\d+)?) to (\d+(?:\.\d+)?) mm\b/g,
      (_all, low: string, high: string) => `${inches(low)} to ${inches(high)} in`,
    )
    .replaceAll(
      /× (\d+(?:\.\d+)?) = (\d+(?:\.\d+)?) mm\b/g,
      (_all, one: string, all: string) => `× ${inches(one)} = ${inches(all)} in`,
    )
    .replaceAll(/(?<![\d.])(\d+(?:\.\d+)?) mm\b/g, (_all, mm: string) => `${inches(mm)} in`);
}
