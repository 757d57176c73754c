import { usualFacts } from '../instruments';
import { hourly } from '../testing/hours';
import { DAY_MS, HOUR_MS } from '../time';
import { laggedMoisture } from './moisture';
import { columnsOf } from './record';
import type { StayAir } from './stays';
import { lagMs, woodParts } from './wood';
import { woodLines } from './wood-lines';

const violin = usualFacts('violin');
const [part] = woodParts(violin);
const stayed = (fromH: number, toH: number, rh: number, cased: boolean, read = toH - fromH): StayAir => ({
  stay: { from: fromH * HOUR_MS, to: toH * HOUR_MS, placeId: 'front', airOf: 'front', cased },
  samples: hourly(read, () => rh).map((hour) => ({ ...hour, at: hour.at + fromH * HOUR_MS })),
  holdMs: DAY_MS,
});
const lineOf = (air: readonly StayAir[], nowH: number) => woodLines(violin, air, nowH * HOUR_MS)[0]!;

describe('the wood of an instrument through its stays', () => {
  it('is one line a part, of the reading of each hour and of the end', () => {
    const lines = woodLines(violin, [stayed(0, 48, 0.5, false)], 48 * HOUR_MS);
    expect(lines.map((line) => line.part)).toEqual(woodParts(violin));
    const { at, moisture } = lines[0]!;
    expect([...at.slice(0, 2), at.at(-1)]).toEqual([0, HOUR_MS, 48 * HOUR_MS]);
    // At rest with its air from the first reading on, and carried on to the end.
    for (const each of moisture) expect(each).toBeCloseTo(moisture[0]!, 12);
  });

  it('is carried on to now while it stays, and to its end where it moved on', () => {
    expect(lineOf([stayed(0, 1000, 0.5, false, 20)], 30).at.at(-1)).toBe(30 * HOUR_MS);
    expect(lineOf([stayed(0, 25, 0.5, false, 20)], 30).at.at(-1)).toBe(25 * HOUR_MS);
  });

  it('goes on in the next stay from where it was, with the lag it has there', () => {
    const both = [stayed(0, 48, 0.6, false), stayed(48, 96, 0.3, true)];
    const { at, moisture, tauMs } = lineOf(both, 96);
    expect(tauMs).toBe(lagMs(part!, true));
    expect(lineOf(both.slice(0, 1), 48).tauMs).toBe(lagMs(part!, false));
    const second = columnsOf([...both[1]!.samples, { ...both[1]!.samples.at(-1)!, at: 96 * HOUR_MS }]);
    const first = moisture[at.indexOf(48 * HOUR_MS)]!;
    expect([...moisture.slice(-second.at.length)]).toEqual([
      ...laggedMoisture(second, lagMs(part!, true), DAY_MS, first),
    ]);
    // In its case it follows slower: the same move out of a case has gone further.
    const bare = lineOf([both[0]!, { ...both[1]!, stay: { ...both[1]!.stay, cased: false } }], 96);
    expect(bare.moisture.at(-1)!).toBeLessThan(moisture.at(-1)!);
  });

  it('of a place where nothing was read nothing is told; without any stay it is out of its case', () => {
    const unread = stayed(0, 48, 0.5, true, 0);
    expect(lineOf([unread], 48).at).toHaveLength(0);
    expect([...lineOf([unread, stayed(48, 60, 0.5, false)], 60).at][0]).toBe(48 * HOUR_MS);
    expect(lineOf([], 48)).toMatchObject({ tauMs: lagMs(part!, false) });
  });
});
