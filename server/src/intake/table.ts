import Papa from 'papaparse';

import { fail } from '../problems/problems';
import { TextStream } from './text';

/** A file without the end of a line in so many characters is no table. */
const LONGEST_LINE = 100_000;
const NO_TABLE =
  'No table can be made out. Export it as CSV, with a line for each entry and a comma, semicolon or tab between.';

/** Said of a file in which no lines and columns can be found. @throws ProblemError 422 */
export function noTable(): never {
  fail(422, 'no-table', NO_TABLE);
}

/** Lines of cells, blank ones among them, and what is left over: the beginning of a line whose end is still to come. */
interface Cut {
  rows: string[][];
  rest: string;
}

/**
 * Cuts text into lines of cells. A cell in quotation marks may hold separators and line breaks.
 * @param last whether nothing follows
 * @param before lines that came before, for what is said
 * @throws ProblemError 422 where quotation marks are opened and never closed
 */
function cut(text: string, delimiter: string, last: boolean, before: number): Cut {
  const parser = new Papa.Parser({ delimiter, newline: '\n' });
  const { data, errors, meta } = parser.parse(text, 0, !last) as Papa.ParseResult<string[]>;
  const open = last && errors.find(({ code }) => code === 'MissingQuotes');
  if (open) {
    const line = before + (open.row ?? 0) + 1;
    fail(422, 'open-quotes', `Quotation marks are opened in line ${line} and never closed. Put that line right first.`);
  }
  const rows = data.at(-1)?.join('') === '' && last ? data.slice(0, -1) : data;
  return { rows, rest: last ? '' : text.slice(meta.cursor) };
}

/** Line ends of every system as one. */
const ends = (text: string) => text.replaceAll(/\r\n?/g, '\n');

/**
 * Cuts the top of a file into lines of cells, blank ones among them.
 * @param whole whether the file ends here; otherwise the last line may be cut off and is left out
 */
export function topLines(text: string, delimiter: string, whole: boolean): string[][] {
  return cut(ends(text), delimiter, whole, 0).rows;
}

/**
 * Reads a file as lines of cells, blank ones among them, a stretch at a time, in whatever encoding it is.
 * @param told of how many bytes were read
 * @throws ProblemError 422 when it has no lines
 */
export async function* tableRows(
  body: AsyncIterable<Uint8Array>,
  delimiter: string,
  told: (bytes: number) => void,
): AsyncGenerator<string[][]> {
  const stream = new TextStream();
  let rest = '';
  let before = 0;
  for await (const chunk of body) {
    told(chunk.length);
    rest += stream.text(chunk);
    // Half of a line's end may come with the next part.
    const held = rest.endsWith('\r') ? '\r' : '';
    const found = cut(ends(held ? rest.slice(0, -1) : rest), delimiter, false, before);
    rest = found.rest + held;
    before += found.rows.length;
    if (found.rows.length > 0) yield found.rows;
    if (rest.length > LONGEST_LINE) noTable();
  }
  const { rows } = cut(ends(rest + stream.end()), delimiter, true, before);
  if (rows.length > 0) yield rows;
}
