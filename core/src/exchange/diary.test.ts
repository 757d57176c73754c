import fc from 'fast-check';
import { DIARY_UNITS, diaryEntry, guessDiary, placeInDay, type DiaryPlan } from '.';
import { DAY_MS, HOUR_MS, MINUTE_MS, startOfLocalDay } from '../time';
import { guessCalendarOrder } from '../tables';

const TODAY = Math.round(Date.UTC(2026, 5, 1) / DAY_MS);
const NAMES = new Map([
  ['heron', { id: 'h', since: null }],
  ['wren', { id: 'w', since: TODAY - 100 }],
]);
const plan: DiaryPlan = { skip: 1, date: 0, order: 'dmy', length: 1, unit: 'minutes', instrument: 2 };
const read = (cells: string[], more: Partial<DiaryPlan> = {}) =>
  diaryEntry(cells, { ...plan, ...more }, NAMES, 'h', TODAY);

describe('a practice diary', () => {
  test('is read by its plan', () => {
    expect(read(['14.03.2026', '45', 'Heron'])).toEqual({
      day: Math.round(Date.UTC(2026, 2, 14) / DAY_MS),
      minutes: 45,
      instrumentId: 'h',
    });
    expect(read(['03/14/26', '1,5', 'wren '], { order: 'mdy', unit: 'hours' })).toMatchObject({
      minutes: 90,
      instrumentId: 'w',
    });
    expect(read(['2026-03-14', '0:35', ''], { order: 'ymd', unit: 'clock', instrument: null })).toMatchObject({
      minutes: 35,
      instrumentId: 'h',
    });
  });

  test('each line that cannot be read says why', () => {
    expect([
      read(['14.03.2026']),
      read(['31.02.2026', '45', 'Heron']),
      read(['02.06.2026', '45', 'Heron']),
      read(['14.01.2026', '45', 'Wren']),
      read(['14.03.2026', 'long', 'Heron']),
      read(['14.03.2026', '0', 'Heron']),
      read(['14.03.2026', '2000', 'Heron']),
      read(['14.03.2026', '45', 'Gull']),
    ]).toEqual([
      'too-few-columns',
      'no-date',
      'in-the-future',
      'before-instrument',
      'no-length',
      'no-length',
      'too-long',
      'no-such-instrument',
    ]);
  });

  test('day and month are asked for where they can be read both ways, never guessed', () => {
    expect(guessCalendarOrder(['03/04/2026', '05/06/2026'])).toBeNull();
    expect(guessCalendarOrder(['03/04/2026', '25/06/2026'])).toBe('dmy');
    expect(guessCalendarOrder(['03/04/2026', '05/26/2026'])).toBe('mdy');
    expect(guessCalendarOrder(['2026-04-03'])).toBe('ymd');
    expect(guessCalendarOrder(['hello'])).toBeNull();
  });

  test('columns are guessed from heads and contents', () => {
    const rows = [
      ['Date', 'What', 'Minutes', 'Instrument'],
      ['25/03/2026', 'scales', '30', 'Heron'],
      ['26/03/2026', 'a waltz', '45', 'Wren'],
    ];
    expect(guessDiary(rows, ['Heron', 'Wren'])).toEqual({
      skip: 1,
      date: 0,
      order: 'dmy',
      length: 2,
      unit: 'minutes',
      instrument: 3,
    });
    // 1:15 may be an hour and a quarter, or a minute and a quarter: it is asked.
    expect(guessDiary([['2026-03-25', '1:15']], [])).toMatchObject({
      skip: 0,
      length: 1,
      unit: null,
      instrument: null,
    });
    expect(guessDiary([['2026-03-25', '2']], [])).toMatchObject({ unit: null });
    expect(guessDiary([['no', 'dates']], [])).toMatchObject({ date: null, length: null });
  });
});

test('playing without a time of day is put clear of what is on record, within its own day', () => {
  const zone = 'Europe/Lisbon';
  const taken = fc.array(
    fc.record({ from: fc.integer({ min: 0, max: 24 * 60 }), length: fc.integer({ min: 1, max: 300 }) }),
    { maxLength: 6 },
  );
  fc.assert(
    fc.property(
      fc.integer({ min: TODAY - 400, max: TODAY - 1 }),
      fc.integer({ min: 1, max: 600 }),
      taken,
      (day, minutes, other) => {
        const start = startOfLocalDay(day, zone);
        const stretches = other.map(({ from, length }) => ({
          from: start + from * MINUTE_MS,
          to: start + (from + length) * MINUTE_MS,
        }));
        const found = placeInDay(day, minutes, stretches, zone, Infinity);
        if (found === null) return stretches.length > 0;
        expect(found.to - found.from).toBe(minutes * MINUTE_MS);
        expect(found.from).toBeGreaterThanOrEqual(start);
        expect(found.to).toBeLessThanOrEqual(startOfLocalDay(day + 1, zone));
        for (const each of stretches) expect(found.to < each.from || found.from > each.to).toBe(true);
        return true;
      },
    ),
  );
  const start = startOfLocalDay(TODAY, zone);
  expect(placeInDay(TODAY, 30, [], zone, Infinity)!.from).toBe(start + 12 * HOUR_MS);
  // It is ten in the morning: only the night and the morning are left.
  expect(placeInDay(TODAY, 30, [], zone, start + 10 * HOUR_MS)!.to).toBeLessThanOrEqual(start + 10 * HOUR_MS);
  expect(placeInDay(TODAY, 700, [], zone, start + 10 * HOUR_MS)).toBeNull();
});

describe('how long was played, however it is written', () => {
  const guess = (head: string, ...cells: string[]) =>
    guessDiary([['Date', head], ...cells.map((cell, at) => [`2026-03-${10 + at}`, cell])], []);
  const minutes = (text: string, unit: DiaryPlan['unit']) => {
    const plan: DiaryPlan = { skip: 0, date: 0, order: 'ymd', length: 1, unit, instrument: null };
    const read = diaryEntry(['2026-03-14', text], plan, new Map([['heron', { id: 'h', since: null }]]), 'h', 30_000);
    return typeof read === 'string' ? read : read.minutes;
  };

  test('a length that says its unit is read by that', () => {
    for (const [text, wanted] of [
      ['45 min', 45],
      ['45m', 45],
      ['1h20', 80],
      ['1 h 20 min', 80],
      ['1.5 h', 90],
      ['1,5 Std', 90],
      ['90 s', 1.5],
      ['1:20:30', 80.5],
      ['４５ min', 45],
    ] as const)
      for (const unit of DIARY_UNITS) expect([text, unit, minutes(text, unit)]).toEqual([text, unit, wanted]);
    expect(guess('Practice', '45 min', '1h20', '90 s').unit).toBe('minutes');
  });

  test('what may be two things is asked: 1:20, 1.5', () => {
    expect(guess('Duration', '1:20', '0:45').unit).toBeNull();
    expect(guess('Duration (h:mm)', '1:20', '0:45').unit).toBe('clock');
    expect(guess('Duration (mm:ss)', '45:30', '20:10')).toMatchObject({ length: null });
    expect(guess('Practice', '1.5', '2').unit).toBeNull();
    expect([minutes('1:20', 'clock'), minutes('1:20', 'min-sec'), minutes('1:20', 'minutes')]).toEqual([
      80,
      1 + 20 / 60,
      'no-length',
    ]);
    expect([minutes('1.5', 'hours'), minutes('90', 'minutes'), minutes('90', 'seconds')]).toEqual([90, 90, 1.5]);
  });

  test('a time of day is no length', () => {
    expect(minutes('18:30', 'clock')).toBe('time-of-day');
    expect(guess('Time', '18:30', '17:00')).toMatchObject({ length: null, unit: null });
    const both = guessDiary(
      [
        ['Date', 'Start', 'Duration min'],
        ['2026-03-10', '18:30', '45'],
        ['2026-03-11', '17:00', '30'],
      ],
      [],
    );
    expect(both).toMatchObject({ length: 2, unit: 'minutes' });
    // Seconds are not minutes.
    expect(guess('Seconds', '2700', '1800').unit).toBe('seconds');
    expect(guess('Practice', '2700', '1800').unit).toBeNull();
  });
});
