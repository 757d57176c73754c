import { hasHiddenSigns, HIDDEN_SIGNS_SENTENCE } from '@tembrin/contract/plain';
import { answerSchema, type Answer } from '@tembrin/core';
import type { SentDocument } from '../store/shares';

/** What a form of the page sends: each field once, as text. */
export type Fields = Readonly<Record<string, string>>;

/** Room for what was done besides what was asked. */
export const MORE_LINES = 3;

/** Names of the fields: of a sheet’s line that was asked for, of one besides, of a figure. */
export const fieldOf = {
  done: (sheet: number, line: number) => `done-${sheet}-${line}`,
  words: (sheet: number, line: number) => `words-${sheet}-${line}`,
  cost: (sheet: number, line: number) => `cost-${sheet}-${line}`,
  moreWords: (sheet: number, line: number) => `more-${sheet}-${line}`,
  moreCost: (sheet: number, line: number) => `more-cost-${sheet}-${line}`,
  figure: (sheet: number, figure: string) => `figure-${sheet}-${figure}`,
} as const;

/** Thrown where a number can be read two ways, or in none. */
class Unclear extends Error {}

/** At most two decimals: three would be thousands to some. */
const NUMBER = /^\d{1,7}(?:[.,]\d{1,2})?$/;

/** An amount or a measure as people write it; "1,234" is asked for again: it is read two ways. @throws Unclear */
function numberIn(text: string | undefined, what: string): number | null {
  const typed = (text ?? '').trim();
  if (typed === '') return null;
  if (!NUMBER.test(typed))
    throw new Unclear(
      `${what}: “${typed.slice(0, 20)}” can be read in more than one way, or in none. Write it like 1234 or 79.50.`,
    );
  return Number(typed.replace(',', '.'));
}

/** Names the sheets a form was made for, in their order. */
export const sheetsKey = ({ sheets }: SentDocument): string => sheets.map(({ briefId }) => briefId).join(' ');

/** What was done, sheet by sheet, as far as anything was said of it. */
function sheetsIn(fields: Fields, { sheets }: SentDocument) {
  return sheets.map(({ briefId, name, asked, figures }, sheet) => {
    const lines = asked.flatMap((each, line) => {
      const words = fields[fieldOf.words(sheet, line)] ?? '';
      const cost = numberIn(fields[fieldOf.cost(sheet, line)], `${name}, ${each.words}`);
      const done = fields[fieldOf.done(sheet, line)] !== undefined;
      if (!done && cost === null && words.trim() === '') return [];
      if (!done) throw new Unclear(`${name}: tick “${each.words}” if it is done, or leave its line empty.`);
      return [{ asked: line, words, cost }];
    });
    const more = Array.from({ length: MORE_LINES }, (_, line) => line).flatMap((line) => {
      const words = (fields[fieldOf.moreWords(sheet, line)] ?? '').trim();
      const cost = numberIn(fields[fieldOf.moreCost(sheet, line)], `${name}, ${words || 'something besides'}`);
      if (words === '' && cost !== null) throw new Unclear(`${name}: say what was done for ${cost}.`);
      return words === '' ? [] : [{ asked: null, words, cost }];
    });
    const read = figures.flatMap(({ figure, value: before }) => {
      const value = numberIn(fields[fieldOf.figure(sheet, figure)], `${name}, a figure`);
      return value === null || value === before ? [] : [{ figure, value }];
    });
    return { briefId, lines: [...lines, ...more], figures: read };
  });
}

const dateIn = (text: string | undefined) => (text ?? '').trim() || null;

function drafted(fields: Fields, document: SentDocument): unknown {
  const { kind } = fields;
  const said = { kind, from: fields.from ?? '', note: fields.note ?? '' };
  if (kind === 'estimate') {
    const low = numberIn(fields.low, 'From');
    const high = numberIn(fields.high, 'To') ?? low;
    return { ...said, low, high, currency: fields.currency, ready: dateIn(fields.ready) };
  }
  if (kind === 'done') {
    // Fields go by the sheets' places: an instrument that went meanwhile must not have another's answer.
    if (fields.sheets !== undefined && fields.sheets !== sheetsKey(document))
      throw new Unclear('The brief has changed since you opened it. Look at it again, then send what was done.');
    const sheets = sheetsIn(fields, document);
    const costs = sheets.some(({ lines }) => lines.some(({ cost }) => cost !== null));
    return { ...said, on: dateIn(fields.on), currency: costs ? fields.currency : null, sheets };
  }
  return said;
}

/**
 * Reads what a workshop sent. Text only; bounded by the schema of an answer.
 * @returns the answer, or a sentence saying what to do
 */
export function readAnswer(fields: Fields, document: SentDocument): Answer | string {
  if (Object.values(fields).some(hasHiddenSigns)) return HIDDEN_SIGNS_SENTENCE;
  try {
    const read = answerSchema.safeParse(drafted(fields, document));
    if (read.success) return read.data;
    const { path, message, code } = read.error.issues[0]!;
    if (path.at(-1) === 'low') return 'Write what it would cost, like 80 or 79.50.';
    if (path.at(-1) === 'on' || path.at(-1) === 'ready') return 'Write the date as year-month-day, like 2026-03-14.';
    return code === 'invalid_union' ? 'Choose one of the answers below.' : message;
  } catch (error) {
    if (error instanceof Unclear) return error.message;
    throw error;
  }
}
