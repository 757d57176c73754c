import { courseOf } from '.';
import type { Reading } from './reading';

const at = (minute: number, rh = 4500 + (minute % 70), temp: number | null = 2000): Reading => ({
  atS: 1_770_000_000 + minute * 60,
  rhHundredths: rh,
  tempHundredths: temp,
  lowHundredths: null,
  highHundredths: null,
});
const tens = (count: number) => Array.from({ length: count }, (_, place) => at(place * 10));
const odd = (readings: readonly Reading[]) => courseOf(readings)!.odd;

test('how readings run: from when to when, in which steps, between which values', () => {
  expect(courseOf([])).toBeNull();
  expect(courseOf([at(0, 4500, null)])).toMatchObject({
    stepS: null,
    rhHundredths: [4500, 4500],
    tempHundredths: null,
  });
  const course = courseOf(tens(30).toReversed())!;
  expect(course).toMatchObject({ fromS: at(0).atS, toS: at(290).atS, stepS: 600, odd: [] });
  expect(course.rhHundredths[0]).toBeLessThan(course.rhHundredths[1]);
});

test('what is odd: jumps, gaps, a sensor that stands still, no room’s temperature, times that go to and fro', () => {
  expect(odd([...tens(5), at(50, 8000), at(60, 4500)])).toEqual([{ code: 'jumps', count: 2 }]);
  // Overnight it may change by as much.
  expect(odd([at(0, 4000), at(600, 8000), at(1200, 8000)])).toEqual([]);
  expect(odd([...tens(10), at(900), at(910)])).toEqual([{ code: 'gaps', count: 1 }]);
  expect(odd(tens(90).map((reading) => ({ ...reading, rhHundredths: 4711 })))).toEqual([
    { code: 'stands-still', count: 1 },
  ]);
  expect(odd([at(0, 4500, 6800), at(10, 4510, 6900)])).toEqual([{ code: 'temperature', count: 2 }]);
  expect(odd([at(0), at(20), at(10), at(30)])).toContainEqual({ code: 'to-and-fro', count: 2 });
});
