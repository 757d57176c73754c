import { celsiusOf, fahrenheitOf, NEWTONS_PER_KGF, NEWTONS_PER_LBF } from '@tembrin/core/units';
import { FIGURE_DATA, type Figure, type FigureData } from '@tembrin/core/instruments';
import { TEMP_RANGE_C } from '@tembrin/core/air';
import { fixed, localised, readNumber, upTo } from './numbers';
import { shownUnits } from './units';

export type LengthUnit = 'mm' | 'in';
export type TemperatureUnit = 'C' | 'F';
export type ForceUnit = 'N' | 'kgf' | 'lbf';
const NEWTONS: Readonly<Record<ForceUnit, number>> = { N: 1, kgf: NEWTONS_PER_KGF, lbf: NEWTONS_PER_LBF };
const MM_PER_INCH = 25.4;

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

/**
 * Reads a number somebody typed, a comma or a point before the decimals.
 * @returns the value in mm or in the figure’s own unit, or a sentence saying what to do
 */
export function readMeasure(figure: Figure, text: string, lengths: LengthUnit): number | string {
  const { least, most, title } = FIGURE_DATA[figure];
  const typed = readNumber(text);
  if (typed === null) return `Write a number, like 7 or ${fixed(6.5, 1)}.`;
  const value = unitOf(figure, lengths) === 'in' ? typed * MM_PER_INCH : typed;
  if (value < least || value > most)
    return `${title} lies between ${measureNumber(figure, least, lengths)} and ${measureWords(figure, most, lengths)}. Measure again, and check the unit.`;
  return Number(value.toFixed(3));
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

/** A temperature somebody typed, in °C; a sentence saying what to do where it is none. */
export function readTemperature(text: string, unit: TemperatureUnit): number | string {
  const typed = readNumber(text);
  if (typed === null) return `Write the temperature as a number, like ${fixed(20.5, 1)}.`;
  const tempC = unit === 'C' ? typed : celsiusOf(typed);
  return tempC < TEMP_RANGE_C.least || tempC > TEMP_RANGE_C.most
    ? `That is ${temperatureWords(tempC, shownUnits().temperatures)}. Check the unit: this device reads °${unit}.`
    : tempC;
}

/** A length as it stands in a field, in the unit of this device; empty where none is known. */
export function lengthFigure(mm: number | null, lengths: LengthUnit): string {
  if (mm === null) return '';
  return lengths === 'mm' ? upTo(mm, 1) : upTo(mm / MM_PER_INCH, 2);
}

/** "328 mm", "12.91 in". */
export const lengthWords = (mm: number, lengths: LengthUnit) => `${lengthFigure(mm, lengths)} ${lengths}`;

/** A length somebody typed in the unit of this device, mm; NaN where it is no number. */
export function readLength(text: string, lengths: LengthUnit): number {
  const typed = readNumber(text) ?? NaN;
  return Number((lengths === 'in' ? typed * MM_PER_INCH : typed).toFixed(2));
}

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

/** Inches in millimetres, whole. */
export const mmOfInches = (inches: number): number => Math.round(inches * MM_PER_INCH);

/** A movement of wood: hundredths of a millimetre matter, or thousandths of an inch. */
export function movementWords(mm: number, lengths: LengthUnit): string {
  return `${mm < 0 ? '−' : '+'}${movedWords(mm, lengths)}`;
}

/** How far wood moved, either way. */
export function movedWords(mm: number, lengths: LengthUnit): string {
  const size = Math.abs(mm);
  return lengths === 'mm' ? `${fixed(size, 2)} mm` : `${fixed(size / MM_PER_INCH, 3)} in`;
}

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

/**
 * Reads a gauge as packets write it: "0.26", ".012", "12" (thousandths of an inch), "0,3 mm".
 * @returns mm; null where it is no number
 */
export function readGauge(text: string): number | null {
  const inches = /in|"|″/i.test(text) || /^\s*[.,]0/.test(text);
  const value = readNumber(text.replace(/mm|in|"|″/gi, ''));
  if (value === null) return null;
  if (inches) return Number((value * MM_PER_INCH).toFixed(4));
  // A whole number from seven up is thousandths of an inch.
  return Number.isInteger(value) && value >= 7 ? Number(((value / 1000) * MM_PER_INCH).toFixed(4)) : value;
}
