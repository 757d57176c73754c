import {
  cubicMetresOf,
  forceFigure,
  gramsOf,
  newtonsOf,
  vapourWords,
  volumeFigure,
  volumeUnit,
  waterFigure,
  waterUnit,
  waterWords,
} from './amounts';
import { inUnits, warmerWords } from './measures';
import { waterFormula } from './screens/air/what-to-do';
import { showUnits } from './units';

const METRIC = { lengths: 'mm', temperatures: 'C', forces: 'N' } as const;
const INCHES = { lengths: 'in', temperatures: 'F', forces: 'lbf' } as const;
afterEach(() => showUnits(METRIC));

test('millimetres in a sentence become inches, alone and as a range, and the product of a working', () => {
  const text = 'Tighten to 7 mm; 6 to 9 mm is right. 3 × π × 6 = 57 mm.';
  expect(inUnits(text)).toBe(text);
  showUnits(INCHES);
  // Exact by definition: an inch is 25.4 mm.
  expect(inUnits(text)).toBe('Tighten to 0.28 in; 0.24 to 0.35 in is right. 3 × π × 0.24 = 2.24 in.');
  expect(inUnits('Hold the gap in mm. 5 minutes.')).toBe('Hold the gap in mm. 5 minutes.');
});

test('water, rooms, pulls and differences follow the device, and come back as they were typed', () => {
  expect([waterWords(1320), waterUnit(), volumeUnit(), warmerWords(20)]).toEqual(['1.3 kg', 'g', 'm³', '20 °C']);
  showUnits(INCHES);
  // Exact by definition: an ounce is 28.349523125 g, a foot 0.3048 m, a pound-force 4.4482216 N.
  expect([waterWords(28.349523125), waterWords(1320), waterUnit()]).toEqual(['1.0 oz', '47 oz', 'oz']);
  expect([volumeUnit(), volumeFigure(55)]).toEqual(['ft³', '1942']);
  expect(cubicMetresOf(1942)).toBeCloseTo(55, 1);
  expect(gramsOf(Number(waterFigure(425)))).toBeCloseTo(425, 0);
  expect(newtonsOf(Number(forceFigure(78)))).toBeCloseTo(78, 0);
  // A difference of 20 °C is one of 36 °F.
  expect(warmerWords(20)).toBe('36 °F');
});

test('water in the air and the working of a room’s water follow the device, and come to the same', () => {
  const formula = () => waterFormula(40, 0.5, 8.2, 6.9);
  expect([vapourWords(8.2), formula()]).toEqual(['8.2 g/m³', '40 × 0.5 × 24 × 1.3 = 624 g']);
  showUnits(INCHES);
  // Exact by definition, as above: 1 g/m³ is 0.9988 oz in 1000 ft³, and 624 g are 22.0 oz.
  expect([vapourWords(82), formula()]).toEqual(['81.9 oz/1000 ft³', '1413 ÷ 1000 × 0.5 × 24 × 1.3 = 22 oz']);
});
