import type { Paper } from '@tembrin/contract';
import PDFDocument from 'pdfkit';
import { FONTS, type Face } from './fonts';

/** The workshop’s colours by day, on paper. */
export const INK = { text: '#221C18', quiet: '#63564A', accent: '#A4501E', line: '#D9CDB8' } as const;
export const MARGIN = 54;
export const SIZES = { title: 26, about: 11.5, heading: 13, text: 10.5, foot: 8.5 } as const;

export type Doc = PDFKit.PDFDocument;

/**
 * Begins a PDF on A4 or Letter, with its own fonts, tagged, in its language.
 * @returns it, and all of it once it was ended
 */
export function openPdf(title: string, paper: Paper, at: Date): { doc: Doc; whole: Promise<Buffer> } {
  const doc = new PDFDocument({
    size: paper === 'a4' ? 'A4' : 'LETTER',
    margins: { top: MARGIN, left: MARGIN, right: MARGIN, bottom: MARGIN },
    lang: 'en',
    tagged: true,
    displayTitle: true,
    pdfVersion: '1.7',
    // The font that is used where none is said would not be its own.
    font: FONTS.text,
    info: { Title: title, Creator: 'Tembrin', CreationDate: at },
  });
  for (const [face, file] of Object.entries(FONTS)) doc.registerFont(face, file);
  const parts: Buffer[] = [];
  const whole = new Promise<Buffer>((resolve, reject) => {
    doc.on('data', (part: Buffer) => parts.push(part));
    doc.on('end', () => resolve(Buffer.concat(parts)));
    doc.on('error', reject);
  });
  return { doc, whole };
}

/** A paragraph that is tagged for those who listen to the page. */
export function paragraph(
  doc: Doc,
  within: PDFKit.PDFStructureElement,
  kind: 'H1' | 'H2' | 'P' | 'LI',
  draw: () => void,
): void {
  within.add(doc.struct(kind, {}, draw));
}

export function write(doc: Doc, text: string, face: Face, size: number, colour: string, gap = 0): void {
  doc.font(face).fontSize(size).fillColor(colour).text(text, { lineGap: 2 });
  if (gap > 0) doc.moveDown(gap);
}

/** A string stretched across the page between peg and saddle, under the head. */
export function stretched(doc: Doc): void {
  const { width } = doc.page;
  const y = doc.y + 4;
  doc.markContent('Artifact', { type: 'Layout' });
  doc
    .moveTo(MARGIN + 9, y)
    .lineTo(width - MARGIN - 5, y)
    .lineWidth(1.2)
    .stroke(INK.accent);
  doc.circle(MARGIN + 5, y + 2, 4).fill(INK.text);
  doc.rect(width - MARGIN - 5, y - 5, 4, 12).fill(INK.line);
  doc.endMarkedContent();
  doc.y = y + 14;
  doc.x = MARGIN;
}
