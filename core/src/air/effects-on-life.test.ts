import { hourly } from '../testing/hours';
import { DAY_MS } from '../time';
import { airToll, pegTrouble } from './effects-on-life';

const NOW = Date.UTC(2025, 5, 1);

describe('what the air costs', () => {
  const days = (count: number, rh: (day: number) => number) => hourly(count * 24, (hour) => rh(Math.floor(hour / 24)));

  it('nothing is told of less than a week', () => {
    expect(
      airToll(
        days(6, () => 0.7),
        0,
        6 * DAY_MS,
      ),
    ).toBeNull();
    expect(
      airToll(
        days(7, () => 0.7),
        0,
        7 * DAY_MS,
      ),
    ).not.toBeNull();
  });

  it('damp days count strings half as fast again, damp and dry ones hair a quarter', () => {
    const toll = (rh: number) =>
      airToll(
        days(10, () => rh),
        0,
        10 * DAY_MS,
      )!;
    expect(toll(0.5)).toMatchObject({ damp: 0, dry: 0, strings: 1, hair: 1, days: 10 });
    expect(toll(0.7)).toMatchObject({ damp: 1, dry: 0, strings: 1.5, hair: 1.25 });
    expect(toll(0.3)).toMatchObject({ damp: 0, dry: 1, strings: 1, hair: 1.25 });
    expect(toll(0.6).damp).toBe(0);
    expect(toll(0.4).dry).toBe(0);
  });

  it('a day is told by its mean; what nobody read counts as ordinary air', () => {
    const half = airToll(
      days(10, (day) => (day < 5 ? 0.7 : 0.5)),
      0,
      10 * DAY_MS,
    )!;
    expect(half.damp).toBeCloseTo(0.5, 12);
    expect(half.strings).toBeCloseTo(1.25, 12);
    const sparse = airToll(
      days(10, () => 0.7),
      0,
      20 * DAY_MS,
    )!;
    expect(sparse.strings).toBeCloseTo(1.25, 12);
    // Only what lies between since and now.
    expect(
      airToll(
        days(20, (day) => (day < 10 ? 0.7 : 0.5)),
        10 * DAY_MS,
        20 * DAY_MS,
      )!.damp,
    ).toBe(0);
  });

  it('pegs slip once the wood has shrunk, stick once it has swollen, and are quiet in steady air', () => {
    const after = (rh: number) =>
      pegTrouble(
        days(40, (day) => (day < 30 ? 0.5 : rh)),
        DAY_MS,
        40 * DAY_MS,
      );
    expect(after(0.3)).toMatchObject({ kind: 'slip' });
    expect(after(0.3)!.change).toBeLessThan(-0.008);
    expect(after(0.7)).toMatchObject({ kind: 'stick' });
    expect(after(0.5)).toBeNull();
    expect(after(0.52)).toBeNull();
    // Two weeks have to be known.
    expect(
      pegTrouble(
        days(10, (day) => (day < 5 ? 0.6 : 0.3)),
        DAY_MS,
        10 * DAY_MS,
      ),
    ).toBeNull();
    expect(pegTrouble([], DAY_MS, NOW)).toBeNull();
  });
});
