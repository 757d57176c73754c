import type { Paper } from '@tembrin/contract';
import QRCode from 'qrcode';
import { INK, openPdf, type Doc } from './pdf';

/** What stands on one label, and what is read off it by a phone. */
export interface Label {
  name: string;
  kind: string;
  household: string;
  url: string;
}

export interface LabelPages {
  labels: readonly Label[];
  paper: Paper;
  atMs: number;
}

/** Labels on a sheet, across and down: what is sold as 24 a sheet (common practice). Points. */
const [ACROSS, DOWN] = [3, 8] as const;
const EDGE = { x: 20, y: 26 } as const;
const PAD = 9;
/** A phone reads a code from this size on at arm's length: 2.2 cm. From memory. */
const CODE = 62;
const SMALLER = 0.75;

/** A QR code (ISO/IEC 18004) as it stands, each run of dark modules a rectangle. Level M: what survives a scuff. */
function code(doc: Doc, url: string, x: number, y: number): void {
  const { modules } = QRCode.create(url, { errorCorrectionLevel: 'M' });
  const step = CODE / modules.size;
  for (let row = 0; row < modules.size; row++) {
    for (let column = 0; column < modules.size; column++) {
      const from = column;
      while (column < modules.size && modules.get(row, column)) column++;
      if (column > from) doc.rect(x + from * step, y + row * step, (column - from) * step, step);
    }
  }
  // Black on white: what cameras are made for.
  doc.fill('#000000');
}

/** Characters of a text that fit a width in the font that is set. */
function fitted(doc: Doc, text: string, width: number): string {
  let shown = text;
  while (shown.length > 1 && doc.widthOfString(shown) > width) shown = `${shown.slice(0, -2).trimEnd()}…`;
  return shown;
}

/** A sheet of labels to be cut or stuck: each with a code that opens its instrument on the stand. */
export function labelsPdf({ labels, paper, atMs }: LabelPages): Promise<Buffer> {
  const { doc, whole } = openPdf('Labels', paper, new Date(atMs));
  const page = doc.struct('Document');
  doc.addStructure(page);
  const width = (doc.page.width - 2 * EDGE.x) / ACROSS;
  const height = (doc.page.height - 2 * EDGE.y) / DOWN;
  labels.forEach((label, at) => {
    const place = at % (ACROSS * DOWN);
    if (at > 0 && place === 0) doc.addPage();
    const x = EDGE.x + (place % ACROSS) * width;
    const y = EDGE.y + Math.floor(place / ACROSS) * height;
    const right = { x: x + PAD + CODE + 8, width: width - CODE - 2 * PAD - 8 };
    const line = (text: string, face: 'serif' | 'text', size: number, colour: string, top: number) => {
      doc.font(face).fontSize(size).fillColor(colour);
      // A long name is smaller before it is cut.
      if (doc.widthOfString(text) > right.width) doc.fontSize(size * SMALLER);
      doc.text(fitted(doc, text, right.width), right.x, top, { lineBreak: false });
    };
    page.add(
      doc.struct('P', { alt: `${label.name}, ${label.kind}: ${label.url}` }, () => {
        code(doc, label.url, x + PAD, y + (height - CODE) / 2);
        line(label.name, 'serif', 13, INK.text, y + height / 2 - 24);
        line(label.kind, 'text', 8.5, INK.quiet, y + height / 2 - 5);
        line(label.household, 'text', 7.5, INK.quiet, y + height / 2 + 9);
      }),
    );
    doc.markContent('Artifact', { type: 'Layout' });
    doc.rect(x, y, width, height).lineWidth(0.4).stroke(INK.line);
    doc.endMarkedContent();
  });
  page.end();
  doc.end();
  return whole;
}
