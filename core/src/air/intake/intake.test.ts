import fc from 'fast-check';
import {
  guessOrder,
  guessPlan,
  lineReader,
  planGaps,
  readingOf,
  readingsOf,
  senmlPackSchema,
  type ColumnPlan,
} from '.';
import { wallInstant } from '../../time';
import { celsiusOf, fahrenheitOf } from '../../units';
import { guessDelimiter, LONGEST_CELL, numberIn } from '../../tables';

const NOW = Date.parse('2026-11-20T12:00:00.000Z');

test.each([
  [{ percent: -3 }, 'rh-negative'],
  [{ percent: 101.5 }, 'rh-above-100'],
  [{ percent: 0.45 }, 'rh-fraction'],
  [{ percent: NaN }, 'no-number'],
  [{ percent: 45, tempC: 212 }, 'temp-out-of-range'],
  [{ percent: 45, lowPercent: 50 }, 'low-above-high'],
  [{ percent: 45, highPercent: 40 }, 'low-above-high'],
  [{ percent: 45, at: NOW + 3_600_000 }, 'in-the-future'],
  [{ percent: 45, at: 0 }, 'clock-not-set'],
])('a reading of %j is refused: %s', (given, fault) => {
  expect(readingOf({ at: NOW, ...given }, NOW)).toBe(fault);
});

test('a reading is kept in whole seconds and hundredths', () => {
  expect(readingOf({ at: NOW + 500, percent: 45.126, tempC: -0.004, lowPercent: 41, highPercent: 52.5 }, NOW)).toEqual({
    atS: NOW / 1000,
    rhHundredths: 4513,
    tempHundredths: -0,
    lowHundredths: 4100,
    highHundredths: 5250,
  });
});

test('degrees turn into each other and back', () => {
  expect(celsiusOf(212)).toBe(100);
  expect(fahrenheitOf(-40)).toBe(-40);
});

test('separators are told by the lines they cut alike', () => {
  expect(guessDelimiter(['a;b;c', '1,5;2;3', '1,7;2;3'])).toBe(';');
  expect(guessDelimiter(['a,b', '1,2'])).toBe(',');
  expect(guessDelimiter(['only one column'])).toBeNull();
});

test('numbers with a comma or a unit are numbers', () => {
  expect([numberIn('45,5'), numberIn(' 45.5 %'), numberIn('21 °C'), numberIn('-3')]).toEqual([45.5, 45.5, 21, -3]);
  expect([numberIn('dry'), numberIn(''), numberIn('1.2.3'), numberIn(undefined)]).toEqual([NaN, NaN, NaN, NaN]);
});

test('the order of dates is told where it can be, and asked where it cannot', () => {
  expect(guessOrder(['13.03.2026 10:00', '01.03.2026 11:00'])).toBe('dmy');
  expect(guessOrder(['03/14/2026', '03/01/2026'])).toBe('mdy');
  expect(guessOrder(['2026-03-04 10:00'])).toBe('ymd');
  expect(guessOrder(['2026-03-04T10:00:00Z'])).toBe('iso');
  expect(guessOrder(['1770000000'])).toBe('epoch');
  expect(guessOrder(['03/04/2026', '05/06/2026'])).toBeNull();
});

test('columns are matched by their heads and what stands in them', () => {
  const rows = [
    ['Logger 7', '', ''],
    ['Date', 'Time', 'Temperature (°F)', 'Humidity %'],
    ['14/03/2026', '18:05', '70.1', '45.5'],
    ['15/03/2026', '18:05', '70.3', '45.1'],
  ];
  const plan = guessPlan(rows);
  expect(plan).toEqual({ skip: 2, date: 0, clock: 1, rh: 3, temp: 2, order: 'dmy', tempUnit: 'F', rhUnit: 'percent' });
  expect(planGaps(plan)).toEqual([]);
  expect(planGaps(guessPlan([['03/04/2026 10:00', '44', '20']]))).toEqual(['rh', 'order', 'rhUnit']);
  expect(
    guessPlan([
      ['time', 'rh'],
      ['2026-03-04 10:00', '0.45'],
    ]).rhUnit,
  ).toBe('fraction');
});

test('the unit of temperatures is told by their head, else by what only one of them can be, else asked', () => {
  const unit = (head: string, ...values: string[]) =>
    guessPlan([['date', head, 'humidity'], ...values.map((value) => ['2026-03-04 10:00', value, '45'])]).tempUnit;
  for (const head of ['Temp °F', 'temp (f)', 'Temperature ° F', 'temp fahrenheit'])
    expect([head, unit(head, '20')]).toEqual([head, 'F']);
  for (const head of ['Temp °C', 'temp (c)', 'Temperature ° C', 'temp celsius'])
    expect([head, unit(head, '70')]).toEqual([head, 'C']);
  // A head that has the letter in a word says nothing.
  expect([unit('temp of case', '20'), unit('temp attic', '20')]).toEqual([null, null]);
  expect([unit('temp', '20', '46'), unit('temp', '20', '45')]).toEqual(['F', null]);
  expect(
    planGaps(
      guessPlan([
        ['date', 'temp', 'humidity'],
        ['2026-03-04 10:00', '20', '45'],
      ]),
    ),
  ).toEqual(['tempUnit']);
});

test('a column of humidities up to one is taken for fractions', () => {
  const unit = (...values: string[]) =>
    guessPlan([['date', 'rh'], ...values.map((value) => ['2026-03-04 10:00', value])]).rhUnit;
  expect([unit('0.4', '1'), unit('0.4', '1.1'), unit('45', '1')]).toEqual(['fraction', 'percent', 'percent']);
});

describe('lines of a logger', () => {
  const plan: ColumnPlan = {
    skip: 0,
    date: 0,
    clock: null,
    rh: 1,
    temp: 2,
    order: 'dmy',
    tempUnit: 'C',
    rhUnit: 'percent',
  };
  const read = (cells: string[], changes: Partial<ColumnPlan> = {}, zone = 'UTC') =>
    lineReader({ ...plan, ...changes }, zone, NOW)(cells);

  test('are read in the order, unit and place said', () => {
    const atS = Date.UTC(2026, 2, 4, 18, 5) / 1000;
    expect(read(['04.03.2026 18:05', '45,5', '21,0'])).toMatchObject({ atS, rhHundredths: 4550, tempHundredths: 2100 });
    expect(read(['3/4/26 6:05 PM', '45.5', '70'], { order: 'mdy', tempUnit: 'F' })).toMatchObject({
      atS,
      tempHundredths: 2111,
    });
    expect(read(['2026-03-04T19:05:00+01:00', '0.455', ''], { order: 'iso', rhUnit: 'fraction' })).toMatchObject({
      atS,
      rhHundredths: 4550,
      tempHundredths: null,
    });
    expect(read(['04.03.2026 18:05', '45.5', '21'], {}, 'Europe/Lisbon')).toMatchObject({ atS });
    expect(read([String(atS), '45', ''], { order: 'epoch' })).toMatchObject({ atS });
  });

  test('say what is wrong with them', () => {
    expect(read(['31.02.2026 10:00', '45', '20'])).toBe('no-date');
    expect(read(['yesterday', '45', '20'])).toBe('no-date');
    expect(read(['04.03.2026 10:00'])).toBe('too-few-columns');
    expect(read(['04.03.2026 10:00', 'ERR', '20'])).toBe('no-number');
    expect(read(['04.03.2026 10:00', '101.5', '20'])).toBe('rh-above-100');
    expect(read(['04.03.2027 10:00', '45', '20'])).toBe('in-the-future');
  });

  test('times may have seconds, or be of half a day; what is no time of day is no date', () => {
    const timeOf = (time: string) => {
      const reading = read([`04.03.2026 ${time}`, '45', '20']);
      return typeof reading === 'string' ? reading : new Date(reading.atS * 1000).toISOString().slice(11, 19);
    };
    expect(['', '23:59', '7:05', '18:05:09', '00:00:60'].map(timeOf)).toEqual([
      '00:00:00',
      '23:59:00',
      '07:05:00',
      '18:05:09',
      '00:01:00',
    ]);
    expect(['12:05 am', '12:05 p.m.', '1:05 PM ', '11:05 a.m'].map(timeOf)).toEqual([
      '00:05:00',
      '12:05:00',
      '13:05:00',
      '11:05:00',
    ]);
    expect(['24:00', '12:60', '12:00:61'].map(timeOf)).toEqual(['no-date', 'no-date', 'no-date']);
    expect(read(['04.03', '45', '20'])).toBe('no-date');
    expect(read(['4', '45', '20'])).toBe('no-date');
    const padded = (length: number) => read(['04.03.2026 10:00'.padEnd(length, ' '), '45', '20']);
    expect(padded(LONGEST_CELL)).not.toBe('no-date');
    expect(padded(LONGEST_CELL + 1)).toBe('no-date');
  });

  test('the hour that comes twice is told apart by the order of the lines', () => {
    // Published: European Union clocks go back on the last Sunday of October at 01:00 UTC.
    const reader = lineReader(plan, 'Europe/Lisbon', NOW);
    const times = ['01:30', '01:50', '01:10', '01:30', '02:10'].map((clock) => {
      const reading = reader([`25.10.2026 ${clock}`, '45', '20']);
      return typeof reading === 'string' ? reading : new Date(reading.atS * 1000).toISOString().slice(11, 16);
    });
    expect(times).toEqual(['00:30', '00:50', '01:10', '01:30', '02:10']);
  });

  test('a wall clock and the instant it shows agree, wherever it shows it', () => {
    const instants = fc.integer({ min: Date.UTC(2020, 0, 1), max: Date.UTC(2030, 0, 1) });
    fc.assert(
      fc.property(instants, fc.constantFrom('Europe/Lisbon', 'America/New_York', 'Asia/Kathmandu'), (instant, zone) => {
        const wall = new Date(instant).toLocaleString('sv-SE', { timeZone: zone }).replace(' ', 'T');
        const wallMs = Date.parse(`${wall}Z`);
        const whole = Math.floor(instant / 1000) * 1000;
        return [wallInstant(wallMs, zone), wallInstant(wallMs, zone, whole - 1)].includes(whole);
      }),
    );
  });
});

describe('SenML', () => {
  const resolve = (pack: unknown) => readingsOf(senmlPackSchema.parse(pack), NOW);
  const now = NOW / 1000;

  test('base fields hold for what follows; records of one instant belong together', () => {
    // Published: RFC 8428, sections 4.1 and 4.5.
    const { readings, battery, faults } = resolve([
      { bn: 'urn:dev:mac:0024befffe804ff1/', bt: now - 120, n: 'rh', u: '%RH', v: 45.2 },
      { n: 'temp', u: 'Cel', v: 20.6 },
      { n: 'rh', u: '%RH', v: 45.4, t: 60 },
      { n: 'battery', u: '%EL', v: 12, t: 60 },
    ]);
    expect(readings).toEqual([
      { atS: now - 120, rhHundredths: 4520, tempHundredths: 2060, lowHundredths: null, highHundredths: null },
      { atS: now - 60, rhHundredths: 4540, tempHundredths: null, lowHundredths: null, highHundredths: null },
    ]);
    expect([battery, faults]).toEqual([12, []]);
  });

  test('times near zero count from now, a missing one is now', () => {
    expect(resolve([{ u: '%RH', v: 45, t: -60 }]).readings[0]!.atS).toBe(now - 60);
    expect(resolve([{ bu: '%RH', bv: 40, v: 5 }]).readings[0]).toMatchObject({ atS: now, rhHundredths: 4500 });
    expect(
      resolve([
        { u: '/', v: 0.45 },
        { u: 'K', v: 293.15 },
      ]).readings[0],
    ).toMatchObject({ rhHundredths: 4500, tempHundredths: 2000 });
  });

  test('what cannot be taken is named by its place in the pack', () => {
    const { readings, faults } = resolve([
      { u: '%RH', v: 130, t: -10 },
      { u: 'Cel', v: 20, t: -20 },
      { u: 'lx', v: 300, t: -30 },
      { u: '%RH', v: 45, bt: now + 86_400 },
      { u: '%RH', v: 45, t: -40, bt: 0, future_: 1 },
    ]);
    expect(readings.map(({ rhHundredths }) => rhHundredths)).toEqual([4500]);
    expect(faults).toEqual(
      expect.arrayContaining([
        { index: 0, fault: 'rh-above-100' },
        { index: 1, fault: 'no-humidity' },
        { index: 2, fault: 'unit' },
        { index: 3, fault: 'in-the-future' },
        { index: 4, fault: 'must-understand' },
      ]),
    );
    expect(senmlPackSchema.safeParse([]).success).toBe(false);
    expect(senmlPackSchema.safeParse({ n: 'rh' }).success).toBe(false);
    expect(senmlPackSchema.safeParse([{ bver: 11 }]).success).toBe(false);
  });
});
