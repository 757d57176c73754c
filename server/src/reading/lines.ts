import { createReadStream } from 'node:fs';
import { isBlank } from '@tembrin/core';
import type { IntakeProgress } from '@tembrin/contract';
import { tableRows } from '../intake/table';

const EXAMPLES = 8;
const EXAMPLE_CHARS = 120;

/** A table on the disk. */
export interface TableFile {
  path: string;
  delimiter: string;
  /** Lines above the first entry. */
  skip: number;
}

/** What came of some lines of a file: what was taken, and what is to be told of the others. */
export interface Stretch<T> extends Pick<IntakeProgress, 'lines' | 'bytes' | 'left' | 'unreadable' | 'examples'> {
  taken: T[];
}

/**
 * Reads a table a stretch at a time.
 * @param read makes an entry of a line's cells; null for a line that is left out
 * @param faultSentence says why a line cannot be read, where `read` gives a fault by its name
 */
export async function* stretchesOf<R extends object | string | null>(
  { path, delimiter, skip }: TableFile,
  read: (cells: string[]) => R,
  faultSentence: (fault: Extract<R, string>) => string,
): AsyncGenerator<Stretch<Exclude<R, string | null>>, void> {
  let lines = 0;
  let bytes = 0;
  let shown = 0;
  for await (const rows of tableRows(createReadStream(path), delimiter, (more) => (bytes += more))) {
    const stretch: Stretch<Exclude<R, string | null>> = {
      taken: [],
      lines: rows.length,
      bytes,
      left: 0,
      unreadable: 0,
      examples: [],
    };
    for (const [at, cells] of rows.entries()) {
      const line = lines + at + 1;
      if (line <= skip || isBlank(cells)) continue;
      const found = read(cells);
      if (found === null) stretch.left++;
      else if (typeof found !== 'string') stretch.taken.push(found as Exclude<R, string | null>);
      else {
        stretch.unreadable++;
        if (shown++ < EXAMPLES) {
          const text = cells.join(delimiter).slice(0, EXAMPLE_CHARS);
          stretch.examples.push({ line, text, fault: faultSentence(found as Extract<R, string>) });
        }
      }
    }
    lines += rows.length;
    bytes = 0;
    yield stretch;
  }
}
