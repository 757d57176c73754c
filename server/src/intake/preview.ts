import { encodingOf, guessDelimiter, headOf, isBlank, type Delimiter, type Encoding } from '@tembrin/core';
import { PREVIEW_BYTES, SAMPLE_BYTES } from '@tembrin/contract';
import { beginning } from './spool';
import { noTable, topLines } from './table';
import { TextStream } from './text';

const LINES_SHOWN = 12;
/** Lines the separator is told by. */
const LOOKED_AT = 200;

/** The top of a file as it was cut. */
export interface Top {
  delimiter: Delimiter;
  /** Its lines, blank ones among them. */
  rows: string[][];
  /** The file goes on past what was looked at. */
  cut: boolean;
  /** Lines of the file's middle and of its end, where it goes on. */
  middle: string[][];
  end: string[][];
}

/** How many bytes of what comes, behind the top of the file, are of its middle, and how many of its end. */
export interface Samples {
  middle?: number | undefined;
  end?: number | undefined;
}

/** What was fetched of a file to look at: its top, and behind it samples of its middle and end. */
export interface FileTop extends Samples {
  bytes: Uint8Array;
}

/** Fetches as much of a file as is looked at. */
export async function fileTop(body: AsyncIterable<Uint8Array>, samples: Samples = {}): Promise<FileTop> {
  return { ...samples, bytes: await beginning(body, PREVIEW_BYTES + 1 + 2 * SAMPLE_BYTES) };
}

/** Lines of a stretch out of a file, whole ones only. @param last whether the file ends with it */
function sampleLines(bytes: Uint8Array, encoding: Encoding, delimiter: Delimiter, last: boolean): string[][] {
  const text = new TextDecoder(encoding).decode(bytes);
  const whole = text.slice(text.search(/\r\n?|\n/) + 1);
  return bytes.length === 0 ? [] : topLines(whole, delimiter, last).filter((cells) => !isBlank(cells));
}

/**
 * Looks at the top of a file: its encoding, its separator, its lines.
 * @param delimiter as the person chose; left out, it is guessed
 * @throws ProblemError 422 when it is no table
 */
export function topOf({ bytes: all, middle = 0, end = 0 }: FileTop, delimiter?: Delimiter): Top {
  const bytes = all.subarray(0, Math.max(0, all.length - middle - end));
  const cut = bytes.length > PREVIEW_BYTES || end > 0;
  const stream = new TextStream();
  const text = stream.text(bytes) + (cut ? '' : stream.end());
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
  const found = delimiter ?? guessDelimiter(lines.slice(0, LOOKED_AT));
  if (found === null || text.includes('\0')) noTable();
  const encoding = encodingOf(bytes);
  const sample = (from: number, to: number, last: boolean) =>
    sampleLines(all.subarray(from, to), encoding, found, last);
  const [first, second] = [bytes.length, bytes.length + middle];
  return {
    delimiter: found,
    rows: topLines(text, found, !cut),
    cut,
    middle: sample(first, second, false),
    end: sample(second, all.length, true),
  };
}

/** One line as it would be read: what it says, or why it cannot be read. */
export interface ReadLine<R> {
  read: R | null;
  fault: string | null;
}

/** What a person is shown of the top of a file: heads, the first lines, those that cannot be read, and how many are which. */
export function shownTop<R>({ rows, cut }: Top, skip: number, read: ((cells: string[]) => ReadLine<R>) | null) {
  const width = rows.slice(0, 500).reduce((most, row) => Math.max(most, row.length), 0);
  const head = headOf(rows, skip);
  const columns = Array.from({ length: width }, (_, at) => head[at] || `Column ${at + 1}`);
  const body = rows.slice(skip);
  const lines: ({ line: number; cells: string[] } & ReadLine<R>)[] = [];
  let [readable, unreadable] = [0, 0];
  for (const [at, cells] of body.entries()) {
    if (isBlank(cells)) continue;
    if (!read && lines.length >= LINES_SHOWN) break;
    const result = read?.(cells) ?? { read: null, fault: null };
    if (result.fault === null) readable++;
    else unreadable++;
    // The first lines, and those that cannot be read.
    if (lines.length >= LINES_SHOWN && (result.fault === null || lines.length >= 2 * LINES_SHOWN)) continue;
    lines.push({ line: skip + at + 1, cells, ...result });
  }
  return { columns, lines, readable: read ? readable : 0, unreadable, cut };
}
