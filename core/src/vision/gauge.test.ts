import fc from 'fast-check';
import { CARD_MM, gaugeWithin, screenScale } from '.';

test('a card is as the standard has it', () => {
  // ISO/IEC 7810, ID-1: 85.60 × 53.98 mm, corners of 2.88 to 3.48 mm.
  expect([CARD_MM.long, CARD_MM.short]).toEqual([85.6, 53.98]);
  expect(CARD_MM.corner).toBeGreaterThanOrEqual(2.88);
  expect(CARD_MM.corner).toBeLessThanOrEqual(3.48);
});

test('a screen is known by a card held against it', () => {
  // A page of 96 pixels to the inch, as style sheets define it [CSS Values and Units]: 3.78 to the millimetre.
  expect(screenScale((CARD_MM.short * 96) / 25.4, 1)!.pxPerMm).toBeCloseTo(3.7795, 4);
  expect(screenScale(40, 1)).toBeNull();
  expect(screenScale(9000, 1)).toBeNull();
  expect(screenScale(340, 0)).toBeNull();
});

test('what is drawn is good to a pixel, whatever its size; the finer the screen, the better', () => {
  const phone = screenScale(340, 3)!;
  expect(gaugeWithin(phone, 7)).toBeCloseTo(0.0568, 3);
  fc.assert(
    fc.property(
      fc.double({ min: 150, max: 1300, noNaN: true }),
      fc.double({ min: 0.1, max: 50, noNaN: true }),
      (edge, mm) => {
        const [coarse, fine] = [screenScale(edge, 1)!, screenScale(edge, 3)!];
        expect(gaugeWithin(fine, mm)).toBeLessThan(gaugeWithin(coarse, mm));
        expect(gaugeWithin(coarse, mm)).toBeLessThanOrEqual(1.5 / coarse.pxPerMm);
      },
    ),
  );
});
