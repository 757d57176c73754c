import fc from 'fast-check';
import {
  approached,
  effectsOf,
  equilibriumMoisture,
  laggedMoisture,
  movement,
  restHumidity,
  SET_UP_MOISTURE,
  timeToLimit,
  woodParts,
} from '.';
import { FAMILIES, usualFacts } from '../instruments';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../time';

test.each([
  [0.3, 6.2],
  [0.4, 7.7],
  [0.5, 9.2],
  [0.6, 11.0],
  [0.7, 13.1],
  [0.8, 16.0],
])('at %d and 21.1 °C wood comes to rest at %d %%', (rh, percent) => {
  // Published: Wood Handbook, table 4-2, row of 21.1 °C (values from memory).
  expect(Math.abs(equilibriumMoisture(rh, 21.1) * 100 - percent)).toBeLessThanOrEqual(0.1);
});

test.each([
  [4.4, 0.5, 9.5],
  [4.4, 0.8, 16.5],
  [37.8, 0.5, 8.7],
  [37.8, 0.8, 15.1],
  [48.9, 0.5, 8.2],
  [48.9, 0.8, 14.4],
])('at %d °C and %d wood comes to rest at %d %%', (tempC, rh, percent) => {
  // Published: Wood Handbook, table 4-2 (values from memory): warm wood holds less.
  expect(Math.abs(equilibriumMoisture(rh, tempC) * 100 - percent)).toBeLessThanOrEqual(0.1);
});

test('more humidity is more moisture, and moisture turns back into the humidity it rests in', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.02, max: 0.95, noNaN: true }),
      fc.double({ min: 0, max: 40, noNaN: true }),
      (rh, tempC) => {
        const moisture = equilibriumMoisture(rh, tempC);
        expect(equilibriumMoisture(rh + 0.01, tempC)).toBeGreaterThan(moisture);
        expect(restHumidity(moisture, tempC)).toBeCloseTo(rh, 6);
      },
    ),
  );
});

test('a violin top from 50 to 30 % wants to lose about 0.95 mm', () => {
  // Published: Wood Handbook, eq. 13-2; handbook 3 works the example at 20 °C.
  const [top] = woodParts(usualFacts('violin'));
  const { mm, extrapolated } = movement(top!, equilibriumMoisture(0.5, 20), equilibriumMoisture(0.3, 20));
  expect(mm).toBeCloseTo(-0.95, 1);
  expect(extrapolated).toBe(false);
  expect(movement(top!, 0.1, 0.05).extrapolated).toBe(true);
});

describe('lag', () => {
  const hourly = (count: number, rh: (hour: number) => number) => ({
    at: Float64Array.from({ length: count }, (_, hour) => hour * HOUR_MS),
    rh: Float64Array.from({ length: count }, (_, hour) => rh(hour)),
    tempC: new Float64Array(count).fill(20),
  });

  test('a step is approached as a first-order lag does', () => {
    const line = laggedMoisture(
      hourly(24 * 11, (hour) => (hour < 24 ? 0.5 : 0.3)),
      10 * DAY_MS,
      DAY_MS,
    );
    const [from, to] = [equilibriumMoisture(0.5, 20), equilibriumMoisture(0.3, 20)];
    expect(line[23]).toBeCloseTo(from, 12);
    // Closed form: after one time constant 1/e of the way is left.
    expect(line.at(-1)! - to).toBeCloseTo((from - to) * Math.exp(-(24 * 10 - 1) / 240), 6);
    expect(approached(from, to, 10 * DAY_MS, 10 * DAY_MS)).toBeCloseTo(to + (from - to) / Math.E, 12);
  });

  test('a dry afternoon is harmless, a dry fortnight is not', () => {
    const afternoon = laggedMoisture(
      hourly(24 * 20, (hour) => (hour >= 300 && hour < 306 ? 0.25 : 0.5)),
      2 * DAY_MS,
      DAY_MS,
    );
    const fortnight = laggedMoisture(
      hourly(24 * 20, (hour) => (hour >= 100 ? 0.25 : 0.5)),
      2 * DAY_MS,
      DAY_MS,
    );
    expect(restHumidity(Math.min(...afternoon))).toBeGreaterThan(0.45);
    expect(restHumidity(fortnight.at(-1)!)).toBeLessThan(0.27);
  });

  test('a closed loop of humidity brings the wood back to where it began', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.2, max: 0.8, noNaN: true }), { minLength: 5, maxLength: 30 }), (days) => {
        const loop = (hour: number) => days[Math.floor(hour / 24) % days.length]!;
        const period = days.length * 24;
        const line = laggedMoisture(hourly(period * 12 + 1, loop), 3 * DAY_MS, DAY_MS);
        expect(line[period * 12]).toBeCloseTo(line[period * 11]!, 6);
      }),
      { numRuns: 30 },
    );
  });

  test('minutes and hours of the same air give the same wood', () => {
    const rh = (hour: number) => 0.5 + 0.1 * Math.sin(hour / 20);
    const minutes = {
      at: Float64Array.from({ length: 60 * 400 }, (_, minute) => minute * MINUTE_MS),
      rh: Float64Array.from({ length: 60 * 400 }, (_, minute) => rh(Math.floor(minute / 60))),
      tempC: new Float64Array(60 * 400).fill(20),
    };
    const fine = laggedMoisture(minutes, 2 * DAY_MS, DAY_MS);
    const coarse = laggedMoisture(hourly(400, rh), 2 * DAY_MS, DAY_MS);
    expect(fine[60 * 399]).toBeCloseTo(coarse[399]!, 9);
  });

  test('over a gap the wood is taken to stay as it was', () => {
    const gap = { at: [0, DAY_MS, 60 * DAY_MS], rh: [0.5, 0.3, 0.3], tempC: [20, 20, 20] };
    const held = laggedMoisture(gap, 2 * DAY_MS, DAY_MS);
    expect(restHumidity(held[2]!)).toBeGreaterThan(0.4);
  });

  test('the time to a limit is where the approach crosses it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.15, noNaN: true }),
        fc.double({ min: 0.05, max: 0.15, noNaN: true }),
        fc.double({ min: 0.05, max: 0.15, noNaN: true }),
        (moisture, rest, limit) => {
          const wait = timeToLimit(moisture, rest, limit, DAY_MS);
          if (wait === null) return;
          expect(approached(moisture, rest, wait, DAY_MS)).toBeCloseTo(limit, 9);
        },
      ),
    );
    expect(timeToLimit(0.1, 0.09, 0.08, DAY_MS)).toBeNull();
    expect(timeToLimit(0.08, 0.07, 0.08, DAY_MS)).toBe(0);
  });
});

test('every family has parts that move, and what dry and damp wood does is told apart', () => {
  for (const family of FAMILIES) {
    const facts = usualFacts(family);
    expect(woodParts(facts).length).toBeGreaterThan(1);
    const all = (moisture: number) => ({ top: moisture, back: moisture, neck: moisture, fretboard: moisture });
    expect(effectsOf(facts, all(SET_UP_MOISTURE))).toEqual([]);
    // common practice: dry wood lowers the action and opens seams, damp wood raises it.
    expect(effectsOf(facts, all(0.06))).toEqual(expect.arrayContaining(['low-action', 'seams', 'cracks']));
    expect(effectsOf(facts, all(0.15))).toEqual(expect.arrayContaining(['high-action', 'glue']));
  }
  expect(effectsOf(usualFacts('guitar'), { top: 0.07, neck: 0.07, fretboard: 0.07 })).toContain('sharp-frets');
  expect(woodParts(usualFacts('guitar', 'electric'))[0]!.id).toBe('neck');
  expect(effectsOf(usualFacts('guitar', 'electric'), { neck: 0.06 })).toEqual(['relief']);
});

test('a board moves more across the year rings’ tangent than across their radius; outside 6 to 14 % it is said to be reckoned on', () => {
  const board = (cut: 'quarter' | 'slab') => ({ species: 'spruce' as const, cut, widthMm: 200 });
  // Published: shrinkage across the tangent is larger than across the radius in every wood (Wood Handbook, chapter 4).
  expect(movement(board('slab'), 0.08, 0.1).mm).toBeGreaterThan(movement(board('quarter'), 0.08, 0.1).mm);
  const extrapolated = (from: number, to: number) => movement(board('quarter'), from, to).extrapolated;
  expect([extrapolated(0.06, 0.14), extrapolated(0.0599, 0.1), extrapolated(0.1, 0.1401)]).toEqual([false, true, true]);
});
