/** Encodings that files of loggers and spreadsheets come in. */
export const ENCODINGS = ['utf-8', 'utf-16le', 'utf-16be', 'windows-1252'] as const;
export type Encoding = (typeof ENCODINGS)[number];

/** Bytes looked at when there is no mark at the beginning. */
const SAMPLE_BYTES = 64 * 1024;
/** Of bytes at even or odd places, the share that is zero from which a text is taken for UTF-16: half of Latin letters' bytes are. */
const ZERO_SHARE = 0.3;

/**
 * The encoding of a text by its first bytes: by the mark at its beginning, else by zeros at every other place (UTF-16), else
 * UTF-8 where that can be read, else Windows-1252, which every byte can be read in.
 * @param bytes the beginning of the file; a letter may be cut off at its end
 */
export function encodingOf(bytes: Uint8Array): Encoding {
  if (bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf) return 'utf-8';
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  const sample = bytes.subarray(0, SAMPLE_BYTES);
  const zeros = [0, 0];
  for (let at = 0; at < sample.length; at++) if (sample[at] === 0) zeros[at % 2]!++;
  const pairs = Math.max(1, sample.length / 2);
  if (zeros[1]! / pairs > ZERO_SHARE && zeros[0]! < zeros[1]!) return 'utf-16le';
  if (zeros[0]! / pairs > ZERO_SHARE && zeros[1]! < zeros[0]!) return 'utf-16be';
  return isUtf8(sample) ? 'utf-8' : 'windows-1252';
}

/** Whether bytes can be UTF-8; a letter that is cut off at the end does not count against it. */
function isUtf8(bytes: Uint8Array): boolean {
  for (let at = 0; at < bytes.length;) {
    const first = bytes[at]!;
    const more =
      first < 0x80
        ? 0
        : first >= 0xc2 && first < 0xe0
          ? 1
          : first >> 4 === 0xe
            ? 2
            : first >= 0xf0 && first < 0xf5
              ? 3
              : -1;
    if (more < 0) return false;
    for (let next = 1; next <= more && at + next < bytes.length; next++) {
      if (bytes[at + next]! >> 6 !== 2) return false;
    }
    at += 1 + more;
  }
  return true;
}
