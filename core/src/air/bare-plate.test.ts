import fc from 'fast-check';
import { DAY_MS, HOUR_MS } from '../time';
import { barePlateLine, barePlateRestRh } from './bare-plate';
import type { AirRecord } from './record';

const NOW = Date.UTC(2025, 5, 1);
const steady = (rh: number, hours: number, endMs = NOW): AirRecord => ({
  days: [],
  hours: Array.from({ length: hours }, (_, back) => {
    const at = endMs - (hours - 1 - back) * HOUR_MS;
    return { at, low: rh, high: rh, rh, tempC: 20 };
  }),
});

describe('a bare plate', () => {
  it('rests at the humidity of steady air', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.15, max: 0.85, noNaN: true }), (rh) => {
        expect(barePlateRestRh(steady(rh, 400), NOW)).toBeCloseTo(rh, 2);
      }),
    );
  });

  it('has gone about two thirds of the way after its time constant', () => {
    const dry = steady(0.3, 48);
    const damp = steady(0.6, 24 * 20, NOW - 48 * HOUR_MS);
    const rests = barePlateRestRh({ days: [], hours: [...damp.hours, ...dry.hours] }, NOW)!;
    // 1 − 1/e of the way in moisture, which in this range is nearly so in humidity (from memory).
    expect((0.6 - rests) / 0.3).toBeGreaterThan(0.55);
    expect((0.6 - rests) / 0.3).toBeLessThan(0.72);
  });

  it('is not told where nothing was read, or not lately', () => {
    expect(barePlateRestRh({ days: [], hours: [] }, NOW)).toBeNull();
    expect(barePlateRestRh(steady(0.5, 100, NOW - 90 * DAY_MS), NOW)).toBeNull();
  });

  it('follows each sample, at its own instant', () => {
    const record = steady(0.5, 10);
    const { at, moisture } = barePlateLine(record);
    expect([...at]).toEqual(record.hours.map((hour) => hour.at));
    expect(Math.max(...moisture) - Math.min(...moisture)).toBeLessThan(1e-9);
  });
});
