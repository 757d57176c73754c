import { shownLocale } from './locale';

const written = (digits: string) => digits.replace('-', '−').replace('.', shownLocale().decimal);

/** A number with so many decimals, as this device's locale writes it. */
export const fixed = (value: number, decimals: number) => written(value.toFixed(decimals));

/** A number with at most so many decimals: 7, 6.5. */
export const upTo = (value: number, decimals: number) => written(String(Number(value.toFixed(decimals))));

/** A sentence with numbers in it, its decimal points as this device's locale writes them; a gauge's leading point (.012) is left. */
export function localised(text: string): string {
  const { decimal } = shownLocale();
  return decimal === '.' ? text : text.replaceAll(/(\d)\.(?=\d)/g, `$1${decimal}`);
}

/** A whole number of things, or money where `style` says so, as this device's locale writes it. */
export const numberWords = (value: number, style: Intl.NumberFormatOptions = {}) =>
  value.toLocaleString(shownLocale().tag, { numberingSystem: 'latn', ...style });

/** An amount of money in its own currency. */
export const moneyWords = ({ amount, currency }: { amount: number; currency: string }) =>
  numberWords(amount, { style: 'currency', currency, ...(Number.isInteger(amount) && { maximumFractionDigits: 0 }) });

/** A number as people type it, a comma or a point before the decimals; null where it is none. */
export function readNumber(text: string): number | null {
  const trimmed = text.trim().replace(/[,٫]/, '.').replace('−', '-');
  const value = trimmed === '' ? NaN : Number(trimmed);
  return Number.isFinite(value) ? value : null;
}
