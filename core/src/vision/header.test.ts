import fc from 'fast-check';
import { pictureHeader } from './header';

const bytes = (...parts: readonly (string | readonly number[])[]) =>
  Uint8Array.from(
    parts.flatMap((part) => (typeof part === 'string' ? [...part].map((c) => c.charCodeAt(0)) : [...part])),
  );
const be = (value: number) => [value >> 8, value & 255];

describe('what the first bytes say of a picture', () => {
  test('its kind and size, before anything is unpacked', () => {
    // PNG: ISO/IEC 15948, 11.2.2. A size that would unpack to gigabytes is told all the same.
    expect(
      pictureHeader(bytes([0x89], 'PNG\r\n', [26, 10, 0, 0, 0, 13], 'IHDR', [0, 0, 117, 48, 0, 0, 117, 48])),
    ).toEqual({
      kind: 'png',
      width: 30_000,
      height: 30_000,
    });
    // JPEG: a camera's notes first, then the frame.
    const exif = [0xff, 0xe1, ...be(10), 1, 2, 3, 4, 5, 6, 7, 8];
    const frame = [0xff, 0xc0, ...be(17), 8, ...be(3024), ...be(4032), 3];
    expect(pictureHeader(bytes([0xff, 0xd8], exif, frame, [0, 0, 0]))).toEqual({
      kind: 'jpeg',
      width: 4032,
      height: 3024,
    });
    expect(pictureHeader(bytes('GIF89a', [64, 1, 240, 0]))).toEqual({ kind: 'gif', width: 320, height: 240 });
    const webp = bytes(
      'RIFF',
      [0, 0, 0, 0],
      'WEBPVP8X',
      [10, 0, 0, 0, 0, 0, 0, 0],
      [0x7f, 0x07, 0],
      [0x37, 0x04, 0],
      [0, 0],
    );
    expect(pictureHeader(webp)).toEqual({ kind: 'webp', width: 1920, height: 1080 });
  });

  test('a text named like one, a drawing with scripts, and forms no browser opens are told apart', () => {
    expect(pictureHeader(bytes('Dear luthier, the bridge leans.'))).toBe('not-a-picture');
    expect(pictureHeader(bytes(' <?xml version="1.0"?><svg onload="x()"/>'))).toBe('svg');
    expect(pictureHeader(bytes([0, 0, 0, 24], 'ftypheic', [0, 0]))).toBe('heic');
    expect(pictureHeader(bytes([0, 0, 0, 24], 'ftypmp42', [0, 0]))).toBe('not-a-picture');
    expect(pictureHeader(bytes([0xff, 0xd8, 0xff, 0xe1]))).toBe('cut-off');
    expect(pictureHeader(new Uint8Array())).toBe('not-a-picture');
  });

  test('any bytes at all have an answer', () => {
    const starts = [[0xff, 0xd8], [0x89, 0x50, 0x4e, 0x47], [...'RIFF0000WEBPVP8L'].map((c) => c.charCodeAt(0)), []];
    fc.assert(
      fc.property(fc.constantFrom(...starts), fc.uint8Array({ maxLength: 600 }), (start, rest) => {
        const found = pictureHeader(Uint8Array.from([...start, ...rest]));
        if (typeof found !== 'string') expect(Math.min(found.width, found.height)).toBeGreaterThan(0);
      }),
    );
  });
});
