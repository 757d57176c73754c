import { TZDate } from '@date-fns/tz';
import fc from 'fast-check';
import { clocksAnew, DAY_MS, HOUR_MS, isTimeZone, localDay, offsetMs, startOfLocalDay, takeClocks, weekdayOf } from '.';

const ZONES = [
  'UTC',
  'Europe/Lisbon',
  'America/New_York',
  'Asia/Kathmandu',
  'Africa/Casablanca',
  'Australia/Lord_Howe',
  'America/Sao_Paulo',
  'Pacific/Apia',
];
const instants = fc.integer({ min: Date.UTC(1990, 0, 1), max: Date.UTC(2060, 0, 1) });
const zones = fc.constantFrom(...ZONES);

/** The calendar day as another library reads it off the wall. */
function wallDay(ms: number, zone: string): number {
  const wall = new TZDate(ms, zone);
  return Math.round(Date.UTC(wall.getFullYear(), wall.getMonth(), wall.getDate()) / DAY_MS);
}

test('the calendar day is the one on the wall, in every zone and season', () => {
  // Against the wall-clock fields of @date-fns/tz, which reads the runtime's own zone data.
  fc.assert(
    fc.property(instants, zones, (ms, zone) => localDay(ms, zone) === wallDay(ms, zone)),
    { numRuns: 2000 },
  );
});

test('a day begins at its first instant', () => {
  fc.assert(
    fc.property(instants, zones, (ms, zone) => {
      const day = localDay(ms, zone);
      const start = startOfLocalDay(day, zone);
      return localDay(start, zone) === day && localDay(start - 1, zone) === day - 1;
    }),
    { numRuns: 1000, examples: [[Date.UTC(2018, 10, 4, 12), 'America/Sao_Paulo']] },
  );
});

test('the days on which clocks change are 23 and 25 hours long', () => {
  // Published: European Union summer time begins on the last Sunday of March and ends on the last Sunday of October.
  const length = (day: number) =>
    (startOfLocalDay(day + 1, 'Europe/Lisbon') - startOfLocalDay(day, 'Europe/Lisbon')) / HOUR_MS;
  expect(length(Date.UTC(2026, 2, 29) / DAY_MS)).toBe(23);
  expect(length(Date.UTC(2026, 9, 25) / DAY_MS)).toBe(25);
  expect(length(Date.UTC(2026, 9, 26) / DAY_MS)).toBe(24);
});

test('the clocks change at the minute at which they do', () => {
  // Against @date-fns/tz, around the nights from the last Saturday of March and of October on, when most of these do.
  const nights = fc
    .record({
      year: fc.integer({ min: 1995, max: 2035 }),
      month: fc.constantFrom(2, 3, 9, 10),
      minutes: fc.nat(14 * 24 * 60),
    })
    .map(({ year, month, minutes }) => Date.UTC(year, month, 24) + minutes * 60_000);
  fc.assert(
    fc.property(nights, zones, (ms, zone) => offsetMs(ms, zone) === -new TZDate(ms, zone).getTimezoneOffset() * 60_000),
    { numRuns: 4000 },
  );
  const change = Date.UTC(2026, 2, 29, 1);
  expect([change - 1, change].map((ms) => offsetMs(ms, 'Europe/Lisbon'))).toEqual([0, HOUR_MS]);
});

test('offsets and weekdays', () => {
  expect(offsetMs(Date.UTC(2026, 6, 1), 'Europe/Lisbon')).toBe(HOUR_MS);
  expect(offsetMs(Date.UTC(2026, 0, 1), 'Asia/Kathmandu')).toBe(5.75 * HOUR_MS);
  expect(weekdayOf(0)).toBe(3);
  fc.assert(
    fc.property(
      fc.integer({ min: -40000, max: 40000 }),
      (day) => weekdayOf(day) === (new Date(day * DAY_MS).getUTCDay() + 6) % 7,
    ),
  );
});

test('unknown zones are told from known ones', () => {
  expect(isTimeZone('Europe/Lisbon')).toBe(true);
  expect(isTimeZone('Harbour/Quayside')).toBe(false);
  expect(isTimeZone('')).toBe(false);
  // Names of old and of now, and those of the tz database that are no cities.
  for (const name of ['Europe/Kiev', 'America/Argentina/Buenos_Aires', 'Etc/GMT+5', 'UTC'])
    expect(isTimeZone(name)).toBe(true);
  for (const none of ['+01:00', 'x+01:00', '9999-12-31', '-05', ' UTC', 'UTC ', 'Europe/Lisbon\u0000', 'a'.repeat(60)])
    expect(isTimeZone(none)).toBe(false);
});

describe('what is known of a zone’s clocks', () => {
  test('is taken as it was kept, and says the same of every instant', () => {
    // Against the wall-clock fields of @date-fns/tz.
    fc.assert(
      fc.property(fc.array(instants, { minLength: 1, maxLength: 20 }), zones, (moments, zone) => {
        for (const ms of moments) localDay(ms, zone);
        takeClocks(JSON.parse(JSON.stringify(clocksAnew(moments[0]!, zone))) as ReturnType<typeof clocksAnew>);
        return moments.every((ms) => localDay(ms, zone) === wallDay(ms, zone));
      }),
      { numRuns: 50 },
    );
  });

  test('is not asked for again once it was taken, until it is asked for anew', () => {
    const zone = 'Atlantic/Azores';
    const summer = Date.UTC(2026, 6, 1);
    expect(offsetMs(summer, zone)).toBe(0);
    const kept = clocksAnew(summer, zone);
    takeClocks({ ...kept, offsets: kept.offsets.map(([week]) => [week, 5 * HOUR_MS]) });
    for (const days of [0, 7, 14]) expect(offsetMs(summer + days * DAY_MS, zone)).toBe(5 * HOUR_MS);
    expect(clocksAnew(summer, zone)).toEqual(kept);
    expect(offsetMs(summer, zone)).toBe(0);
  });

  test('a change of the clocks is kept with it', () => {
    const zone = 'Europe/Lisbon';
    // Published: European Union summer time ended on 25 October 2026 at 01:00 UTC.
    const change = Date.UTC(2026, 9, 25, 1);
    offsetMs(change, zone);
    const { changes } = clocksAnew(change, zone);
    expect(changes.map(([, ms]) => ms)).toContain(change);
  });
});
