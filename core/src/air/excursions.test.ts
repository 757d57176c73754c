import { at, hourly } from '../testing/hours';
import { DAY_MS, HOUR_MS } from '../time';
import { excursions, SUSTAINED_H } from './excursions';

const BAND = { low: 0.4, high: 0.6 };

describe('outside the band', () => {
  const found = (rh: (hour: number) => number, count = 24 * 10) => excursions(hourly(count, rh), BAND, DAY_MS);

  it('is told from its first reading to the end of its last, with its worst', () => {
    const [one, ...more] = found((hour) => (hour >= 10 && hour < 20 ? 0.3 - hour / 1000 : 0.5));
    expect(more).toEqual([]);
    expect(one).toMatchObject({ from: 10 * HOUR_MS, to: 20 * HOUR_MS, side: 'dry', kind: 'brief', ongoing: false });
    expect(one!.worst).toBeCloseTo(0.281, 12);
  });

  it('goes on over a return of six hours, not over a longer one', () => {
    const gap = (hours: number) => found((hour) => (hour < 10 || (hour >= 10 + hours && hour < 30) ? 0.7 : 0.5));
    expect(gap(6)).toHaveLength(1);
    expect(gap(7)).toHaveLength(2);
  });

  it('the other side is another', () => {
    const sides = found((hour) => (hour < 10 ? 0.7 : hour < 20 ? 0.3 : 0.5)).map(({ side }) => side);
    expect(sides).toEqual(['damp', 'dry']);
  });

  it('is sustained from three days on, and worsening when it goes farther out', () => {
    const last = (hours: number, slope: number) => found((hour) => (hour < hours ? 0.3 - slope * hour : 0.5))[0]!.kind;
    expect(last(SUSTAINED_H - 1, 0)).toBe('brief');
    expect(last(SUSTAINED_H, 0)).toBe('sustained');
    expect(last(SUSTAINED_H, 0.001)).toBe('worsening');
    expect(last(SUSTAINED_H, -0.001)).toBe('sustained');
  });

  it('is going on while the last reading lies outside', () => {
    expect(found(() => 0.7).at(-1)!.ongoing).toBe(true);
    expect(found((hour) => (hour < 238 ? 0.7 : 0.5)).at(-1)!.ongoing).toBe(false);
    expect(found(() => 0.5)).toEqual([]);
    expect(excursions([], BAND, DAY_MS)).toEqual([]);
  });

  it('a reading is believed no longer than it holds', () => {
    const [one] = excursions([at(0, 0.7), at(100, 0.5)], BAND, 10 * HOUR_MS);
    expect(one!.to).toBe(10 * HOUR_MS);
  });
});
