import { createHash } from 'node:crypto';

const part = (marker: number, body: Buffer) =>
  Buffer.concat([Buffer.from([0xff, marker, (body.length + 2) >> 8, (body.length + 2) & 0xff]), body]);
const frame = (width: number, height: number) =>
  part(0xc0, Buffer.from([8, height >> 8, height & 255, width >> 8, width & 255, 1, 1, 0x11, 0]));

/** A photograph as it comes: the parts of a JPEG, with something of its own to tell it by. */
export function madePhoto(own: string, { width = 640, height = 480, notes = '', bytes = 300 } = {}) {
  const file = Buffer.concat([
    Buffer.from([0xff, 0xd8]),
    part(0xe0, Buffer.from('JFIF\0')),
    ...(notes ? [part(0xe1, Buffer.from(notes))] : []),
    frame(width, height),
    part(0xda, Buffer.from([1, 1, 0, 0, 63, 0])),
    Buffer.alloc(bytes, own),
    Buffer.from([0xff, 0xd9]),
  ]);
  return { file, hash: createHash('sha256').update(file).digest('hex') };
}
