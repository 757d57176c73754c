import { hourly } from '../testing/hours';
import { DAY_MS, HOUR_MS } from '../time';
import { type AirHour } from './record';
import { compareHygrometers, sensorFaults } from './sensor-faults';

describe('what a sensor’s own data say against it', () => {
  const codes = (hours: AirHour[], watched = true, battery: number | null = null, now = hours.length * HOUR_MS) =>
    sensorFaults(hours, now, { watched, battery }).map(({ code }) => code);
  const lively = (count: number) => hourly(count, (hour) => 0.5 + 0.02 * Math.sin(hour));

  it('a display that stood still for two days; one that is read by hand may', () => {
    expect(
      codes([...lively(50), ...hourly(48, () => 0.45).map((hour) => ({ ...hour, at: hour.at + 50 * HOUR_MS }))]),
    ).toContain('stuck');
    expect(
      codes([...lively(50), ...hourly(40, () => 0.45).map((hour) => ({ ...hour, at: hour.at + 50 * HOUR_MS }))]),
    ).toEqual([]);
    expect(
      codes(
        hourly(100, () => 0.45),
        false,
      ),
    ).toEqual([]);
    const [stuck] = sensorFaults(
      hourly(60, () => 0.45),
      60 * HOUR_MS,
      { watched: true, battery: null },
    );
    expect(stuck).toEqual({ code: 'stuck', hours: 60, rh: 0.45 });
  });

  it('a display that moved within an hour, up or down, did not stand still', () => {
    const still = hourly(60, () => 0.45);
    const with30 = (more: Partial<AirHour>) => still.map((hour, at) => (at === 30 ? { ...hour, ...more } : hour));
    expect(codes(still)).toEqual(['stuck']);
    expect(codes(with30({ high: 0.6 }))).toEqual([]);
    expect(codes(with30({ low: 0.3 }))).toEqual([]);
    const [stuck] = sensorFaults(
      [...with30({ high: 0.6 }), ...hourly(60, () => 0.45).slice(12)].map((hour, at) => ({
        ...hour,
        at: at * HOUR_MS,
      })),
      108 * HOUR_MS,
      { watched: true, battery: null },
    );
    expect(stuck).toMatchObject({ code: 'stuck', hours: 77 });
  });

  it('air that cannot be, for six hours', () => {
    const end = (rh: number, hours: number) => [
      ...lively(50),
      ...hourly(hours, (hour) => rh + hour / 1e4).map((each) => ({ ...each, at: each.at + 50 * HOUR_MS })),
    ];
    expect(codes(end(0.02, 6))).toContain('absurd');
    expect(codes(end(0.99, 6))).toContain('absurd');
    expect(codes(end(0.02, 2))).toEqual([]);
    expect(codes(end(0.06, 6))).toEqual([]);
  });

  it('silence, six times its usual distance and at least six hours long', () => {
    const hours = lively(50);
    const end = 49 * HOUR_MS;
    expect(codes(hours, true, null, end + 6 * HOUR_MS)).toEqual([]);
    expect(codes(hours, true, null, end + 6.1 * HOUR_MS)).toEqual(['silent']);
    expect(codes(hours, false, null, end + 90 * DAY_MS)).toEqual([]);
    const slow = lively(50).map((hour) => ({ ...hour, at: hour.at * 3 }));
    expect(codes(slow, true, null, 49 * 3 * HOUR_MS + 17 * HOUR_MS)).toEqual([]);
    expect(codes(slow, true, null, 49 * 3 * HOUR_MS + 19 * HOUR_MS)).toEqual(['silent']);
  });

  it('a battery below a fifth, even before the first reading', () => {
    expect(codes([], true, 19)).toEqual(['battery']);
    expect(codes([], true, 20)).toEqual([]);
    expect(codes([], true, null)).toEqual([]);
  });

  it('two side by side: their mean difference in the hours both read, and how it scatters', () => {
    const one = hourly(10, (hour) => 0.5 + (hour % 2) * 0.02);
    const other = hourly(8, () => 0.45);
    const found = compareHygrometers(one, other)!;
    expect(found.hours).toBe(8);
    expect(found.difference).toBeCloseTo(0.06, 12);
    expect(found.sd).toBeCloseTo(0.01, 12);
    expect(compareHygrometers(one, other.slice(0, 6))!.hours).toBe(6);
    expect(compareHygrometers(one, other.slice(0, 5))).toBeNull();
  });
});
