import fc from 'fast-check';
import {
  checkFault,
  compareHygrometers,
  corrected,
  correctionAt,
  correctionsFrom,
  driftPerYear,
  SALT_IDS,
  saltHumidity,
  sensorFaults,
  type AirHour,
  type SaltCheck,
} from '.';
import { mulberry32, normals } from '../testing/dice';
import { DAY_MS, HOUR_MS } from '../time';

const check = (salt: SaltCheck['salt'], shownRh: number, at = 0, tempC = 25): SaltCheck => ({
  salt,
  shownRh,
  at,
  tempC,
});

test('humidity over the salts as published, and between the table’s temperatures', () => {
  // Published: Greenspan 1977, J. Res. NBS 81A (values from memory).
  const TABLE = {
    'magnesium-chloride': [33.07, 32.78, 32.44],
    'magnesium-nitrate': [54.38, 52.89, 51.4],
    'sodium-chloride': [75.47, 75.29, 75.09],
    'potassium-chloride': [85.11, 84.34, 83.62],
  } as const;
  for (const salt of SALT_IDS)
    [20, 25, 30].forEach((tempC, at) =>
      expect(Math.abs(100 * saltHumidity(salt, tempC) - TABLE[salt][at]!)).toBeLessThan(0.015),
    );
  // Between them it bends: magnesium chloride falls faster the warmer it is.
  const fall = (from: number) =>
    saltHumidity('magnesium-chloride', from) - saltHumidity('magnesium-chloride', from + 1);
  expect(fall(28)).toBeGreaterThan(fall(18));
});

test('one salt gives an offset, two an offset and a slope that put both right', () => {
  const [one] = correctionsFrom([check('sodium-chloride', 0.72)]);
  expect(one).toMatchObject({ slope: 1, salts: ['sodium-chloride'] });
  expect(corrected(0.72, one!)).toBeCloseTo(0.753, 3);
  fc.assert(
    fc.property(
      fc.double({ min: 0.25, max: 0.4, noNaN: true }),
      fc.double({ min: 0.65, max: 0.85, noNaN: true }),
      (low, high) => {
        const [two] = correctionsFrom([check('magnesium-chloride', low), check('sodium-chloride', high, DAY_MS)]);
        expect(corrected(low, two!)).toBeCloseTo(0.3279, 3);
        expect(corrected(high, two!)).toBeCloseTo(0.753, 3);
        expect(two!.uncertainty).toBeLessThan(one!.uncertainty);
      },
    ),
  );
});

test('a correction holds from the next full hour until the next calibration; what was before stays raw', () => {
  const at = 10.5 * HOUR_MS;
  const all = correctionsFrom([check('sodium-chloride', 0.72, at), check('sodium-chloride', 0.78, at + 200 * DAY_MS)]);
  expect(correctionAt(all, 10 * HOUR_MS)).toBeNull();
  expect(correctionAt(all, 11 * HOUR_MS)!.offset).toBeCloseTo(0.033, 3);
  expect(correctionAt(all, 300 * DAY_MS)!.offset).toBeCloseTo(-0.027, 3);
  expect(corrected(0.5, null)).toBe(0.5);
});

test('checks of one salt are one measurement made again, and a second salt corrects from the day of the first', () => {
  const [again] = correctionsFrom([
    check('sodium-chloride', 0.72),
    check('sodium-chloride', 0.74, DAY_MS),
    check('sodium-chloride', 0.73, 2 * DAY_MS),
  ]);
  expect(again).toMatchObject({ slope: 1, tooClose: false });
  expect(again!.offset).toBeCloseTo(0.023, 3);
  const [once] = correctionsFrom([check('sodium-chloride', 0.73)]);
  expect(again!.uncertainty).toBeLessThan(once!.uncertainty);
  const all = correctionsFrom([
    check('sodium-chloride', 0.72, 10 * HOUR_MS),
    check('magnesium-chloride', 0.3, 4 * DAY_MS),
  ]);
  expect(all).toHaveLength(1);
  expect(correctionAt(all, 11 * HOUR_MS)!.salts).toHaveLength(2);
});

describe('what is said of the uncertainty is so', () => {
  /** Hygrometers of their own slope and offset, checked as people do, and how often ± holds what they then make of 50 %. */
  const held = (...salts: SaltCheck['salt'][]) => {
    const normal = normals(mulberry32(3));
    const runs = 1500;
    let within = 0;
    let said = 0;
    for (let run = 0; run < runs; run++) {
      const [slope, offset] = [1 + 0.05 * normal(), 0.02 * normal()];
      const shows = (truth: number) => (truth - offset) / slope;
      const checks = salts.map((salt) => {
        const truth = saltHumidity(salt, 25 + 0.5 * normal()) + 0.004 * normal();
        return check(salt, Math.round(100 * shows(truth)) / 100);
      });
      const [correction] = correctionsFrom(checks);
      said = correction!.uncertainty;
      if (Math.abs(corrected(shows(0.5), correction!) - 0.5) <= said) within++;
    }
    return { share: within / runs, said };
  };

  test.each([
    ['one salt', ['sodium-chloride'], 0.035],
    ['two that lie apart', ['magnesium-chloride', 'sodium-chloride'], 0.015],
    ['two that lie too close', ['sodium-chloride', 'potassium-chloride'], 0.04],
  ] as const)('%s', (_name, salts, most) => {
    const { share, said } = held(...salts);
    expect(share).toBeGreaterThan(0.92);
    expect(share).toBeLessThan(0.98);
    expect(said).toBeLessThan(most);
  });

  test('two salts close to each other tell no slope, and that is said', () => {
    const pair = (a: SaltCheck['salt'], b: SaltCheck['salt']) =>
      correctionsFrom([check(a, saltHumidity(a, 25) + 0.01), check(b, saltHumidity(b, 25) - 0.01)])[0]!;
    expect(pair('sodium-chloride', 'potassium-chloride')).toMatchObject({ slope: 1, tooClose: true });
    expect(pair('sodium-chloride', 'potassium-chloride').uncertainty).toBeGreaterThan(0.025);
    expect(pair('magnesium-chloride', 'sodium-chloride').tooClose).toBe(false);
  });
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
