import { at, hourly } from '../testing/hours';
import { DAY_MS, HOUR_MS } from '../time';
import { columnsOf, holdOf, meanRh, ranges, samplesOf, usualSpacing } from './record';

const BAND = { low: 0.4, high: 0.6 };

describe('a record', () => {
  it('is believed four times its usual distance, from a day and a half to ten days', () => {
    const every = (hours: number) => ({
      days: [],
      hours: Array.from({ length: 10 }, (_, index) => at(index * hours, 0.5)),
    });
    expect(usualSpacing([])).toBeNull();
    expect(usualSpacing([at(0, 0.5)])).toBeNull();
    expect(usualSpacing(every(7).hours)).toBe(7 * HOUR_MS);
    expect(holdOf(every(1))).toBe(1.5 * DAY_MS);
    expect(holdOf(every(24))).toBe(4 * DAY_MS);
    expect(holdOf(every(24 * 30))).toBe(10 * DAY_MS);
    expect(holdOf({ days: [], hours: [] })).toBe(1.5 * DAY_MS);
    // Where hours are too few to tell, days do.
    const days = every(24).hours.map((hour) => ({ ...hour, day: 0, hours: 1 }));
    expect(holdOf({ days, hours: [at(0, 0.5)] })).toBe(4 * DAY_MS);
  });

  it('the usual distance is that of lately: one long silence does not change it', () => {
    const hours = [
      ...Array.from({ length: 70 }, (_, index) => at(index * 24, 0.5)),
      ...hourly(70, () => 0.5).map((hour) => ({ ...hour, at: hour.at + 70 * DAY_MS })),
    ];
    expect(usualSpacing(hours)).toBe(HOUR_MS);
  });

  it('is days until its hours begin, then hours', () => {
    const days = [0, 1, 2].map((day) => ({ ...at(day * 24, 0.5), day, hours: 24 }));
    expect(samplesOf({ days, hours: [at(48, 0.6), at(49, 0.6)] }).map((each) => each.at / HOUR_MS)).toEqual([
      0, 24, 48, 49,
    ]);
    expect(samplesOf({ days, hours: [] })).toHaveLength(3);
  });

  it('as columns has twenty degrees where nobody read any', () => {
    const { rh, tempC } = columnsOf([at(0, 0.5, { tempC: null }), at(1, 0.4, { tempC: 15 })]);
    expect(Array.from(rh)).toEqual([0.5, 0.4]);
    expect(Array.from(tempC)).toEqual([20, 15]);
  });

  it('its mean over a stretch takes in its beginning and leaves out its end', () => {
    const hours = hourly(5, (hour) => hour / 10);
    expect(meanRh(hours, HOUR_MS, 4 * HOUR_MS)).toBeCloseTo(0.2, 12);
    expect(meanRh(hours, 9 * HOUR_MS, 10 * HOUR_MS)).toBeNull();
    expect(meanRh([], 0, 1)).toBeNull();
  });

  it('how far it moved: by the day, in all, within a day and a night; how long it lay in the band', () => {
    // Days of 45 and 55 in turn, hour by hour, and one night at 30.
    const month = hourly(30 * 24, (hour) => (hour === 400 ? 0.3 : hour % 24 < 12 ? 0.45 : 0.55));
    const end = 30 * DAY_MS;
    const found = ranges({ hours: month }, BAND, end)!;
    expect(found.hours).toBe(720);
    expect(found.monthly).toBeCloseTo(0.25, 12);
    expect(found.within24h).toBeCloseTo(0.25, 12);
    expect(found.inBand).toBeCloseTo(719 / 720, 12);
    expect(found.daily).toBeGreaterThan(0.1);
    expect(found.daily).toBeLessThan(0.12);
    // A slow month moves as far in all, and hardly within a day.
    const slow = ranges({ hours: hourly(30 * 24, (hour) => 0.4 + (0.2 * hour) / 720) }, BAND, end)!;
    expect(slow.monthly).toBeCloseTo(0.2, 3);
    expect(slow.within24h).toBeCloseTo(0.2 / 30, 4);
    expect(ranges({ hours: [] }, BAND, end)).toBeNull();
    expect(ranges({ hours: month }, BAND, end + 61 * DAY_MS)).toBeNull();
  });
});
