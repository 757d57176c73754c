import { HOUR_MS } from '../time';
import { absoluteGm3, outside } from '../air';
import { roomPlan, type RoomQuestion } from './plan';

const NOW = 1000 * HOUR_MS;
const week = (rh: number, tempC = 20) =>
  Array.from({ length: 168 }, (_, hour) => ({ at: NOW - (167 - hour) * HOUR_MS, rh, tempC }));
/** Weather hour by hour from some hours before now; temperature and humidity by the hour. */
const ahead = (from: number, count: number, rh: (hour: number) => number, tempC = 20) =>
  Array.from({ length: count }, (_, index) => ({ at: NOW + (from + index) * HOUR_MS, rh: rh(from + index), tempC }));
const question: RoomQuestion = {
  volumeM3: 40,
  changesPerHour: 0.5,
  week: week(0.5),
  ideal: { low: 0.45, high: 0.55 },
  habit: null,
  ahead: [],
  tankG: 2600,
  dryerG: 1300,
  nowMs: NOW,
};
const plan = (more: Partial<RoomQuestion> = {}) => roomPlan({ ...question, ...more })!;

describe('water', () => {
  it('is volume × changes × 24 hours × the difference in absolute humidity', () => {
    const { gramsPerDay, targetGm3, supplyGm3, targetRh } = plan({ week: week(0.3) });
    expect(targetRh).toBe(0.45);
    expect(targetGm3).toBeCloseTo(absoluteGm3(0.45, 20), 9);
    expect(gramsPerDay).toBeCloseTo(40 * 0.5 * 24 * (targetGm3 - supplyGm3), 6);
  });

  it('given, it is refilled by the humidifier’s tank; taken out, by the dryer’s', () => {
    const dry = plan({ week: week(0.3) });
    expect(dry.action).toBe('humidify');
    expect(dry.refillHours).toBeCloseTo((2600 / dry.gramsPerDay) * 24, 6);
    const damp = plan({ week: week(0.7) });
    expect(damp.action).toBe('dehumidify');
    expect(damp.refillHours).toBeCloseTo((1300 / damp.gramsPerDay) * 24, 6);
  });

  it('nothing is refilled where nothing is to be done, or nothing stands there', () => {
    expect(plan()).toMatchObject({ action: 'leave', gramsPerDay: 0, refillHours: null, tankTooSmall: false });
    expect(plan({ week: week(0.3), tankG: null })).toMatchObject({ refillHours: null, tankTooSmall: false });
    expect(plan({ week: week(0.7), dryerG: null }).refillHours).toBeNull();
  });

  it('a tank that is empty within half a day is too small', () => {
    const { gramsPerDay } = plan({ week: week(0.3) });
    expect(plan({ week: week(0.3), tankG: gramsPerDay * 0.51 }).tankTooSmall).toBe(false);
    expect(plan({ week: week(0.3), tankG: gramsPerDay * 0.49 }).tankTooSmall).toBe(true);
  });

  it('rests on the weather once a day of it is known and the room has a habit', () => {
    const habit = { gainGm3: 1, tempC: 20, hours: 100 };
    expect(plan({ habit, ahead: ahead(0, 23, () => 0.3) }).basis).toBe('week');
    expect(plan({ ahead: ahead(0, 48, () => 0.3) }).basis).toBe('week');
    const known = plan({ habit, ahead: ahead(0, 24, () => 0.3) });
    expect(known.basis).toBe('forecast');
    expect(known.supplyGm3).toBeCloseTo(absoluteGm3(0.3, 20) + 1, 9);
  });
});

describe('airing', () => {
  it('a damp room is aired in the hours that dry it, told as spans with what they would make of it', () => {
    const dryAt = (hour: number) => (hour >= 3 && hour < 6) || hour === 10;
    const { airing } = plan({ week: week(0.7), ahead: ahead(0, 48, (hour) => (dryAt(hour) ? 0.3 : 0.9)) });
    expect(airing.map(({ at, until }) => [(at - NOW) / HOUR_MS, (until - NOW) / HOUR_MS])).toEqual([
      [3, 6],
      [10, 11],
    ]);
    for (const { rhAfter } of airing) expect(rhAfter).toBeCloseTo(0.3, 6);
  });

  it('a dry room in those that dampen it', () => {
    const { airing } = plan({ week: week(0.3), ahead: ahead(0, 48, (hour) => (hour === 5 ? 0.6 : 0.1)) });
    expect(airing).toHaveLength(1);
    expect((airing[0]!.at - NOW) / HOUR_MS).toBe(5);
  });

  it('a room that is right is aired for its own sake by nobody’s plan', () => {
    expect(plan({ ahead: ahead(0, 48, () => 0.3) }).airing).toEqual([]);
    // The edges of the band belong to it.
    expect(plan({ week: week(0.45), ahead: ahead(0, 48, () => 0.8) }).airing).toEqual([]);
    expect(plan({ week: week(0.55), ahead: ahead(0, 48, () => 0.2) }).airing).toEqual([]);
  });

  it('looks from the hour that is on to two days ahead', () => {
    const { hours } = plan({ week: week(0.7), ahead: ahead(-5, 100, () => 0.3) });
    expect((hours[0]!.at - NOW) / HOUR_MS).toBe(-1);
    expect((hours.at(-1)!.at - NOW) / HOUR_MS).toBe(47);
  });

  it('goes by what the room is now, not by its week', () => {
    const turned = [...week(0.5).slice(0, -1), { at: NOW, rh: 0.7, tempC: 20 }];
    expect(plan({ week: turned, ahead: ahead(0, 48, () => 0.3) }).airing).toHaveLength(1);
  });
});

test('the edges of a band belong to it', () => {
  const band = { low: 0.4, high: 0.6 };
  expect([0.39, 0.4, 0.5, 0.6, 0.61].map((rh) => outside(rh, band))).toEqual(['dry', null, null, null, 'damp']);
});
