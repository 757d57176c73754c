import type { Paper } from '@tembrin/contract';
import type { BriefDocument } from '@tembrin/core/brief';
import { INK, MARGIN, openPdf, paragraph, SIZES, stretched, write, type Doc } from './pdf';

/** Photographs stand three in a row. */
const [ACROSS, BETWEEN] = [3, 10] as const;
/** Side of a box for a pencil. */
const TICK = 9;
/** Lines for a hand stand so far apart. */
const HAND = 24;

/** One instrument’s sheet of a brief. */
export interface BriefSheet {
  brief: Omit<BriefDocument, 'instrumentId'>;
  /** The instrument's name. */
  name: string;
  /** Its photographs, JPEG. */
  pictures: readonly Uint8Array[];
  /** How many more were to go along and are not kept. */
  missing: number;
}

/** Photographs in rows, on a further page where there is no room. */
function photographs(doc: Doc, within: PDFKit.PDFStructureElement, pictures: readonly Uint8Array[]): void {
  const width = (doc.page.width - 2 * MARGIN - (ACROSS - 1) * BETWEEN) / ACROSS;
  const height = width * 0.75;
  pictures.forEach((picture, at) => {
    const column = at % ACROSS;
    if (column === 0 && doc.y + height > doc.page.height - MARGIN - 20) doc.addPage();
    const [x, y] = [MARGIN + column * (width + BETWEEN), doc.y];
    within.add(
      doc.struct('Figure', { alt: `Photograph ${at + 1} of ${pictures.length}` }, () => {
        doc.image(Buffer.from(picture), x, y, { fit: [width, height], align: 'center', valign: 'center' });
      }),
    );
    doc.y = column === ACROSS - 1 || at === pictures.length - 1 ? y + height + BETWEEN : y;
    doc.x = MARGIN;
  });
}

const missingWords = (count: number) =>
  count === 1
    ? 'One more photograph is not kept on the server.'
    : `${count} more photographs are not kept on the server.`;

/** Room for the workshop's hand: what was seen, what was done. Only where it is left on the page. */
function forTheWorkshop(doc: Doc, within: PDFKit.PDFStructureElement): void {
  const foot = doc.page.height - MARGIN - 30;
  const rows = Math.min(6, Math.floor((foot - doc.y - 34) / HAND));
  if (rows < 3) return;
  doc.moveDown(0.6);
  paragraph(doc, within, 'H2', () => write(doc, 'Seen and done', 'serif', SIZES.heading, INK.text));
  doc.markContent('Artifact', { type: 'Layout' });
  for (let row = 1; row <= rows; row++) {
    const y = doc.y + row * HAND;
    doc
      .moveTo(MARGIN, y)
      .lineTo(doc.page.width - MARGIN, y)
      .lineWidth(0.6)
      .stroke(INK.line);
  }
  doc.endMarkedContent();
}

/** What a brief is printed of. */
export interface BriefPages {
  sheets: readonly BriefSheet[];
  paper: Paper;
  atMs: number;
}

/** A box for a pencil, before a line that stands beside it. */
function toTick(doc: Doc): void {
  doc.markContent('Artifact', { type: 'Layout' });
  doc
    .rect(MARGIN, doc.y + 1, TICK, TICK)
    .lineWidth(0.8)
    .stroke(INK.quiet);
  doc.endMarkedContent();
  doc.x = MARGIN + 2 * TICK;
}

/** What a sheet says, from its head to the room for the workshop's hand. */
function sheetOn(doc: Doc, page: PDFKit.PDFStructureElement, { brief, name, pictures, missing }: BriefSheet): void {
  const heading = (text: string) =>
    paragraph(doc, page, 'H2', () => write(doc, text, 'serif', SIZES.heading, INK.text, 0.15));
  paragraph(doc, page, 'H1', () => write(doc, name, 'serif', SIZES.title, INK.text));
  paragraph(doc, page, 'P', () => write(doc, brief.about, 'text', SIZES.about, INK.quiet));
  stretched(doc);
  paragraph(doc, page, 'H2', () => write(doc, brief.title, 'serif', SIZES.heading + 3, INK.accent, 0.4));
  const asked = brief.asked ?? [];
  if (asked.length > 0) {
    heading('To be done');
    for (const { words } of asked) {
      toTick(doc);
      paragraph(doc, page, 'P', () => write(doc, words, 'strong', SIZES.text, INK.text));
      doc.x = MARGIN;
    }
    doc.moveDown(0.6);
  }
  for (const { title, lines } of brief.sections.filter((section) => section.lines.some((line) => line !== ''))) {
    heading(title);
    for (const line of lines.filter((each) => each !== ''))
      paragraph(doc, page, 'P', () => write(doc, line, 'text', SIZES.text, INK.text));
    doc.moveDown(0.6);
  }
  if (brief.wishes !== '') {
    heading('Wishes and limits');
    paragraph(doc, page, 'P', () => write(doc, brief.wishes, 'strong', SIZES.text, INK.text, 0.8));
  }
  photographs(doc, page, pictures);
  if (missing > 0) paragraph(doc, page, 'P', () => write(doc, missingWords(missing), 'text', SIZES.foot, INK.quiet));
  forTheWorkshop(doc, page);
}

/** The day it was written, at the foot of a page. */
function dated(doc: Doc, page: PDFKit.PDFStructureElement, at: Date): void {
  const day = new Intl.DateTimeFormat('en', { dateStyle: 'long', timeZone: 'UTC' }).format(at);
  paragraph(doc, page, 'P', () => {
    doc.font('text').fontSize(SIZES.foot).fillColor(INK.quiet);
    doc.text(`From its log, ${day}. Tembrin.`, MARGIN, doc.page.height - MARGIN - 12, { lineBreak: false });
  });
}

/**
 * A brief as a PDF: a sheet for each instrument, one page each where it can be: the instrument large, what the workshop is told,
 * photographs, the day it was written. Fonts are its own; it is tagged and says its language.
 */
export function briefPdf(sheets: readonly BriefSheet[], paper: Paper, at: Date): Promise<Buffer> {
  const title = sheets.map(({ name, brief }) => `${name}: ${brief.title}`).join('; ');
  const { doc, whole } = openPdf(title, paper, at);
  const page = doc.struct('Document');
  doc.addStructure(page);
  sheets.forEach((sheet, no) => {
    if (no > 0) doc.addPage();
    sheetOn(doc, page, sheet);
    dated(doc, page, at);
  });
  page.end();
  doc.end();
  return whole;
}
