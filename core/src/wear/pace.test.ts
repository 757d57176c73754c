import fc from 'fast-check';
import {
  paceFrom,
  pauseAfter,
  pausedIn,
  projectedHours,
  restOfPause,
  shareAhead,
  STARTING_HOURS_PER_DAY,
  USUAL_SHARE,
  type Pace,
} from '.';
import { HABIT_HOURS, HABITS, type Habit } from '../instruments';
import { foldLog, type LogEvent } from '../log/index';
import { DAY_MS, HOUR_MS } from '../time/index';
import { mulberry32 } from '../testing/dice';
import { dailySessions, scribe } from '../testing/events';

const paceOf = (events: readonly LogEvent[], now: string, observedFrom: string, said: Habit | null = null) =>
  paceFrom(foldLog(events, Date.parse(now), 'UTC'), {
    observedFrom: Date.parse(observedFrom),
    said,
    since: null,
    away: [],
  });

/** Hours a day while playing goes on. */
const whileOn = ({ hoursOn }: Pace) => hoursOn.reduce((sum, hours) => sum + hours) / 7;

test('a new player starts from the stated default, and is known to be unknown', () => {
  const pace = paceOf([], '2026-05-01T12:00:00.000Z', '2026-05-01T10:00:00.000Z');
  expect(pace.hoursPerDay).toBeCloseTo(STARTING_HOURS_PER_DAY, 9);
  expect(whileOn(pace)).toBeCloseTo(STARTING_HOURS_PER_DAY / USUAL_SHARE, 9);
  expect(pace.daysObserved).toBe(0);
  expect(pace.logSd).toBeCloseTo(Math.hypot(0.1, 0.8), 9);
  expect(pace.pause).toBeNull();
});

test.each(HABITS)('who says “%s” starts from that, and is known better than who does not know', (said) => {
  const pace = paceOf([], '2026-05-01T12:00:00.000Z', '2026-05-01T10:00:00.000Z', said);
  expect(pace.hoursPerDay).toBeCloseTo(HABIT_HOURS[said], 9);
  expect(pace.startedFrom).toBe(HABIT_HOURS[said]);
  expect(pace.logSd).toBeLessThan(0.4);
  expect(pace.before.hoursPerDay).toBeCloseTo(HABIT_HOURS[said], 9);
});

test('a steady player is found out within weeks, and the default fades away', () => {
  const weeks = (count: number) =>
    paceOf(
      dailySessions('2026-01-01', 7 * count, 2),
      new Date(Date.UTC(2026, 0, 1 + 7 * count, 9)).toISOString(),
      '2026-01-01T09:00:00.000Z',
    );
  expect(weeks(2).hoursPerDay).toBeGreaterThan(1.3);
  expect(weeks(8).hoursPerDay).toBeGreaterThan(1.7);
  expect(whileOn(weeks(52))).toBeGreaterThan(1.9);
  expect(whileOn(weeks(52))).toBeLessThan(2.05);
  // What pauses may still come takes a little of it.
  expect(weeks(52).hoursPerDay).toBeGreaterThan(1.8);
  expect(weeks(52).logSd).toBeLessThan(0.13);
  expect(weeks(2).daysObserved).toBe(14);
});

describe('pauses', () => {
  const played = (days: number) => dailySessions('2026-01-01', days, 1);
  const on = (day: number, events: readonly LogEvent[]) =>
    paceOf(events, new Date(Date.UTC(2026, 0, 1 + day, 12)).toISOString(), '2026-01-01T09:00:00.000Z');

  test('two months without any are a pause, not a player who plays a third as much', () => {
    const before = on(60, played(60));
    const paused = on(120, played(60));
    expect(paused.pause!.chance).toBeGreaterThan(0.99);
    expect(paused.pause!.days).toBeGreaterThan(55);
    expect(whileOn(paused) / whileOn(before)).toBeGreaterThan(0.9);
  });

  test('who plays on Saturdays is not paused on a Friday', () => {
    const { session } = scribe();
    const saturdays = Array.from({ length: 26 }, (_, week) => session(Date.UTC(2026, 0, 3 + 7 * week, 10), 3)).flat();
    expect(paceOf(saturdays, '2026-07-03T12:00:00.000Z', '2026-01-01T09:00:00.000Z').pause!.chance).toBeLessThan(0.15);
  });

  test('who plays today is not paused', () => {
    const { session } = scribe('00000000-0000-4000-8000-0000000000fe');
    const again = JSON.parse(
      JSON.stringify(session(Date.UTC(2026, 0, 101, 8), 1)).replaceAll('-8000-', '-9000-'),
    ) as LogEvent[];
    expect(on(100, [...played(60), ...again]).pause).toBeNull();
  });

  test('a gap is a pause the more surely the longer it is and the oftener the player plays', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 200 }), fc.double({ min: 0.1, max: 0.95, noNaN: true }), (gap, plays) => {
        const { chance, days, paused } = pauseAfter(gap, plays);
        expect(chance).toBeGreaterThan(0);
        expect(chance).toBeLessThanOrEqual(1);
        expect(days).toBeLessThanOrEqual(gap);
        expect(paused).toBeLessThanOrEqual(gap + 1e-9);
        expect(pausedIn(gap, plays)).toBeLessThanOrEqual(gap);
        expect(pauseAfter(gap + 30, plays).chance).toBeGreaterThan(chance - 1e-9);
        expect(pauseAfter(gap, plays * 0.5).chance).toBeLessThan(chance + 1e-9);
      }),
    );
  });

  test('the longer one has lasted, the longer it will', () => {
    expect(restOfPause(0, 0.5)).toBeCloseTo(40 * (2 ** (1 / 3) - 1), 9);
    expect(restOfPause(60, 0.5)).toBeGreaterThan(2 * restOfPause(0, 0.5));
  });

  test('what a stretch holds of playing agrees with a regime drawn by the day', () => {
    const uniform = mulberry32(11);
    const days = [30, 90, 365];
    const sums = days.map(() => [0, 0]);
    const runs = 4000;
    for (let run = 0; run < runs; run++) {
      let [at, on, total] = [0, true, 0];
      const played: number[] = [];
      while (played.length < days.length) {
        const lasts = on ? -120 * Math.log(1 - uniform()) : 40 * ((1 - uniform()) ** (-1 / 3) - 1);
        while (played.length < days.length && days[played.length]! <= at + lasts)
          played.push(total + (on ? days[played.length]! - at : 0));
        [at, total, on] = [at + lasts, total + (on ? lasts : 0), !on];
      }
      played.forEach((each, stretch) => {
        const share = each / days[stretch]!;
        sums[stretch]![0]! += share / runs;
        sums[stretch]![1]! += share ** 2 / runs;
      });
    }
    days.forEach((stretch, at) => {
      const [mean, square] = sums[at]! as [number, number];
      const ahead = shareAhead(USUAL_SHARE, stretch);
      expect(Math.abs(ahead.share - mean)).toBeLessThan(0.015);
      expect(Math.abs(ahead.sd - Math.sqrt(square - mean ** 2))).toBeLessThan(0.02);
    });
  });
});

test('weekdays keep their own share', () => {
  const { session } = scribe();
  // Saturdays only, three hours, for half a year.
  const saturdays = Array.from({ length: 26 }, (_, week) => session(Date.UTC(2026, 0, 3 + 7 * week, 10), 3)).flat();
  const pace = paceOf(saturdays, '2026-07-06T09:00:00.000Z', '2026-01-01T09:00:00.000Z');
  expect(pace.hoursPerDay * 7).toBeCloseTo(3, 0);
  expect(pace.hoursOn[5]).toBeGreaterThan(2);
  expect(Math.max(...pace.hoursOn.filter((_, weekday) => weekday !== 5))).toBeLessThan(0.25);
  expect(whileOn(pace) * pace.share).toBeCloseTo(pace.hoursPerDay, 9);
});

test('a changed habit is followed within a term', () => {
  const before = dailySessions('2026-01-01', 100, 0.5);
  const { session } = scribe('00000000-0000-4000-8000-0000000000ff');
  const after = Array.from({ length: 84 }, (_, day) => session(Date.UTC(2026, 3, 11 + day, 18), 2))
    .flat()
    .map((event) => ({ ...event, id: event.id.replace('8000', '9000') }))
    .map((event) =>
      'sessionId' in event.payload
        ? { ...event, payload: { sessionId: event.payload.sessionId.replace('8000', '9000') } }
        : event,
    ) as LogEvent[];
  const pace = paceOf([...before, ...after], '2026-07-04T09:00:00.000Z', '2026-01-01T09:00:00.000Z');
  expect(whileOn(pace)).toBeGreaterThan(1.6);
});

test('today does not count until it is over', () => {
  const morning = paceOf(dailySessions('2026-01-01', 60, 1), '2026-03-02T09:00:00.000Z', '2026-01-01T09:00:00.000Z');
  const evening = paceOf(dailySessions('2026-01-01', 61, 1), '2026-03-02T23:00:00.000Z', '2026-01-01T09:00:00.000Z');
  expect(evening.hoursPerDay).toBe(morning.hoursPerDay);
});

test('projection adds up: two stretches make one, and a week holds a week', () => {
  const pace = {
    ...paceOf([], '2026-05-01T12:00:00.000Z', '2026-05-01T10:00:00.000Z'),
    hoursOn: [1, 0, 2, 0.5, 0, 3, 0.25],
  };
  const from = Date.UTC(2026, 4, 4);
  const hours = (to: number, start = from) => projectedHours(pace, start, to, 'UTC');
  expect(hours(from + 7 * DAY_MS)).toBeCloseTo(6.75, 9);
  expect(hours(from + DAY_MS)).toBeCloseTo(1, 9);
  expect(hours(from - DAY_MS)).toBe(0);
  fc.assert(
    fc.property(fc.nat(400), fc.nat(400), (a, b) => {
      const middle = from + a * DAY_MS;
      const end = middle + b * DAY_MS;
      expect(hours(middle) + hours(end, middle)).toBeCloseTo(hours(end), 6);
    }),
  );
  expect(hours(from + DAY_MS + 6 * HOUR_MS)).toBeCloseTo(1, 9);
});
