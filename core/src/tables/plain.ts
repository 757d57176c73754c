/** A cell longer than this is neither a number nor a date, and is not looked through for one. */
export const LONGEST_CELL = 64;

/** Dashes and signs that stand for a minus; spaces of other widths; signs of East Asian dates for their separators. */
const MINUS = /[\u2010-\u2015\u2212\ufe63\uff0d]/g;
const SPACES = /[\u00a0\u1680\u2000-\u200b\u202f\u205f\u3000\ufeff]/g;
const DATE_SIGNS: Readonly<Record<string, string>> = {
  年: '-',
  月: '-',
  日: ' ',
  時: ':',
  时: ':',
  分: ':',
  秒: ' ',
  년: '-',
  월: '-',
  일: ' ',
  시: ':',
  분: ':',
  초: ' ',
};
const SIGN = new RegExp(`[${Object.keys(DATE_SIGNS).join('')}]`, 'g');
const isAscii = (text: string): boolean => {
  for (let at = 0; at < text.length; at++) if (text.charCodeAt(at) > 126) return false;
  return true;
};

/**
 * A cell as it would be written with the signs of a plain keyboard: full-width digits, other minus signs, other spaces, ℃ and ℉.
 * @returns empty where it is longer than any number or date
 * @example plainText('−３.5 ℃') // '-3.5 °C'
 */
export function plainText(text: string): string {
  if (text.length > LONGEST_CELL) return '';
  const trimmed = text.trim();
  if (isAscii(trimmed)) return trimmed;
  return trimmed.normalize('NFKC').replaceAll(MINUS, '-').replaceAll(SPACES, ' ').trim();
}

/** The same of a date or a time: with the separators that East Asian signs stand for. */
export function plainMoment(text: string): string {
  const plain = plainText(text);
  if (isAscii(plain)) return plain;
  const signed = plain.replaceAll(SIGN, (sign) => DATE_SIGNS[sign]!);
  return signed
    .replaceAll(/- *(?=-)|[-:](?= *$)|:(?= *:)/g, '')
    .replaceAll(/- +(?=\d)/g, '-')
    .replaceAll(/: +(?=\d)/g, ':')
    .trim();
}
