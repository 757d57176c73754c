import { spawn } from 'node:child_process';
import { join } from 'node:path';

/** A PDF as another program reads it. */
export interface ReadPdf {
  pages: { box: number[]; text: string; tree: unknown }[];
  info: Record<string, unknown>;
  marked: boolean;
}

/** Runs apart: the reader is a module of the kind that tests cannot load. */
const PROGRAM = `
  import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
  const parts = [];
  for await (const part of process.stdin) parts.push(part);
  const data = new Uint8Array(Buffer.concat(parts));
  const pdf = await getDocument({ data, isEvalSupported: false, useSystemFonts: false, verbosity: 0 }).promise;
  const pages = [];
  for (let at = 1; at <= pdf.numPages; at++) {
    const page = await pdf.getPage(at);
    const { items } = await page.getTextContent();
    const text = items.flatMap((item) => ('str' in item ? [item.str] : [])).join(' ');
    pages.push({ box: page.view, text, tree: await page.getStructTree() });
  }
  const { info } = await pdf.getMetadata();
  const marked = (await pdf.getMarkInfo())?.Marked ?? false;
  process.stdout.write(JSON.stringify({ pages, info, marked }));
`;

/** Reads a PDF with a reader that has nothing to do with what wrote it. @throws Error with what the reader says */
export function readPdf(bytes: Buffer): Promise<ReadPdf> {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, ['--input-type=module', '-e', PROGRAM], { cwd: join(__dirname, '../../..') });
    const [said, wrong]: [Buffer[], Buffer[]] = [[], []];
    child.stdout.on('data', (part: Buffer) => said.push(part));
    child.stderr.on('data', (part: Buffer) => wrong.push(part));
    child.once('close', (status) => {
      if (status === 0) resolve(JSON.parse(Buffer.concat(said).toString()) as ReadPdf);
      else reject(new Error(Buffer.concat(wrong).toString()));
    });
    child.stdin.end(bytes);
  });
}
