import fc from 'fast-check';
import { CARD_MM } from './card';
import { leanOf } from './bridge-lean';
import { mapped, type Point, type Quad } from './geometry';
import type { Grey } from './picture';
import { planeOf } from './plane';
import { readBand, readCamber } from './widths';

/** Upright stripes of a brightness on a dark ground, with soft edges as a lens leaves them. */
function striped(stripes: readonly { from: number; to: number; top: number; bottom: number }[]): Grey {
  const [width, height] = [600, 400];
  const data = new Uint8Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const inside = Math.max(
        0,
        ...stripes.map(({ from, to, top, bottom }) =>
          y < top || y > bottom ? 0 : Math.min(1, Math.max(0, Math.min(x - from, to - x) + 0.5)),
        ),
      );
      data[y * width + x] = 40 + 170 * inside;
    }
  return { width, height, data };
}

/** A card seen from somewhere, by its corners. */
const CORNERS: Quad = [
  { x: 60, y: 70 },
  { x: 480, y: 95 },
  { x: 455, y: 340 },
  { x: 75, y: 320 },
];
const plane = planeOf({ corners: CORNERS, cornerSd: [0.2, 0.2, 0.2, 0.2] });
const inPicture = (x: number, y: number): Point => mapped(plane.toPx, { x, y });

test('hair against ferrule is the share of their widths, ends set within some pixels drawn onto the edges', () => {
  const picture = striped([
    { from: 200, to: 280, top: 40, bottom: 180 },
    { from: 190, to: 290, top: 220, bottom: 360 },
  ]);
  const at = (x: number, y: number) => ({ x, y });
  const reading = readBand(picture, [at(203, 100), at(276, 100)], [at(186, 300), at(293, 300)], null)!;
  expect(reading.band.value).toBeCloseTo(80, 0);
  // Without a card a share may be off by a few percent, and it says so.
  expect(reading.band.sd).toBeGreaterThan(2.5);
  expect(readBand(picture, [at(203, 100), at(276, 100)], [at(300, 300), at(300, 300)], null)).toBeNull();
});

test('in a card’s plane widths count in millimetres, wherever in the picture they are', () => {
  const empty: Grey = { width: 600, height: 400, data: new Uint8Array(240_000).fill(120) };
  const hair = [inPicture(10, 5), inPicture(17, 5)] as const;
  const ferrule = [inPicture(70, 45), inPicture(80, 45)] as const;
  const reading = readBand(empty, hair, ferrule, plane)!;
  expect(reading.band.value).toBeCloseTo(70, 6);
});

test('the camber is the deepest point’s distance from the line through the ends, to one and a half percent', () => {
  const reading = readCamber(plane, inPicture(0, 0), inPicture(CARD_MM.long, 0), inPicture(40, 16.5));
  expect(reading.value).toBeCloseTo(16.5, 6);
  // Three handles of 0.7 px at about five pixels to a millimetre, and what lies 3 mm off at 400.
  expect(reading.sd).toBeGreaterThan(0.12);
  expect(reading.sd).toBeLessThan(0.5);
});

test('a lean is told from the tailpiece’s side: mirrored pictures read alike, and turning the picture changes nothing', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 70, max: 110, noNaN: true }),
      fc.double({ min: -40, max: 40, noNaN: true }),
      (lean, turned) => {
        const turn = (degrees: number) => (degrees * Math.PI) / 180;
        const along = (degrees: number): Point => ({
          x: 100 * Math.cos(turn(degrees)),
          y: -100 * Math.sin(turn(degrees)),
        });
        const [zero, top, face] = [{ x: 0, y: 0 }, along(turned), along(turned + lean)];
        expect(leanOf([zero, top], [zero, face], 'right')).toBeCloseTo(lean, 6);
        const mirror = ({ x, y }: Point) => ({ x: -x, y });
        expect(leanOf([mirror(top), zero], [zero, mirror(face)], 'left')).toBeCloseTo(lean, 6);
      },
    ),
  );
});
