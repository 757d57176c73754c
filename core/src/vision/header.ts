/** What the first bytes of a file say of a picture. */
export interface PictureHeader {
  kind: 'jpeg' | 'png' | 'gif' | 'webp';
  width: number;
  height: number;
}

/** Why a file is no picture that is read: in a form browsers do not open, drawn by a script, or something else. */
export type HeaderFault = 'heic' | 'svg' | 'not-a-picture' | 'cut-off';

/** Bytes of a file that are looked at: a camera's notes may stand before a photograph's size. */
export const HEADER_BYTES = 1024 * 1024;
/** Segments of a photograph that are passed over before its size. */
const MOST_SEGMENTS = 400;

const text = (bytes: Uint8Array, from: number, length: number) =>
  String.fromCharCode(...bytes.subarray(from, from + length));

/** Size of a photograph: the first frame header, behind whatever else the camera wrote [ITU-T T.81, B.2]. */
function jpegSize(view: DataView): Omit<PictureHeader, 'kind'> | null {
  let at = 2;
  for (let segment = 0; segment < MOST_SEGMENTS && at + 9 < view.byteLength; segment++) {
    if (view.getUint8(at) !== 0xff) return null;
    const marker = view.getUint8(at + 1);
    if (marker === 0xff) {
      at += 1;
      continue;
    }
    const isFrame = marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc;
    if (isFrame) return { height: view.getUint16(at + 5), width: view.getUint16(at + 7) };
    at += 2 + view.getUint16(at + 2);
  }
  return null;
}

/** Size of a WebP picture in each of its three forms [RFC 9649]. */
function webpSize(bytes: Uint8Array, view: DataView): Omit<PictureHeader, 'kind'> | null {
  if (bytes.length < 30) return null;
  switch (text(bytes, 12, 4)) {
    case 'VP8 ':
      return { width: view.getUint16(26, true) & 0x3fff, height: view.getUint16(28, true) & 0x3fff };
    case 'VP8L': {
      const bits = view.getUint32(21, true);
      return { width: (bits & 0x3fff) + 1, height: ((bits >> 14) & 0x3fff) + 1 };
    }
    case 'VP8X': {
      const three = (at: number) => view.getUint16(at, true) + (view.getUint8(at + 2) << 16) + 1;
      return { width: three(24), height: three(27) };
    }
    default:
      return null;
  }
}

/**
 * What a picture is and how large, from its first bytes, before anything is unpacked.
 * @param bytes the first `HEADER_BYTES` of the file, or all of it
 */
export function pictureHeader(bytes: Uint8Array): PictureHeader | HeaderFault {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const sized = (kind: PictureHeader['kind'], size: Omit<PictureHeader, 'kind'> | null): PictureHeader | HeaderFault =>
    size && size.width > 0 && size.height > 0 ? { kind, ...size } : 'cut-off';
  if (bytes.length >= 3 && bytes[0] === 0xff && bytes[1] === 0xd8) return sized('jpeg', jpegSize(view));
  if (bytes.length >= 8 && text(bytes, 1, 3) === 'PNG')
    return sized('png', bytes.length < 24 ? null : { width: view.getUint32(16), height: view.getUint32(20) });
  if (bytes.length >= 6 && text(bytes, 0, 4) === 'GIF8')
    return sized('gif', bytes.length < 10 ? null : { width: view.getUint16(6, true), height: view.getUint16(8, true) });
  if (bytes.length >= 12 && text(bytes, 0, 4) === 'RIFF' && text(bytes, 8, 4) === 'WEBP')
    return sized('webp', webpSize(bytes, view));
  if (bytes.length >= 12 && text(bytes, 4, 4) === 'ftyp')
    return /hei|hev|mif1|msf1/.test(text(bytes, 8, 4)) ? 'heic' : 'not-a-picture';
  const opening = text(bytes, 0, Math.min(bytes.length, 512)).trimStart().toLowerCase();
  return opening.startsWith('<svg') || (opening.startsWith('<?xml') && opening.includes('<svg'))
    ? 'svg'
    : 'not-a-picture';
}

/** Most pixels of a picture that is unpacked: a phone's finest photographs have a hundred million. */
export const MOST_PIXELS = 110_000_000;
/** Most bytes of a picture that is read. */
export const MOST_PICTURE_BYTES = 40 * 1024 * 1024;
/** Most bytes of a picture that is kept: 2048 px a side come to a third of it. */
export const MOST_KEPT_BYTES = 3_000_000;
/** Longest side a picture is kept and measured at, px. */
export const LONGEST_SIDE = 2048;
