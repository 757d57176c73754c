import fc from 'fast-check';
import {
  checkFault,
  compareHygrometers,
  corrected,
  correctionAt,
  correctionsFrom,
  driftPerYear,
  saltHumidity,
  sensorFaults,
  type AirHour,
  type SaltCheck,
} from '.';
import { DAY_MS, HOUR_MS } from '../time';

const check = (salt: SaltCheck['salt'], shownRh: number, at = 0, tempC = 25): SaltCheck => ({
  salt,
  shownRh,
  at,
  tempC,
});

test('humidity over the salts as published, and between the table’s temperatures', () => {
  // Published: Greenspan 1977, J. Res. NBS 81A (values from memory).
  expect(saltHumidity('sodium-chloride', 25)).toBeCloseTo(0.7529, 4);
  expect(saltHumidity('magnesium-nitrate', 20)).toBeCloseTo(0.5438, 4);
  expect(saltHumidity('magnesium-chloride', 30)).toBeCloseTo(0.3244, 4);
  expect(saltHumidity('potassium-chloride', 22.5)).toBeCloseTo((0.8511 + 0.8434) / 2, 4);
});

test('one salt gives an offset, two an offset and a slope that put both right', () => {
  const [one] = correctionsFrom([check('sodium-chloride', 0.72)]);
  expect(one).toMatchObject({ slope: 1, salts: ['sodium-chloride'] });
  expect(corrected(0.72, one!)).toBeCloseTo(0.7529, 4);
  fc.assert(
    fc.property(
      fc.double({ min: 0.25, max: 0.4, noNaN: true }),
      fc.double({ min: 0.65, max: 0.85, noNaN: true }),
      (low, high) => {
        const [two] = correctionsFrom([check('magnesium-chloride', low), check('sodium-chloride', high, DAY_MS)]);
        expect(corrected(low, two!)).toBeCloseTo(0.3278, 4);
        expect(corrected(high, two!)).toBeCloseTo(0.7529, 4);
        expect(two!.uncertainty).toBeLessThan(one!.uncertainty);
      },
    ),
  );
});

test('a correction holds from the next full hour until the next calibration; what was before stays raw', () => {
  const at = 10.5 * HOUR_MS;
  const all = correctionsFrom([check('sodium-chloride', 0.72, at), check('sodium-chloride', 0.78, at + 200 * DAY_MS)]);
  expect(correctionAt(all, 10 * HOUR_MS)).toBeNull();
  expect(correctionAt(all, 11 * HOUR_MS)!.offset).toBeCloseTo(0.0329, 4);
  expect(correctionAt(all, 300 * DAY_MS)!.offset).toBeCloseTo(-0.0271, 4);
  expect(corrected(0.5, null)).toBe(0.5);
});

test('a check that cannot be is told', () => {
  expect(checkFault(check('sodium-chloride', 0.75, 0, 5), [])).toBe('temperature');
  expect(checkFault(check('sodium-chloride', 0.3), [])).toBe('far-off');
  expect(checkFault(check('sodium-chloride', 0.55, 1), [check('magnesium-nitrate', 0.7)])).toBe('slope');
  expect(checkFault(check('sodium-chloride', 0.74), [])).toBeNull();
});

test('drift shows over years', () => {
  const years = [0, 1, 2].map((year) => check('sodium-chloride', 0.7529 + 0.02 * year, year * 365.25 * DAY_MS));
  expect(driftPerYear(years)).toBeCloseTo(0.02, 6);
  expect(driftPerYear(years.slice(0, 1))).toBeNull();
});

describe('what a sensor’s own data says against it', () => {
  const now = 100 * DAY_MS;
  const hours = (count: number, rh: (at: number) => number, until = now): AirHour[] =>
    Array.from({ length: count }, (_, at) => {
      const value = rh(at);
      return { at: until - (count - at) * HOUR_MS, rh: value, low: value - 0.005, high: value + 0.005, tempC: 20 };
    });
  const codes = (list: AirHour[], battery: number | null = null) =>
    sensorFaults(list, now, { watched: true, battery }).map(({ code }) => code);

  test('nothing against a good one', () => {
    expect(codes(hours(200, (at) => 0.5 + 0.05 * Math.sin(at / 8)))).toEqual([]);
  });

  test('stuck, absurd, silent, low on battery', () => {
    const stuck = hours(72, () => 0.5).map((hour) => ({ ...hour, low: hour.rh, high: hour.rh }));
    expect(codes(stuck)).toEqual(['stuck']);
    expect(codes(hours(48, (at) => (at > 40 ? 0.01 : 0.4 + at / 500)))).toEqual(['absurd']);
    expect(codes(hours(48, (at) => 0.4 + at / 500, now - DAY_MS))).toEqual(['silent']);
    expect(
      codes(
        hours(48, (at) => 0.4 + at / 500),
        8,
      ),
    ).toEqual(['battery']);
  });

  test('one that is read by hand is neither stuck nor silent', () => {
    const daily = [5, 3].map((day) => ({ at: now - day * DAY_MS, rh: 0.5, low: 0.5, high: 0.5, tempC: null }));
    expect(sensorFaults(daily, now, { watched: false, battery: null })).toEqual([]);
  });

  test('two side by side', () => {
    const other = hours(50, (at) => 0.47 + at / 500);
    expect(
      compareHygrometers(
        hours(50, (at) => 0.5 + at / 500),
        other,
      ),
    ).toMatchObject({ hours: 50 });
    expect(
      compareHygrometers(
        hours(50, (at) => 0.5 + at / 500),
        other,
      )!.difference,
    ).toBeCloseTo(0.03, 6);
    expect(
      compareHygrometers(
        hours(3, () => 0.5),
        hours(3, () => 0.5),
      ),
    ).toBeNull();
  });
});
