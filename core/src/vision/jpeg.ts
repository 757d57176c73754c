import { LONGEST_SIDE, pictureHeader } from './header';

/** Why a file is not kept as a photograph: something else, not whole, larger than it may be, or with notes of a camera or editor. */
export type KeptFault = 'not-a-photo' | 'cut-off' | 'too-large' | 'carries-notes';

const [START_OF_SCAN, COMMENT, JFIF, COLOURS, LAST_NOTE] = [0xda, 0xfe, 0xe0, 0xee, 0xef];
/** Of what programs note, only JFIF and the way its colours are written say nothing of where, when or by what it was taken. */
const isNote = (marker: number) => marker === COMMENT || (marker > JFIF && marker <= LAST_NOTE && marker !== COLOURS);
/** Parts before a picture that are looked through. */
const MOST_PARTS = 400;

interface Part {
  marker: number;
  from: number;
  to: number;
}

/** The parts before a picture, and where the picture begins; null where they cannot be told [ITU-T T.81, annex B]. */
function partsOf(bytes: Uint8Array): { parts: Part[]; scan: number } | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const parts: Part[] = [];
  for (let from = 2; parts.length < MOST_PARTS && from + 4 <= bytes.length;) {
    const marker = bytes[from + 1]!;
    if (bytes[from] !== 0xff) return null;
    if (marker === START_OF_SCAN) return { parts, scan: from };
    const to = from + 2 + view.getUint16(from + 2);
    parts.push({ marker, from, to });
    from = to;
  }
  return null;
}

/**
 * A JPEG without what camera or editor noted in it: place, time, device, a small copy of the picture.
 * @param bytes of the whole file
 * @returns null where it is no JPEG
 */
export function withoutNotes(bytes: Uint8Array): Uint8Array<ArrayBuffer> | null {
  const found = pictureHeader(bytes);
  const cut = typeof found === 'string' || found.kind !== 'jpeg' ? null : partsOf(bytes);
  if (!cut) return null;
  const kept = [
    bytes.subarray(0, 2),
    ...cut.parts.filter(({ marker }) => !isNote(marker)).map(({ from, to }) => bytes.subarray(from, to)),
    bytes.subarray(cut.scan),
  ];
  const whole = new Uint8Array(kept.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of kept) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

/**
 * Whether a file can be kept as a photograph: a whole JPEG, at most `LONGEST_SIDE` px a side, and without notes.
 * @param bytes of the whole file
 * @returns its size in px, or why not
 */
export function keptPhoto(bytes: Uint8Array): { width: number; height: number } | KeptFault {
  const header = pictureHeader(bytes);
  if (header === 'cut-off') return 'cut-off';
  if (typeof header === 'string' || header.kind !== 'jpeg') return 'not-a-photo';
  const found = partsOf(bytes);
  if (!found || bytes[bytes.length - 2] !== 0xff || bytes[bytes.length - 1] !== 0xd9) return 'cut-off';
  if (found.parts.some(({ marker }) => isNote(marker))) return 'carries-notes';
  const { width, height } = header;
  return Math.max(width, height) > LONGEST_SIDE ? 'too-large' : { width, height };
}
