import { roomPlan } from '../rooms';
import {
  absoluteGm3,
  airing,
  dewPointC,
  equilibriumMoisture,
  humidifierPace,
  movingPlan,
  restHumidity,
  roomForecast,
  roomHabit,
  warmThrough,
  waterGramsPerDay,
  type RoomHour,
} from '.';
import { DAY_MS, HOUR_MS } from '../time';

const hours = (count: number, rh: number, tempC: number, from = 0): RoomHour[] =>
  Array.from({ length: count }, (_, at) => ({ at: from + at * HOUR_MS, rh, tempC }));

test('a room of 40 m³ at half a change an hour takes about 1.3 kg a day from 30 to 45 %', () => {
  // Handbook 3, derived there: at 21 °C.
  const grams = waterGramsPerDay(40, 0.5, absoluteGm3(0.45, 21), absoluteGm3(0.3, 21));
  expect(grams).toBeGreaterThan(1280);
  expect(grams).toBeLessThan(1360);
});

describe('the plan of a room', () => {
  const base = {
    volumeM3: 40,
    changesPerHour: 0.5,
    ideal: { low: 0.45, high: 0.55 },
    habit: null,
    ahead: [],
    tankG: null,
    dryerG: null,
    nowMs: 7 * DAY_MS,
  };

  test('humidifies a dry room to the near edge of the ideal band, and says how often to refill', () => {
    const plan = roomPlan({ ...base, week: hours(168, 0.3, 21), tankG: 2600 })!;
    expect(plan).toMatchObject({ action: 'humidify', targetRh: 0.45, basis: 'week', tankTooSmall: false });
    expect(plan.gramsPerDay).toBeGreaterThan(1280);
    expect(plan.refillHours).toBeCloseTo((2600 / plan.gramsPerDay) * 24, 6);
    expect(roomPlan({ ...base, week: hours(168, 0.3, 21), tankG: 500 })!.tankTooSmall).toBe(true);
  });

  test('dries a damp room and leaves one that is right', () => {
    expect(roomPlan({ ...base, week: hours(168, 0.7, 21) })).toMatchObject({ action: 'dehumidify', targetRh: 0.55 });
    expect(roomPlan({ ...base, week: hours(168, 0.5, 21) })).toMatchObject({ action: 'leave', gramsPerDay: 0 });
    expect(roomPlan({ ...base, week: [] })).toBeNull();
  });

  test('reckons with the coming weather, brought to the room’s temperature', () => {
    const habit = { gainGm3: 1, tempC: 21, hours: 168 };
    const ahead = hours(168, 0.8, -5, 7 * DAY_MS);
    const plan = roomPlan({ ...base, week: hours(168, 0.4, 21), habit, ahead })!;
    expect(plan.basis).toBe('forecast');
    expect(plan.supplyGm3).toBeCloseTo(absoluteGm3(0.8, -5) + 1, 6);
    expect(plan.gramsPerDay).toBeGreaterThan(roomPlan({ ...base, week: hours(168, 0.4, 21) })!.gramsPerDay);
  });

  test('names the hours in which airing helps', () => {
    // A damp room: only the second, dry day helps.
    const ahead = [...hours(24, 0.9, 20, 7 * DAY_MS), ...hours(24, 0.4, 15, 8 * DAY_MS)];
    const plan = roomPlan({ ...base, week: hours(168, 0.68, 21), ahead })!;
    expect(plan.airing).toHaveLength(1);
    expect(plan.airing[0]).toMatchObject({ at: 8 * DAY_MS, until: 9 * DAY_MS });
    expect(plan.airing[0]!.rhAfter).toBeLessThan(0.4);
  });
});

test('damp-looking winter air dries a room, close summer air dampens a cellar', () => {
  // common practice: compare absolute humidities, not relative ones.
  expect(airing({ rh: 0.5, tempC: 21 }, hours(1, 0.95, 2))[0]!.effect).toBe('dries');
  expect(airing({ rh: 0.6, tempC: 15 }, hours(1, 0.6, 28))[0]!.effect).toBe('dampens');
  expect(airing({ rh: 0.5, tempC: 20 }, hours(1, 0.5, 20))[0]!.effect).toBe('same');
});

test('what a room adds to the weather is learnt, and gives the same room back', () => {
  const outdoors = hours(100, 0.8, 2);
  const inside = hours(100, 0.4, 21);
  const habit = roomHabit(inside, outdoors)!;
  expect(habit.gainGm3).toBeCloseTo(absoluteGm3(0.4, 21) - absoluteGm3(0.8, 2), 9);
  expect(roomForecast(habit, outdoors)[0]!.rh).toBeCloseTo(0.4, 6);
  expect(roomHabit(inside.slice(0, 10), outdoors)).toBeNull();
});

test('a cold case is opened once it has warmed through', () => {
  const room = { rh: 0.5, tempC: 21 };
  const cold = warmThrough(2, room, 2);
  expect(cold.sweats).toBe(true);
  expect(cold.dewPointC).toBeCloseTo(dewPointC(0.5, 21), 9);
  // Newton's cooling in closed form.
  expect(cold.openAfterMs).toBeCloseTo(2 * HOUR_MS * Math.log(19 / 2), 3);
  expect(cold.dryAfterMs).toBeLessThan(cold.openAfterMs);
  expect(warmThrough(22, room, 2)).toMatchObject({ sweats: false, dryAfterMs: 0, openAfterMs: 0 });
});

test('weighings tell when a case humidifier runs dry', () => {
  const at = (day: number) => day * DAY_MS;
  const weighings = [
    { at: 0, kind: 'empty' as const, grams: 20 },
    { at: at(1), kind: 'filled' as const, grams: 60 },
    { at: at(6), kind: 'before' as const, grams: 45 },
    { at: at(6), kind: 'filled' as const, grams: 62 },
  ];
  const pace = humidifierPace(weighings)!;
  expect(pace).toMatchObject({ gramsPerDay: 3, fillings: 1 });
  expect(pace.dryAt).toBeCloseTo(at(6 + 42 / 3), 3);
  expect(humidifierPace(weighings.slice(1))!.dryAt).toBeNull();
  expect(humidifierPace(weighings.slice(0, 2))).toBeNull();
});

describe('moving between climates', () => {
  test('a big move is cut into steps that the wood takes, with dates, and arrives', () => {
    const plan = movingPlan({ rh: 0.65, tempC: 20 }, { rh: 0.3, tempC: 21 }, 0);
    expect(plan.steps.length).toBeGreaterThan(3);
    expect(plan.steps.at(-1)!.rh).toBeCloseTo(0.3, 3);
    expect(plan.steps.every(({ fromMs, toMs }) => toMs - fromMs >= 14 * DAY_MS)).toBe(true);
    const moistures = [plan.fromMoisture, ...plan.steps.map(({ moisture }) => moisture)];
    for (const [index, moisture] of moistures.entries()) {
      if (index > 0) expect(moistures[index - 1]! - moisture).toBeLessThan(0.01);
    }
    expect(plan.doneMs).toBe(plan.steps.at(-1)!.toMs);
  });

  test('a small one needs nothing', () => {
    expect(movingPlan({ rh: 0.5, tempC: 20 }, { rh: 0.47, tempC: 21 }, 0).steps).toEqual([]);
    expect(restHumidity(equilibriumMoisture(0.47, 21), 21)).toBeCloseTo(0.47, 6);
  });
});
