import { steadiness, STEADY_LEAST } from '.';
import { DAY_MS, HOUR_MS } from '../time';

/** A synthetic year and a half: a yearly sine, and on it a swing that is up for 6 hours and down for 6. */
function year(swing: number, hours = 24 * 365 * 1.5) {
  const at = Float64Array.from({ length: hours }, (_, hour) => hour * HOUR_MS);
  const season = (ms: number) => 0.5 + 0.12 * Math.sin((2 * Math.PI * ms) / (365 * DAY_MS));
  const rh = Float64Array.from(at, (ms, hour) => season(ms) + (Math.floor(hour / 6) % 2 === 0 ? swing : -swing));
  return { at, rh };
}

test('level and band of a year whose answer is known in closed form', () => {
  // Published: EN 15757:2010, annex A. The mean of a sine over a window w is the sine times sin(πw/T)/(πw/T).
  const { at, rh } = year(0.15);
  const { level, band, percentiles, basis } = steadiness(at, rh);
  const shrink = Math.sin((Math.PI * 30) / 365) / ((Math.PI * 30) / 365);
  for (const day of [60, 91, 200, 300]) {
    const expected = 0.5 + 0.12 * shrink * Math.sin((2 * Math.PI * day) / 365);
    expect(level[day * 24]).toBeCloseTo(expected, 2);
  }
  expect(basis).toBe('record');
  expect(percentiles.low).toBeCloseTo(-0.15, 2);
  expect(percentiles.high).toBeCloseTo(0.15, 2);
  expect(band).toEqual(percentiles);
});

test('a calm place may still move by ten percent, and a short record promises no more than that', () => {
  const calm = year(0.03);
  expect(steadiness(calm.at, calm.rh).band).toEqual({ low: -STEADY_LEAST, high: STEADY_LEAST });
  const short = year(0.2, 24 * 200);
  const judged = steadiness(short.at, short.rh);
  expect(judged.basis).toBe('short');
  expect(judged.band).toEqual({ low: -STEADY_LEAST, high: STEADY_LEAST });
});

test('a gap in the record leaves the level where the readings are', () => {
  const { at, rh } = year(0.05);
  const kept = at.findIndex((ms) => ms > 100 * DAY_MS);
  const back = at.findIndex((ms) => ms > 180 * DAY_MS);
  const cut = (list: Float64Array) => Float64Array.from([...list.slice(0, kept), ...list.slice(back)]);
  const { level } = steadiness(cut(at), cut(rh));
  expect(level.every((value) => value > 0.3 && value < 0.7)).toBe(true);
});

test('thirteen months between the first reading and the last are no record of thirteen months', () => {
  const { at, rh } = year(0.2);
  expect(steadiness(at, rh).basis).toBe('record');
  const days = (keeps: (day: number) => boolean) => {
    const kept = [...at].flatMap((ms, index) => (keeps(Math.floor(ms / DAY_MS)) ? [index] : []));
    return steadiness(
      kept.map((index) => at[index]!),
      kept.map((index) => rh[index]!),
    );
  };
  // Eight months in the middle are missing.
  const holed = days((day) => day < 250 || day > 490);
  expect(holed.basis).toBe('short');
  expect(holed.months).toBeCloseTo((250 + 547 - 490) / 30.44, 0);
  expect(holed.band).toEqual({ low: -STEADY_LEAST, high: STEADY_LEAST });
  // One day in ten missing is a record all the same; one in two is none.
  expect(days((day) => day % 10 !== 0).basis).toBe('record');
  expect(days((day) => day % 2 === 0).basis).toBe('short');
});
