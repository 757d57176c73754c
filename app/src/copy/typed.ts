import { celsiusOf } from '@tembrin/core/units';
import { FIGURE_DATA, type Figure } from '@tembrin/core/instruments';
import { TEMP_RANGE_C } from '@tembrin/core/air';
import {
  measureNumber,
  measureWords,
  MM_PER_INCH,
  temperatureWords,
  unitOf,
  type LengthUnit,
  type TemperatureUnit,
} from './measures';
import { fixed, readNumber } from './numbers';
import { shownUnits } from './units';

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

/** A temperature somebody typed, in °C; a sentence saying what to do where it is none. */
export function readTemperature(text: string, unit: TemperatureUnit): number | string {
  const typed = readNumber(text);
  if (typed === null) return `Write the temperature as a number, like ${fixed(20.5, 1)}.`;
  const tempC = unit === 'C' ? typed : celsiusOf(typed);
  return tempC < TEMP_RANGE_C.least || tempC > TEMP_RANGE_C.most
    ? `That is ${temperatureWords(tempC, shownUnits().temperatures)}. Check the unit: this device reads °${unit}.`
    : tempC;
}

/** A length somebody typed in the unit of this device, mm; NaN where it is no number. */
export function readLength(text: string, lengths: LengthUnit): number {
  const typed = readNumber(text) ?? NaN;
  return Number((lengths === 'in' ? typed * MM_PER_INCH : typed).toFixed(2));
}

/** Inches in millimetres, whole. */
export const mmOfInches = (inches: number): number => Math.round(inches * MM_PER_INCH);

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
