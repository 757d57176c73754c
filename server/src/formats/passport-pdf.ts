import type { Paper } from '@tembrin/contract';
import type { PassportDocument } from '@tembrin/core/passport';
import { INK, MARGIN, openPdf, paragraph, SIZES, stretched, write, type Doc } from './pdf';

/** A photograph with the words under it. */
interface Shown {
  words: string;
  bytes: Uint8Array;
}

/** What a passport is printed of. */
export interface PassportPages {
  passport: PassportDocument;
  views: readonly Shown[];
  photos: readonly Shown[];
  /** How many photographs more were to go along. */
  missing: number;
  paper: Paper;
  atMs: number;
  /** What kind of paper it is, and who signs it; left out: the passport of an instrument, which nobody signs. */
  loan?: { signs: readonly string[] };
}

/** Photographs stand two in a row: the views of the whole are looked at closely. */
const [ACROSS, BETWEEN, UNDER] = [2, 14, 16] as const;
/** Share of the width that says what a line is about. */
const LEFT = 0.34;

/** Lines of two columns: what, and when or how much. */
function table(doc: Doc, page: PDFKit.PDFStructureElement, rows: PassportDocument['sections'][number]['rows']): void {
  const width = doc.page.width - 2 * MARGIN;
  for (const [what, words] of rows) {
    doc.font('text').fontSize(SIZES.text);
    const left = { width: width * LEFT - 10 };
    const right = { width: width * (1 - LEFT), lineGap: 1 };
    const height = Math.max(doc.heightOfString(what, left), doc.heightOfString(words, right)) + 5;
    if (doc.y + height > doc.page.height - MARGIN - 16) doc.addPage();
    const { y } = doc;
    paragraph(doc, page, 'P', () => {
      doc.font('text').fontSize(SIZES.text).fillColor(INK.quiet).text(what, MARGIN, y, left);
      doc.fillColor(INK.text).text(words, MARGIN + width * LEFT, y, right);
    });
    doc.x = MARGIN;
    doc.y = y + height;
  }
}

/** Photographs with their words under them, two in a row. */
function photographs(doc: Doc, page: PDFKit.PDFStructureElement, shown: readonly Shown[]): void {
  const width = (doc.page.width - 2 * MARGIN - (ACROSS - 1) * BETWEEN) / ACROSS;
  const height = width * 0.75;
  shown.forEach(({ words, bytes }, at) => {
    const column = at % ACROSS;
    if (column === 0 && doc.y + height + UNDER > doc.page.height - MARGIN - 16) doc.addPage();
    const [x, y] = [MARGIN + column * (width + BETWEEN), doc.y];
    page.add(
      doc.struct('Figure', { alt: words || 'A photograph' }, () => {
        doc.image(Buffer.from(bytes), x, y, { fit: [width, height], align: 'center', valign: 'center' });
      }),
    );
    paragraph(doc, page, 'P', () => {
      doc.font('text').fontSize(SIZES.foot).fillColor(INK.quiet);
      doc.text(words, x, y + height + 3, { width, lineBreak: false, ellipsis: true });
    });
    doc.x = MARGIN;
    doc.y = column === ACROSS - 1 || at === shown.length - 1 ? y + height + UNDER + BETWEEN : y;
  });
}

/** Room for a day and a name by hand, for each who signs. */
function signatures(doc: Doc, page: PDFKit.PDFStructureElement, signs: readonly string[]): void {
  const width = doc.page.width - 2 * MARGIN;
  if (doc.y + signs.length * 58 > doc.page.height - MARGIN - 16) doc.addPage();
  for (const who of signs) {
    const y = doc.y + 40;
    doc.markContent('Artifact', { type: 'Layout' });
    doc
      .moveTo(MARGIN, y)
      .lineTo(MARGIN + width * 0.3, y)
      .lineWidth(0.7)
      .stroke(INK.quiet);
    doc
      .moveTo(MARGIN + width * LEFT, y)
      .lineTo(MARGIN + width, y)
      .stroke(INK.quiet);
    doc.endMarkedContent();
    paragraph(doc, page, 'P', () => {
      doc.font('text').fontSize(SIZES.foot).fillColor(INK.quiet);
      doc.text('Date', MARGIN, y + 4, { lineBreak: false });
      doc.text(who, MARGIN + width * LEFT, y + 4, { width: width * (1 - LEFT), lineBreak: false, ellipsis: true });
    });
    doc.x = MARGIN;
    doc.y = y + 18;
  }
}

/**
 * The life of one instrument as a PDF: what it is told by, its state in photographs, and everything on record, the newest first.
 * Fonts are its own; it is tagged and says its language.
 */
export function passportPdf({ passport, views, photos, missing, paper, atMs, loan }: PassportPages): Promise<Buffer> {
  const at = new Date(atMs);
  const { doc, whole } = openPdf(`${passport.title}: ${loan ? 'loan' : 'passport'}`, paper, at);
  const day = new Intl.DateTimeFormat('en', { dateStyle: 'long', timeZone: 'UTC' }).format(at);
  const page = doc.struct('Document');
  doc.addStructure(page);
  const heading = (text: string) => {
    if (doc.y > doc.page.height - MARGIN - 90) doc.addPage();
    paragraph(doc, page, 'H2', () => write(doc, text, 'serif', SIZES.heading + 1, INK.accent, 0.25));
  };
  paragraph(doc, page, 'P', () =>
    write(doc, loan ? 'Loan of an instrument' : 'Passport of an instrument', 'text', SIZES.about, INK.quiet),
  );
  paragraph(doc, page, 'H1', () => write(doc, passport.title, 'serif', SIZES.title + 6, INK.text));
  paragraph(doc, page, 'P', () => write(doc, passport.about, 'text', SIZES.about, INK.quiet));
  stretched(doc);
  const [identity, ...life] = passport.sections;
  if (identity && identity.rows.length > 0) {
    heading(identity.title);
    table(doc, page, identity.rows);
    doc.moveDown(0.6);
  }
  if (views.length > 0) {
    heading('Its state');
    photographs(doc, page, views);
  }
  for (const { title, rows } of life.filter((section) => section.rows.length > 0)) {
    heading(title);
    table(doc, page, rows);
    doc.moveDown(0.7);
  }
  if (photos.length > 0) {
    heading('Photographs');
    photographs(doc, page, photos);
  }
  if (loan) signatures(doc, page, loan.signs);
  const left = missing === 1 ? 'One more photograph is' : `${missing} more photographs are`;
  const foot = `From its log, ${day}. Tembrin.${missing > 0 ? ` ${left} not on these pages.` : ''}`;
  doc.moveDown(0.5);
  paragraph(doc, page, 'P', () => write(doc, foot, 'text', SIZES.foot, INK.quiet));
  page.end();
  doc.end();
  return whole;
}
