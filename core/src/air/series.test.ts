import fc from 'fast-check';
import { DAY_MS, HOUR_MS, localDay, startOfLocalDay } from '../time';
import { unpackDay, unpackHour, unpackSlot, unpackWeather } from './packed';
import { saltHumidity, type SaltCheck } from './salts';
import {
  correctedSeries,
  emptySums,
  levelOfDays,
  packDays,
  packRecord,
  packSeries,
  seasonalLevel,
  together,
  type SummedSeries,
  type TrueSeries,
} from './series';

const FIRST = Math.floor(Date.UTC(2025, 5, 1) / HOUR_MS);

/** Sums of hours with these readings each, in hundredths; an empty hour has none. */
function sums(
  hours: readonly (readonly number[])[],
  temps: readonly (number | null)[] = [],
  from = FIRST,
): SummedSeries {
  const made = emptySums(from, hours.length);
  hours.forEach((readings, at) => {
    made.n[at] = readings.length;
    made.rhSum[at] = readings.reduce((sum, each) => sum + each, 0);
    made.low[at] = readings.length > 0 ? Math.min(...readings) : 0;
    made.high[at] = readings.length > 0 ? Math.max(...readings) : 0;
    const temp = temps[at] ?? null;
    made.tempN[at] = temp === null ? 0 : 2;
    made.tempSum[at] = temp === null ? 0 : 2 * temp;
  });
  return made;
}
const steady = (count: number, rh: number, from = FIRST) =>
  correctedSeries(
    sums(
      Array.from({ length: count }, () => [rh]),
      [],
      from,
    ),
    [],
  );

describe('a sensor’s hours', () => {
  it('without a check are its readings’ mean, lowest and highest', () => {
    const series = correctedSeries(sums([[4000, 5000, 4500], [], [6000]], [2050, null, null]), []);
    expect([...series.known]).toEqual([1, 0, 1]);
    expect([series.rh[0], series.low[0], series.high[0], series.tempC[0]]).toEqual([4500, 4000, 5000, 2050]);
    expect(series.rh[2]).toBe(6000);
    expect(series.tempC[2]).toBeNaN();
  });

  it('are put right by the check of their time; correcting the sum is correcting each reading', () => {
    // It shows two points less than the air over the salt has.
    const check: SaltCheck = {
      at: (FIRST + 2) * HOUR_MS,
      salt: 'sodium-chloride',
      tempC: 20,
      shownRh: saltHumidity('sodium-chloride', 20) - 0.02,
    };
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1000, max: 9000 }), { minLength: 1, maxLength: 6 }), (readings) => {
        const series = correctedSeries(sums([readings, readings, readings, readings]), [check]);
        const mean = readings.reduce((sum, each) => sum + each, 0) / readings.length;
        expect(series.rh[3]).toBeCloseTo(mean + 200, 6);
        expect(series.low[3]).toBeCloseTo(Math.min(...readings) + 200, 6);
        expect(series.high[3]).toBeCloseTo(Math.max(...readings) + 200, 6);
      }),
    );
  });

  it('stay between nothing and full', () => {
    const check: SaltCheck = {
      at: FIRST * HOUR_MS,
      salt: 'sodium-chloride',
      tempC: 20,
      shownRh: saltHumidity('sodium-chloride', 20) - 0.1,
    };
    const series = correctedSeries(sums([[9500], [0]]), [check]);
    expect(series.rh[0]).toBe(10_000);
    expect(series.high[0]).toBe(10_000);
    expect(series.rh[1]).toBeCloseTo(1000, 6);
  });
});

describe('several sensors of a place', () => {
  it('are one: the mean of their means, the lowest and the highest of all', () => {
    const one = correctedSeries(sums([[4000, 4200], []], [2000]), []);
    const other = correctedSeries(sums([[5000], [6000]], [null, 1800]), []);
    const all = together([one, other], FIRST, 2);
    expect([...all.rh]).toEqual([4550, 6000]);
    expect([...all.low]).toEqual([4000, 6000]);
    expect([...all.high]).toEqual([5000, 6000]);
    expect([...all.tempC]).toEqual([2000, 1800]);
    expect([...all.known]).toEqual([1, 1]);
  });

  it('each stands at its own time; what lies outside the stretch is left out', () => {
    const early = steady(3, 4000, FIRST - 2);
    const late = steady(3, 6000, FIRST + 1);
    const all = together([early, late], FIRST, 2);
    expect([...all.known]).toEqual([1, 1]);
    expect([...all.rh]).toEqual([4000, 6000]);
    expect([...together([], FIRST, 2).known]).toEqual([0, 0]);
  });

  it('in whatever order they are taken', () => {
    const hour = fc.array(fc.integer({ min: 0, max: 10_000 }), { maxLength: 3 });
    fc.assert(
      fc.property(fc.array(fc.array(hour, { minLength: 3, maxLength: 3 }), { maxLength: 4 }), (sensors) => {
        const made = sensors.map((hours) => correctedSeries(sums(hours), []));
        const [there, back] = [together(made, FIRST, 3), together([...made].reverse(), FIRST, 3)];
        for (let at = 0; at < 3; at++) {
          expect(there.rh[at]).toBeCloseTo(back.rh[at]!, 6);
          expect([there.low[at], there.high[at], there.known[at]]).toEqual([
            back.low[at],
            back.high[at],
            back.known[at],
          ]);
        }
      }),
    );
  });
});

describe('packed', () => {
  it('hours with readings only, from one on, and the same again when unpacked', () => {
    const series = correctedSeries(sums([[4000], [], [4512, 4514], [6000]], [2050, null, null, -310]), []);
    const rows = packSeries(series);
    expect(rows).toEqual([
      [FIRST, 4000, 4000, 4000, 2050],
      [FIRST + 2, 4513, 4512, 4514, null],
      [FIRST + 3, 6000, 6000, 6000, -310],
    ]);
    expect(packSeries(series, FIRST + 2)).toEqual(rows.slice(1));
    expect(packSeries(series, FIRST + 9)).toEqual([]);
    expect(unpackHour(rows[2]!)).toEqual({ at: (FIRST + 3) * HOUR_MS, rh: 0.6, low: 0.6, high: 0.6, tempC: -3.1 });
    expect(unpackHour(rows[1]!).tempC).toBeNull();
  });

  it('a stretch of a day, a day and an hour of weather begin where they say', () => {
    expect(unpackSlot([1_750_000_000, 4500, 4400, 4600, 2000])).toEqual({
      at: 1_750_000_000_000,
      rh: 0.45,
      low: 0.44,
      high: 0.46,
      tempC: 20,
    });
    const day = unpackDay([20_240, 24, 4500, 4000, 5000, null], 'Europe/Lisbon');
    expect(day).toMatchObject({ day: 20_240, hours: 24, rh: 0.45, low: 0.4, high: 0.5, tempC: null });
    expect(localDay(day.at, 'Europe/Lisbon')).toBe(20_240);
    expect(localDay(day.at - 1, 'Europe/Lisbon')).toBe(20_239);
    expect(unpackWeather([FIRST, -250, 8000])).toEqual({ at: FIRST * HOUR_MS, tempC: -2.5, rh: 0.8 });
  });

  it('days are those on the wall, on the days the clocks change, too', () => {
    const zone = 'Europe/Lisbon';
    // Clocks go forward on 30 March 2025 and back on 26 October (European Union rules).
    for (const [date, hours] of [
      ['2025-03-30', 23],
      ['2025-10-26', 25],
      ['2025-06-15', 24],
    ] as const) {
      const day = localDay(Date.parse(`${date}T12:00:00Z`), zone);
      const from = Math.floor(startOfLocalDay(day - 1, zone) / HOUR_MS);
      const rows = packDays(steady(24 * 4, 5000, from), zone);
      expect(rows.find(([each]) => each === day)![1]).toBe(hours);
    }
  });

  it('a day tells its mean over hours, its lowest and highest, and leaves out what nobody read', () => {
    const hours = Array.from({ length: 48 }, (_, at) => (at >= 24 ? [] : at === 5 ? [3000, 9000] : [5000]));
    const rows = packDays(correctedSeries(sums(hours, [2000]), []), 'UTC');
    expect(rows).toEqual([[FIRST / 24, 24, Math.round((23 * 5000 + 6000) / 24), 3000, 9000, 2000]]);
    expect(packDays(correctedSeries(sums([]), []), 'UTC')).toEqual([]);
  });

  it('every hour with a reading is in just one day', () => {
    const zones = fc.constantFrom('UTC', 'Asia/Kathmandu', 'America/St_Johns', 'Pacific/Chatham');
    fc.assert(
      fc.property(zones, fc.array(fc.boolean(), { minLength: 1, maxLength: 200 }), (zone, read) => {
        const series = correctedSeries(sums(read.map((each) => (each ? [5000] : []))), []);
        const counted = packDays(series, zone).reduce((sum, [, hours]) => sum + hours, 0);
        expect(counted).toBe(read.filter(Boolean).length);
      }),
    );
  });
});

describe('what a device keeps', () => {
  it('is nothing where nothing was read', () => {
    expect(packRecord(correctedSeries(sums([[], []]), []), 'UTC', 0)).toBeNull();
    expect(seasonalLevel(correctedSeries(sums([[], []]), []))).toBeNull();
  });

  it('is every day, and the hours of the last six weeks and a half', () => {
    const record = packRecord(steady(24 * 100, 5000), 'UTC', 0)!;
    expect(record.days).toHaveLength(100);
    expect(record.hours).toHaveLength(45 * 24);
    expect(record.hours.at(-1)![0]).toBe(FIRST + 24 * 100 - 1);
    expect(record.steady).toMatchObject({ level: expect.closeTo(0.5, 9) as number });
  });

  it('of a single reading it is that hour', () => {
    expect(packRecord(correctedSeries(sums([[4500]]), []), 'UTC', 0)!.hours).toHaveLength(1);
    expect(packRecord(correctedSeries(sums([[4500], []]), []), 'UTC', 0)!.days).toHaveLength(1);
  });

  it('of news it is the days and hours they reach into; the level rests on the whole record and is not told', () => {
    const since = FIRST + 24 * 98 + 7;
    const news = packRecord(steady(24 * 100, 5000), 'UTC', since)!;
    expect(news.days.map(([day]) => day)).toEqual([FIRST / 24 + 98, FIRST / 24 + 99]);
    expect(news.hours[0]![0]).toBe(since);
    expect(news.steady).toBeNull();
  });
});

describe('the seasonal level', () => {
  it('of steady air is that air, each day', () => {
    const series = steady(24 * 40, 4800);
    const season = seasonalLevel(series)!;
    expect(season.at).toHaveLength(24 * 40);
    expect(season.now.level).toBeCloseTo(0.48, 9);
    expect(season.now.low).toBeLessThan(0.48);
    expect(season.now.high).toBeGreaterThan(0.48);
    const levels = levelOfDays(season, packDays(series, 'UTC'), 'UTC');
    expect(levels).toHaveLength(40);
    expect(new Set(levels)).toEqual(new Set([4800]));
  });

  it('is told by the hour nearest to noon', () => {
    const at = [0, 11, 12, 13, 36].map((hour) => hour * HOUR_MS);
    const season = {
      at,
      level: Float64Array.from([0.1, 0.2, 0.3, 0.4, 0.5]),
      now: seasonalLevel(steady(5, 5000))!.now,
    };
    expect(
      levelOfDays(
        season,
        [
          [0, 4, 0, 0, 0, null],
          [1, 1, 0, 0, 0, null],
        ],
        'UTC',
      ),
    ).toEqual([3000, 5000]);
    // Past the end of the record its last hour stands.
    expect(levelOfDays(season, [[9, 1, 0, 0, 0, null]], 'UTC')).toEqual([5000]);
  });
});

test('an hour is a stretch unless said otherwise', () => {
  const tens: SummedSeries = { ...emptySums(0, 1, DAY_MS / 144) };
  expect(emptySums(0, 1).stepMs).toBe(HOUR_MS);
  expect(tens.stepMs).toBe(600_000);
  const series: TrueSeries = together([], 0, 1, tens.stepMs);
  expect(series.stepMs).toBe(600_000);
});
