import fc from 'fast-check';
import { paceFrom, projectedHours, STARTING_HOURS_PER_DAY } from '.';
import { foldLog, type LogEvent } from '../log/index';
import { DAY_MS, HOUR_MS } from '../time/index';
import { dailySessions, scribe } from '../testing/events';

const paceOf = (events: readonly LogEvent[], now: string, observedFrom: string, zone = 'UTC') =>
  paceFrom(foldLog(events, Date.parse(now), zone), Date.parse(observedFrom));

test('a new player starts from the stated default, and is known to be unknown', () => {
  const pace = paceOf([], '2026-05-01T12:00:00.000Z', '2026-05-01T10:00:00.000Z');
  expect(pace.hoursPerDay).toBe(STARTING_HOURS_PER_DAY);
  expect(pace.hoursOn).toEqual(new Array(7).fill(STARTING_HOURS_PER_DAY));
  expect(pace.daysObserved).toBe(0);
  expect(pace.logSd).toBeCloseTo(Math.hypot(0.1, 0.5), 9);
});

test('a steady player is found out within weeks, and the default fades away', () => {
  const weeks = (count: number) =>
    paceOf(
      dailySessions('2026-01-01', 7 * count, 2),
      new Date(Date.UTC(2026, 0, 1 + 7 * count, 9)).toISOString(),
      '2026-01-01T09:00:00.000Z',
    );
  expect(weeks(2).hoursPerDay).toBeGreaterThan(1.2);
  expect(weeks(8).hoursPerDay).toBeGreaterThan(1.8);
  expect(weeks(52).hoursPerDay).toBeCloseTo(2, 1);
  expect(weeks(52).logSd).toBeLessThan(0.13);
  expect(weeks(2).daysObserved).toBe(14);
});

test('weekdays keep their own share', () => {
  const { session } = scribe();
  // Saturdays only, three hours, for half a year.
  const saturdays = Array.from({ length: 26 }, (_, week) => session(Date.UTC(2026, 0, 3 + 7 * week, 10), 3)).flat();
  const pace = paceOf(saturdays, '2026-07-06T09:00:00.000Z', '2026-01-01T09:00:00.000Z');
  expect(pace.hoursPerDay * 7).toBeCloseTo(3, 0);
  expect(pace.hoursOn[5]).toBeGreaterThan(2);
  expect(Math.max(...pace.hoursOn.filter((_, weekday) => weekday !== 5))).toBeLessThan(0.25);
  expect(pace.hoursOn.reduce((sum, hours) => sum + hours) / 7).toBeCloseTo(pace.hoursPerDay, 9);
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
  expect(
    paceOf([...before, ...after], '2026-07-04T09:00:00.000Z', '2026-01-01T09:00:00.000Z').hoursPerDay,
  ).toBeGreaterThan(1.6);
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
