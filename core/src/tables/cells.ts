import { LONGEST_CELL, plainText } from './plain';

/** What stands between the cells of a line. */
export const DELIMITERS = [',', ';', '\t', '|'] as const;
export type Delimiter = (typeof DELIMITERS)[number];

/**
 * The separator that cuts most of the lines into the same number of columns, above one; null where none does.
 * @example guessDelimiter(['a;b', '1;2']) // ';'
 */
export function guessDelimiter(lines: readonly string[]): Delimiter | null {
  let best: { delimiter: Delimiter; score: number } | null = null;
  for (const delimiter of DELIMITERS) {
    const counts = new Map<number, number>();
    for (const line of lines) {
      const columns = line.split(delimiter).length;
      if (columns > 1) counts.set(columns, (counts.get(columns) ?? 0) + 1);
    }
    const score = Math.max(0, ...counts.values());
    // A comma may be a decimal sign; with as many lines for another separator, that one it is.
    if (score > 0 && (!best || score > best.score || (score === best.score && best.delimiter === ',')))
      best = { delimiter, score };
  }
  return best?.delimiter ?? null;
}

const NUMBER = /^([+-]?(?:\d+(?:[.,]\d+)?|[.,]\d+)) ?((?:\D.*)?)$/;
/** Units that stand behind a number, in small letters without spaces and points. */
const UNITS: Readonly<Record<string, CellUnit | ''>> = {
  '': '',
  '%': '%',
  '%rh': '%',
  'rh%': '%',
  '%rf': '%',
  '%hr': '%',
  '°c': 'C',
  c: 'C',
  degc: 'C',
  '°f': 'F',
  f: 'F',
  degf: 'F',
};
export type CellUnit = '%' | 'C' | 'F';

/** Whether a cell is digits with a point among them and nothing else: what most cells are, and quickly told. */
function isPlainNumber(text: string): boolean {
  let points = 0;
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at);
    if (code === 46 && at > 0 && at < text.length - 1) points++;
    else if (code < 48 || code > 57) return false;
  }
  return points < 2 && text.length > 0 && text.length <= LONGEST_CELL;
}

/** A number in a cell, and the unit behind it; null where it is none. */
export function measureIn(text: string | undefined): { value: number; unit: CellUnit | null } | null {
  if (text === undefined) return null;
  if (isPlainNumber(text)) return { value: Number(text), unit: null };
  const match = NUMBER.exec(plainText(text));
  if (!match) return null;
  const unit = UNITS[match[2]!.toLowerCase().replaceAll(/[ .]/g, '')];
  return unit === undefined ? null : { value: Number(match[1]!.replace(',', '.')), unit: unit === '' ? null : unit };
}

/**
 * A number as loggers and spreadsheets write them: a point or a comma before the decimals, perhaps with its unit behind.
 * @returns NaN where it is none
 * @example numberIn(' 45,2 % RH ') // 45.2
 */
export function numberIn(text: string | undefined): number {
  return measureIn(text)?.value ?? NaN;
}

export type Row = readonly string[];

/**
 * Whether a line says nothing: no cells, or empty ones only.
 * @example isBlank([' ', '']) // true
 */
export const isBlank = (cells: Row): boolean => cells.every((cell) => cell.trim() === '');

/** A table as it was found in a file: lines above its first entry, its heads, its columns. */
export interface Layout {
  /** Lines above the first entry. */
  skip: number;
  /** Heads of the columns in small letters; empty where there is none. */
  heads: readonly string[];
  /** Places of columns, from 0. */
  columns: readonly number[];
  /** Cells of a column, entries only. */
  column: (at: number) => string[];
  /** Whether more than a share of a column's cells are of a kind. */
  mostly: (at: number, test: (cell: string) => boolean) => boolean;
}

/** The heads of the columns: the last line above the first entry that is not blank; empty where there is none. */
export function headOf(rows: readonly Row[], skip: number): Row {
  return rows.slice(0, skip).findLast((cells) => !isBlank(cells)) ?? [];
}

/**
 * Finds the table in the top of a file: lines above the first entry are its preamble, the last of them its head.
 * @param isEntry whether a line is one of the table's
 * @param share of a column's cells that must be of a kind to say that it is; the others are gaps and faults
 */
export function layOut(rows: readonly Row[], isEntry: (cells: Row) => boolean, share: number): Layout {
  const skip = Math.max(
    0,
    rows.findIndex((cells) => isEntry(cells)),
  );
  const heads = headOf(rows, skip).map((cell) => cell.slice(0, LONGEST_CELL).toLowerCase());
  const body = rows.slice(skip).filter(isEntry);
  const width = body.reduce((most, cells) => Math.max(most, cells.length), 0);
  const column = (at: number) => body.map((cells) => (cells[at] ?? '').trim());
  return {
    skip,
    heads,
    columns: Array.from({ length: width }, (_, at) => at),
    column,
    mostly: (at, test) => column(at).filter(test).length > share * Math.max(1, body.length),
  };
}
