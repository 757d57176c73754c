import fc from 'fast-check';
import { keptPhoto, withoutNotes } from './jpeg';

const part = (marker: number, body: readonly number[]) => [
  0xff,
  marker,
  (body.length + 2) >> 8,
  (body.length + 2) & 0xff,
  ...body,
];
const text = (words: string) => [...Buffer.from(words)];
const frame = (width: number, height: number) =>
  part(0xc0, [8, height >> 8, height & 0xff, width >> 8, width & 0xff, 1, 1, 0x11, 0]);
const SCAN = [...part(0xda, [1, 1, 0, 0, 63, 0]), 1, 2, 3, 4];
const END = [0xff, 0xd9];
const JFIF = part(0xe0, text('JFIF\0'));
const jpeg = (...parts: readonly number[][]) => new Uint8Array([0xff, 0xd8, ...parts.flat()]);

test('a whole photograph without notes is kept, whatever way its colours are written', () => {
  expect(keptPhoto(jpeg(JFIF, part(0xee, text('Adobe')), frame(2048, 1536), SCAN, END))).toEqual({
    width: 2048,
    height: 1536,
  });
});

test.each([
  ['place and camera', part(0xe1, text('Exif\0\0GPS'))],
  ['an editor’s notes', part(0xe1, text('http://ns.adobe.com/xap/1.0/'))],
  ['a device’s colours', part(0xe2, text('ICC_PROFILE'))],
  ['a caption', part(0xed, text('Photoshop 3.0'))],
  ['a comment', part(0xfe, text('taken at home'))],
])('%s: it is not kept until that is gone', (_what, notes) => {
  const file = jpeg(JFIF, notes, frame(640, 480), notes, SCAN, END);
  expect(keptPhoto(file)).toBe('carries-notes');
  const clean = withoutNotes(file)!;
  expect(keptPhoto(clean)).toEqual({ width: 640, height: 480 });
  expect(clean).toEqual(jpeg(JFIF, frame(640, 480), SCAN, END));
});

test('what is no photograph, cut off or too large is told apart', () => {
  expect(keptPhoto(new Uint8Array(text('<svg onload="x()"/>')))).toBe('not-a-photo');
  expect(keptPhoto(new Uint8Array(text('GIF89a\x10\0\x10\0')))).toBe('not-a-photo');
  expect(keptPhoto(jpeg(JFIF, frame(640, 480), SCAN))).toBe('cut-off');
  expect(keptPhoto(jpeg(JFIF))).toBe('cut-off');
  expect(keptPhoto(jpeg(JFIF, frame(4000, 3000), SCAN, END))).toBe('too-large');
  expect(withoutNotes(new Uint8Array(text('plain text')))).toBeNull();
});

test('any bytes behind a photograph’s beginning are read to an end', () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 3000 }), (rest) => {
      const file = new Uint8Array([0xff, 0xd8, ...rest]);
      const clean = withoutNotes(file);
      if (clean) expect(clean.length).toBeLessThanOrEqual(file.length);
      const kept = keptPhoto(file);
      if (typeof kept !== 'string') expect(Math.max(kept.width, kept.height)).toBeLessThanOrEqual(2048);
    }),
  );
});
