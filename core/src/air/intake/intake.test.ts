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
import { guessDelimiter, LONGEST_CELL, momentIn, numberIn } from '../../tables';
import { tempUnitOfHead } from './heads';

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
  expect([unit('temp', '20', '61'), unit('temp', '20', '46')]).toEqual(['F', null]);
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
      'no-clock',
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
    // Three countries call their own time IST, two CST.
    expect(['12:00 IST', '1:00 PM CST', '12:00:00CEST'].map(timeOf)).toEqual(Array(3).fill('zone-letters'));
    expect(read(['04.03', '45', '20'])).toBe('no-date');
    expect(read(['4', '45', '20'])).toBe('no-date');
    const padded = (length: number) => read(['04.03.2026 10:00'.padEnd(length, ' '), '45', '20']);
    expect(padded(LONGEST_CELL)).not.toBe('no-date');
    expect(padded(LONGEST_CELL + 1)).toBe('no-date');
  });

  test('the hour that comes twice is told apart by the order of the lines', () => {
    // Published: European Union clocks go back on the last Sunday of October at 01:00 UTC.
    const timesOf = (clocks: readonly string[]) => {
      const reader = lineReader(plan, 'Europe/Lisbon', NOW);
      return clocks.map((clock) => {
        const reading = reader([`25.10.2026 ${clock}`, '45', '20']);
        return typeof reading === 'string' ? reading : new Date(reading.atS * 1000).toISOString().slice(11, 16);
      });
    };
    const walls = ['00:50', '01:30', '01:50', '01:10', '01:30', '02:10'];
    const instants = ['23:50', '00:30', '00:50', '01:10', '01:30', '02:10'];
    expect(timesOf(['00:30', ...walls])).toEqual(['23:30', ...instants]);
    // The newest line first: backwards.
    expect(timesOf(['02:30', ...walls.toReversed()])).toEqual(['02:30', ...instants.toReversed()]);
    // Nothing before it tells which is meant.
    expect(timesOf(['01:30', '02:10'])).toEqual(['hour-twice', '02:10']);
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

describe('what looks like a reading and is none', () => {
  const head = ['Time', 'Humidity (%)', 'Temperature (°C)'];
  const at = (minute: number) =>
    `2026-03-14 ${String(10 + Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
  const read = (rows: readonly (readonly string[])[]) => {
    const reader = lineReader(guessPlan([head, ...rows]) as ColumnPlan, 'UTC', NOW);
    return rows.map((cells) => {
      const reading = reader(cells);
      return typeof reading === 'string' ? reading : reading.rhHundredths / 100;
    });
  };

  test('a dead sensor: none at all, or all of it for hours', () => {
    expect(
      read([
        [at(0), '45', '20'],
        [at(10), '0', '20'],
        [at(20), '0.0', '20'],
      ]),
    ).toEqual([45, 'rh-zero', 'rh-zero']);
    // A wet hour may be; a wet night is a sensor that stands in water.
    const wet = read(Array.from({ length: 30 }, (_, tenth) => [at(tenth * 10), '100', '20']));
    expect(wet.slice(0, 19)).toEqual(Array(19).fill(100));
    expect(wet.slice(19)).toEqual(Array(11).fill('held'));
  });

  test('two devices in one file: lines of one instant that differ', () => {
    const rows = [0, 10, 20].flatMap((minute) => [
      [at(minute), '45', '20'],
      [at(minute), '60', '18'],
    ]);
    expect(read(rows)).toEqual([45, 'instant-twice', 45, 'instant-twice', 45, 'instant-twice']);
    // The same line twice is the same reading.
    expect(
      read([
        [at(0), '45', '20'],
        [at(0), '45', '20'],
      ]),
    ).toEqual([45, 45]);
  });

  test('a cell that gives another unit than its column', () => {
    const plan: ColumnPlan = { ...(guessPlan([head, [at(0), '45 %', '20 °C']]) as ColumnPlan) };
    const reader = lineReader(plan, 'UTC', NOW);
    expect(reader([at(0), '45 %', '20 °C'])).toMatchObject({ rhHundredths: 4500, tempHundredths: 2000 });
    expect([reader([at(10), '45 %', '68 °F']), reader([at(20), '45 °C', '20 °C'])]).toEqual([
      'unit-differs',
      'unit-differs',
    ]);
    // Both in one column: it has to be asked.
    expect(guessPlan([head, [at(0), '45', '20 °C'], [at(10), '45', '68 °F']]).tempUnit).toBeNull();
  });

  test('several columns that may be the one: none is taken before somebody chose', () => {
    const several = guessPlan([
      ['Time', 'RH bedroom', 'RH attic', 'T1 °C', 'T2 °C'],
      ...Array.from({ length: 5 }, (_, minute) => [at(minute), '45', '60', '20', '30']),
    ]);
    expect([several.rh, several.temp]).toEqual([null, null]);
    expect(planGaps(several)).toContain('rh');
    const fractions = guessPlan([['Time', 'RH (%)'], ...[0, 1, 2].map((minute) => [at(minute), '0.45'])]);
    expect(fractions.rhUnit).toBeNull();
  });

  test.each(['Battery %', 'Akku [%]', 'Absolute humidity', 'Dew point', 'Taupunkt °C', 'Heat index', 'Luftdruck hPa'])(
    '%s is neither humidity nor temperature',
    (other) => {
      const { rh, temp } = guessPlan([['Time', other], ...[0, 1, 2].map((minute) => [at(minute), '45'])]);
      expect([rh, temp]).toEqual([null, null]);
    },
  );

  test('the unit of a head is a unit, not a letter of a word', () => {
    for (const word of ['Temperature shelf', 'Temp. of roof', 'Half temp'])
      expect([word, tempUnitOfHead(word)]).toEqual([word, null]);
    for (const [text, unit] of [
      ['T (°F)', 'F'],
      ['Temp_C', 'C'],
      ['Temperature, °C', 'C'],
      ['Temperatur [℃]', 'C'],
      ['Degrees Fahrenheit', 'F'],
    ] as const)
      expect([text, tempUnitOfHead(text)]).toEqual([text, unit]);
  });

  test('whatever is left over of a cell makes it none', () => {
    for (const text of [
      '2026-03-14 10:00 CET',
      '2026-03-14 10:00 foo',
      '14.3.2026 25:00',
      '14.3.2026 13:00 pm',
      '2026-03-14T10:00+15:00',
    ])
      expect([text, momentIn(text)]).toEqual([text, null]);
    expect(momentIn(`2026-03-14${' '.repeat(20_000)}10:00`)).toBeNull();
  });
});
