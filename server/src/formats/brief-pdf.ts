import { createRequire } from 'node:module';
import { join } from 'node:path';
import type { Paper } from '@tembrin/contract';
import type { BriefDocument } from '@tembrin/core/brief';
import PDFDocument from 'pdfkit';

/** The server runs in the project's folder, where its packages are. */
const fontFile = createRequire(join(process.cwd(), 'package.json')).resolve;
const FONTS = {
  serif: '@expo-google-fonts/literata/500Medium/Literata_500Medium.ttf',
  text: '@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf',
  strong: '@expo-google-fonts/atkinson-hyperlegible-next/600SemiBold/AtkinsonHyperlegibleNext_600SemiBold.ttf',
} as const;
type Face = keyof typeof FONTS;

/** The workshop’s colours by day, on paper. */
const INK = { text: '#221C18', quiet: '#63564A', accent: '#A4501E', line: '#D9CDB8' } as const;
const MARGIN = 54;
const SIZES = { title: 26, about: 11.5, heading: 13, text: 10.5, foot: 8.5 } as const;
/** Photographs stand three in a row. */
const [ACROSS, BETWEEN] = [3, 10] as const;
/** Lines for a hand stand so far apart. */
const HAND = 24;

/** What the page says besides the brief. */
export interface BriefPage {
  /** The instrument's name. */
  name: string;
  /** Its photographs, JPEG. */
  pictures: readonly Buffer[];
  /** How many more were to go along and are not kept. */
  missing: number;
  paper: Paper;
  at: Date;
}

type Doc = PDFKit.PDFDocument;

/** A paragraph that is tagged for those who listen to the page. */
function paragraph(
  doc: Doc,
  within: PDFKit.PDFStructureElement,
  kind: 'H1' | 'H2' | 'P' | 'LI',
  draw: () => void,
): void {
  within.add(doc.struct(kind, {}, draw));
}

function write(doc: Doc, text: string, face: Face, size: number, colour: string, gap = 0): void {
  doc.font(face).fontSize(size).fillColor(colour).text(text, { lineGap: 2 });
  if (gap > 0) doc.moveDown(gap);
}

/** A string stretched across the page between peg and saddle, under the head. */
function stretched(doc: Doc): void {
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

/** Photographs in rows, on a further page where there is no room. */
function photographs(doc: Doc, within: PDFKit.PDFStructureElement, pictures: readonly Buffer[]): void {
  const width = (doc.page.width - 2 * MARGIN - (ACROSS - 1) * BETWEEN) / ACROSS;
  const height = width * 0.75;
  pictures.forEach((picture, at) => {
    const column = at % ACROSS;
    if (column === 0 && doc.y + height > doc.page.height - MARGIN - 20) doc.addPage();
    const [x, y] = [MARGIN + column * (width + BETWEEN), doc.y];
    within.add(
      doc.struct('Figure', { alt: `Photograph ${at + 1} of ${pictures.length}` }, () => {
        doc.image(picture, x, y, { fit: [width, height], align: 'center', valign: 'center' });
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

/**
 * A brief as a PDF: one page where it can be, the instrument large, what the workshop is told, photographs, the day it was written.
 * Fonts are its own; it is tagged and says its language.
 */
export function briefPdf(brief: BriefDocument, { name, pictures, missing, paper, at }: BriefPage): Promise<Buffer> {
  const doc = new PDFDocument({
    size: paper === 'a4' ? 'A4' : 'LETTER',
    margins: { top: MARGIN, left: MARGIN, right: MARGIN, bottom: MARGIN },
    lang: 'en',
    tagged: true,
    displayTitle: true,
    pdfVersion: '1.7',
    // The font that is used where none is said would not be its own.
    font: fontFile(FONTS.text),
    info: { Title: `${name}: ${brief.title}`, Creator: 'Tembrin', CreationDate: at },
  });
  const parts: Buffer[] = [];
  const whole = new Promise<Buffer>((resolve, reject) => {
    doc.on('data', (part: Buffer) => parts.push(part));
    doc.on('end', () => resolve(Buffer.concat(parts)));
    doc.on('error', reject);
  });
  for (const [face, file] of Object.entries(FONTS)) doc.registerFont(face, fontFile(file));
  const page = doc.struct('Document');
  doc.addStructure(page);
  paragraph(doc, page, 'H1', () => write(doc, name, 'serif', SIZES.title, INK.text));
  paragraph(doc, page, 'P', () => write(doc, brief.about, 'text', SIZES.about, INK.quiet));
  stretched(doc);
  paragraph(doc, page, 'H2', () => write(doc, brief.title, 'serif', SIZES.heading + 3, INK.accent, 0.4));
  for (const { title, lines } of brief.sections.filter((section) => section.lines.some((line) => line !== ''))) {
    paragraph(doc, page, 'H2', () => write(doc, title, 'serif', SIZES.heading, INK.text, 0.15));
    for (const line of lines.filter((each) => each !== ''))
      paragraph(doc, page, 'P', () => write(doc, line, 'text', SIZES.text, INK.text));
    doc.moveDown(0.6);
  }
  if (brief.wishes !== '') {
    paragraph(doc, page, 'H2', () => write(doc, 'Wishes and limits', 'serif', SIZES.heading, INK.text, 0.15));
    paragraph(doc, page, 'P', () => write(doc, brief.wishes, 'strong', SIZES.text, INK.text, 0.8));
  }
  photographs(doc, page, pictures);
  if (missing > 0) paragraph(doc, page, 'P', () => write(doc, missingWords(missing), 'text', SIZES.foot, INK.quiet));
  forTheWorkshop(doc, page);
  const day = new Intl.DateTimeFormat('en', { dateStyle: 'long', timeZone: 'UTC' }).format(at);
  paragraph(doc, page, 'P', () => {
    doc.font('text').fontSize(SIZES.foot).fillColor(INK.quiet);
    doc.text(`From its log, ${day}. Tembrin.`, MARGIN, doc.page.height - MARGIN - 12, { lineBreak: false });
  });
  page.end();
  doc.end();
  return whole;
}
